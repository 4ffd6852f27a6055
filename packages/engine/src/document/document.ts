import type { CheckDocument } from '../checks/check-document.ts';
import type { Appearance } from '../field/appearance.ts';
import type { Plural } from '../rules/wording.ts';
import type { Trial } from '../tape/trial.ts';
import type { Entries } from './entries.ts';
import type { documentVersion } from './versions.ts';

export type { CheckDocument };

/** A document (`docs/contract/document.md`). `document.schema.json` describes the same for other tools. */
export interface SetDocument {
  readonly arbeit: typeof documentVersion;
  readonly title: string;
  /** The format locale (BCP 47): how numbers, dates and the like are written. */
  readonly locale: string;
  /** The language of messages (BCP 47). Default: that of the locale. */
  readonly language?: string;
  readonly classes?: Readonly<Record<string, string>>;
  readonly fields: readonly FieldDocument[];
  readonly forms?: readonly FormDocument[];
  /** Tapes with expectations, in the developer's order. */
  readonly trials?: readonly Trial[];
  /** Texts in other languages, by language (BCP 47) and key (`fields/phone/label`, see `texts.ts`). */
  readonly texts?: Readonly<Record<string, Readonly<Record<string, string | Plural>>>>;
}

/** A field of one kind, or of any. */
export type FieldDocument<K extends keyof Entries = keyof Entries> = {
  [Kind in K]: {
    readonly id: string;
    /** Its key in records and `FormData`, and the name of its control (HTML). Default: the id. */
    readonly name?: string;
    readonly kind: Kind;
    readonly label: string;
    readonly hint?: string;
    readonly placeholder?: string;
    readonly locale?: string;
    readonly language?: string;
    readonly initial?: string;
    readonly messages?: 'first' | 'all';
    /** May be missing in a file if every option has a default; `readDocument` adds an empty one. */
    readonly entry: Entries[Kind];
    readonly html?: Readonly<Record<string, string | boolean>>;
    /** How it is drawn in a hand-off. */
    readonly look?: Appearance;
    readonly rules?: readonly RuleDocument[];
    /** Id of a field of the same kind whose value it shows and changes, in its own way. */
    readonly sameValueAs?: string;
    /** The field counts in its form only while this holds. */
    readonly when?: ConditionDocument;
  };
}[K];

/** A rule of a field: what it checks, its message, and when that may be shown. */
export interface RuleDocument {
  readonly id: string;
  readonly check: CheckDocument;
  readonly say?: string | Plural;
  readonly code?: string;
  readonly show?: 'at-once' | 'leave' | 'submit';
  readonly severity?: 'error' | 'warning';
  /** The rule counts only while this holds. */
  readonly when?: ConditionDocument;
  /** Whether a value it refuses stays in the field or is removed. */
  readonly refused?: 'keep' | 'clear';
  /** Raw values for tests of the rule: those that must pass and those that must fail. */
  readonly samples?: { readonly pass?: readonly string[]; readonly fail?: readonly string[] };
}

/**
 * A condition on other fields: one has this value (`null`: none; a list: any of these), or all, any or none
 * of several conditions hold.
 */
export type ConditionDocument =
  | { readonly field: string; readonly is: ConditionValue | readonly ConditionValue[] }
  | { readonly all: readonly ConditionDocument[] }
  | { readonly any: readonly ConditionDocument[] }
  | { readonly not: ConditionDocument };

/** A value to compare a field with: its raw value, or a JSON number or boolean. */
export type ConditionValue = string | number | boolean | null;

/** A form: fields in an order or in sections, submitted together. */
export interface FormDocument {
  readonly id: string;
  readonly title?: string;
  /** Either this or `sections`. */
  readonly fields?: readonly string[];
  readonly sections?: readonly SectionDocument[];
  /** `when-ready` holds an invalid form back; `always` (default) lets a submit show what is wrong. */
  readonly submit?: 'when-ready' | 'always';
  /** Id of the field that submits the form when it is complete. */
  readonly completes?: string;
  /** Whether questions that no server answered hold the form back (default). */
  readonly unanswered?: 'hold' | 'let-through';
  readonly rules?: readonly FormRuleDocument[];
}

/** Fields of a form under one title, in one or two columns. */
export interface SectionDocument {
  readonly title?: string;
  readonly columns?: 1 | 2;
  readonly fields: readonly string[];
}

/** A rule of a form; `field` shows its message. */
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
