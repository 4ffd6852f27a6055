import type { PatternEntry } from './pattern.ts';

/** The document, as it is written (`engine.md`, section 5). `document.schema.json` says the same to other tools. */
export interface SetDocument {
  readonly arbeit: 1;
  readonly title: string;
  readonly locale: string;
  readonly classes?: Readonly<Record<string, string>>;
  readonly fields: readonly FieldDocument[];
  readonly forms?: readonly FormDocument[];
}

export interface FieldDocument {
  readonly id: string;
  readonly kind: 'pattern';
  readonly label: string;
  readonly hint?: string;
  readonly placeholder?: string;
  readonly locale?: string;
  readonly initial?: string;
  readonly messages?: 'first' | 'all';
  readonly entry: { readonly pattern: string } & Partial<PatternEntry>;
  readonly html?: Readonly<Record<string, string | boolean>>;
  readonly rules?: readonly RuleDocument[];
}

export interface RuleDocument {
  readonly id: string;
  readonly check: CheckDocument;
  readonly say?: string;
  readonly code?: string;
  readonly show?: 'at-once' | 'leave' | 'submit';
  readonly severity?: 'error' | 'warning';
}

export type CheckDocument =
  | { readonly type: 'required' | 'complete' }
  | { readonly type: 'length'; readonly min?: number; readonly max?: number }
  | { readonly type: 'matches'; readonly pattern: string; readonly flags?: string }
  | { readonly type: 'in' | 'not-in'; readonly values: readonly string[] }
  | { readonly type: 'checksum'; readonly scheme: 'luhn' | 'mod97' | 'mod11' };

export interface FormDocument {
  readonly id: string;
  readonly title?: string;
  readonly fields: readonly string[];
  readonly rules?: readonly never[];
}

/** One mistake in a document: where, what was expected, and a way out. */
export interface DocumentFault {
  /** JSON path, `$` the document: `$.fields[0].entry.pattern`. */
  readonly path: string;
  readonly message: string;
  readonly suggestion?: string;
  /** 1-based column inside the text at `path`, where the mistake lies within it. */
  readonly column?: number;
  /** 1-based line and column in the source text, where the text is no JSON at all. */
  readonly line?: number;
}
