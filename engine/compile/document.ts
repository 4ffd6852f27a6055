import type { DateEntry, DurationEntry, TimeEntry } from './date.ts';
import type { NumberEntry } from './number.ts';
import type { PatternEntry } from './pattern.ts';
import type { PhoneEntry } from './phone.ts';

/** The document, as it is written (`engine.md`, section 5). `document.schema.json` says the same to other tools. */
export interface SetDocument {
  readonly arbeit: 1;
  readonly title: string;
  readonly locale: string;
  readonly classes?: Readonly<Record<string, string>>;
  readonly fields: readonly FieldDocument[];
  readonly forms?: readonly FormDocument[];
}

/** Entry options of kind `text`. */
export interface TextEntry {
  readonly trim?: boolean;
  readonly collapse?: boolean;
  readonly case?: 'as-typed' | 'upper' | 'lower';
  readonly max?: number;
}

/** Entry options of kinds `pin` and `one-time-code`. `groups` and `conceal` belong to one of them each. */
export interface BoxesEntry {
  readonly length?: number;
  readonly accept?: 'digit' | 'alnum';
  readonly groups?: readonly number[];
  readonly conceal?: boolean;
}

/** The entry options of each kind. */
export interface Entries {
  readonly pattern: { readonly pattern: string } & Partial<PatternEntry>;
  readonly text: TextEntry;
  readonly number: NumberEntry;
  readonly currency: NumberEntry & { readonly currency: string };
  readonly percent: NumberEntry;
  readonly date: DateEntry;
  readonly time: TimeEntry;
  readonly duration: DurationEntry;
  readonly phone: PhoneEntry;
  readonly pin: BoxesEntry;
  readonly 'one-time-code': BoxesEntry;
}

export type KindName = keyof Entries;

/** A field of one kind, or of any. */
export type FieldDocument<K extends KindName = KindName> = {
  [Kind in K]: {
    readonly id: string;
    readonly kind: Kind;
    readonly label: string;
    readonly hint?: string;
    readonly placeholder?: string;
    readonly locale?: string;
    readonly initial?: string;
    readonly messages?: 'first' | 'all';
    /** In a file it may be left out where every option has a usual value; `readDocument` puts an empty one there. */
    readonly entry: Entries[Kind];
    readonly html?: Readonly<Record<string, string | boolean>>;
    readonly rules?: readonly RuleDocument[];
  };
}[K];

export interface RuleDocument {
  readonly id: string;
  readonly check: CheckDocument;
  readonly say?: string;
  readonly code?: string;
  readonly show?: 'at-once' | 'leave' | 'submit';
  readonly severity?: 'error' | 'warning';
}

export type CheckDocument =
  | { readonly type: 'required' | 'complete' | 'not-trivial' }
  | { readonly type: 'length'; readonly min?: number; readonly max?: number }
  | { readonly type: 'matches'; readonly pattern: string; readonly flags?: string }
  | { readonly type: 'in' | 'not-in'; readonly values: readonly string[] }
  | { readonly type: 'checksum'; readonly scheme: 'luhn' | 'mod97' | 'mod11'; readonly rotate?: number }
  | { readonly type: 'range'; readonly min?: Limit; readonly max?: Limit; readonly step?: Limit };

/** A number, or the kind's raw form as a text: a decimal, a date, `today+18m`, a time. */
export type Limit = string | number;

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
