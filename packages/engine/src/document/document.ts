import type { CheckDocument } from '../checks/check-document.ts';
import type { Appearance } from '../field/appearance.ts';
import type { Plural } from '../rules/wording.ts';
import type { Trial } from '../tape/trial.ts';
import type { Entries } from './entries.ts';
import type { documentVersion } from './versions.ts';

export type { CheckDocument };

/** The document, as it is written (`docs/contract/document.md`). `document.schema.json` says the same to other tools. */
export interface SetDocument {
  readonly arbeit: typeof documentVersion;
  readonly title: string;
  readonly locale: string;
  readonly classes?: Readonly<Record<string, string>>;
  readonly fields: readonly FieldDocument[];
  readonly forms?: readonly FormDocument[];
  /** Tapes that expect something, in an order of the developer's. */
  readonly trials?: readonly Trial[];
  /** Texts in other languages, by language (BCP 47) and by name (`fields/phone/label`; `texts.ts`). */
  readonly texts?: Readonly<Record<string, Readonly<Record<string, string | Plural>>>>;
}

/** A field of one kind, or of any. */
export type FieldDocument<K extends keyof Entries = keyof Entries> = {
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
    /** How it is drawn where it is taken home. */
    readonly look?: Appearance;
    readonly rules?: readonly RuleDocument[];
    /** In a form it counts only while this holds. */
    readonly when?: ConditionDocument;
  };
}[K];

/** A rule of a field: what it checks, what it says, and when that may be seen. */
export interface RuleDocument {
  readonly id: string;
  readonly check: CheckDocument;
  readonly say?: string | Plural;
  readonly code?: string;
  readonly show?: 'at-once' | 'leave' | 'submit';
  readonly severity?: 'error' | 'warning';
  /** In a form it counts only while this holds. */
  readonly when?: ConditionDocument;
  /** What it refuses stays in the field, or is taken out of it. */
  readonly refused?: 'keep' | 'clear';
  /** Raw values kept with it, those it should let pass and those it should refuse. */
  readonly samples?: { readonly pass?: readonly string[]; readonly fail?: readonly string[] };
}

/** A condition on other fields: one has a value (`null`: none; of several, any), or all, any or none of several conditions hold. */
export type ConditionDocument =
  | { readonly field: string; readonly is: ConditionValue | readonly ConditionValue[] }
  | { readonly all: readonly ConditionDocument[] }
  | { readonly any: readonly ConditionDocument[] }
  | { readonly not: ConditionDocument };

/** What a field is compared with: its raw value, or a number or yes and no as JSON has them. */
export type ConditionValue = string | number | boolean | null;

/** A form: fields in an order or in sections, sent together. */
export interface FormDocument {
  readonly id: string;
  readonly title?: string;
  /** One of the two. */
  readonly fields?: readonly string[];
  readonly sections?: readonly SectionDocument[];
  /** Held back until every field is right, or let through to be told what is wrong (the default). */
  readonly submit?: 'when-ready' | 'always';
  /** The field that submits the form by itself once it is whole. */
  readonly completes?: string;
  /** Whether what no server answered holds the form back (the default). */
  readonly unanswered?: 'hold' | 'let-through';
  readonly rules?: readonly FormRuleDocument[];
}

/** Fields of a form under one title, in one or two columns. */
export interface SectionDocument {
  readonly title?: string;
  readonly columns?: 1 | 2;
  readonly fields: readonly string[];
}

/** A rule of a form; its message stands at `field`. */
export interface FormRuleDocument extends RuleDocument {
  readonly field: string;
}

/**
 * The ids of a form's fields, in the order of the form.
 *
 * @example
 * fieldIdsOf({ fields: ['arrival', 'departure'] }); // ['arrival', 'departure']
 */
export const fieldIdsOf = ({
  fields,
  sections,
}: Pick<FormDocument, 'fields' | 'sections'>): readonly string[] =>
  fields ?? sections?.flatMap((section) => section.fields) ?? [];
