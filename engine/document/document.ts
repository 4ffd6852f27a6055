import type { AllKinds, KindName } from '../kinds/table.ts';
import type { EntryOf } from '../options/option.ts';

/** The document, as it is written (`engine.md`, section 5). `document.schema.json` says the same to other tools. */
export interface SetDocument {
  readonly arbeit: 1;
  readonly title: string;
  readonly locale: string;
  readonly classes?: Readonly<Record<string, string>>;
  readonly fields: readonly FieldDocument[];
  readonly forms?: readonly FormDocument[];
}

/** The entry options of each kind, from the kinds' own descriptions. */
export type Entries = { readonly [K in KindName]: EntryOf<AllKinds[K]['define']['options']> };

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

/** A rule of a field: what it checks, what it says, and when that may be seen. */
export interface RuleDocument {
  readonly id: string;
  readonly check: CheckDocument;
  readonly say?: string;
  readonly code?: string;
  readonly show?: 'at-once' | 'leave' | 'submit';
  readonly severity?: 'error' | 'warning';
}

/** What a rule checks, as a document writes it. */
export type CheckDocument =
  | { readonly type: 'required' | 'complete' | 'not-trivial' }
  | { readonly type: 'length'; readonly min?: number; readonly max?: number }
  | { readonly type: 'matches'; readonly pattern: string; readonly flags?: string }
  | { readonly type: 'in' | 'not-in'; readonly values: readonly string[] }
  | { readonly type: 'checksum'; readonly scheme: 'luhn' | 'mod97' | 'mod11'; readonly rotate?: number }
  | { readonly type: 'range'; readonly min?: Limit; readonly max?: Limit; readonly step?: Limit };

/** A number, or the kind's raw form as a text: a decimal, a date, `today+18m`, a time. */
export type Limit = string | number;

/** A form: fields in an order, sent together. */
export interface FormDocument {
  readonly id: string;
  readonly title?: string;
  readonly fields: readonly string[];
  readonly rules?: readonly never[];
}
