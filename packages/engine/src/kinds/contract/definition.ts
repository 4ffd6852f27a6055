import type { Cursor } from '../../faults/cursor.ts';
import type { Texts } from '../../faults/say.ts';
import { unknownKind } from '../../faults/usage.ts';
import type { Plan } from '../../field/compiled.ts';
import type { Kind } from '../../field/kind.ts';
import type { EntryOf, Options } from '../../options/option.ts';
import type { Check, Rule } from '../../rules/rule.ts';
import type { Languages } from '../../rules/wording.ts';
import type { LawExemptions } from './law-exemptions.ts';
import type { SpecimenRenderer } from './specimen-renderer.ts';
import type { ValueTypes } from './value-types.ts';

/** What a definition is compiled in. */
export interface PlanContext {
  readonly id: string;
  /** Format locale (BCP 47). */
  readonly locale: string;
  /** Language of messages (BCP 47). */
  readonly language: string;
  readonly rules: readonly Rule[];
  /** The set's own character classes, by name. */
  readonly classes: Readonly<Record<string, string>>;
}

/** How limits are written, for kinds whose values have an order. */
export interface Limits {
  /** Whether a text is a valid limit. */
  isGood(text: string): boolean;
  readonly example: string;
  /** A limit that is not relative to the clock, for kinds that have both. */
  readonly fixed?: string;
  readonly hasSteps: boolean;
  /** Whether one limit is above another; `undefined` if that depends on the day. */
  isAbove(a: string, b: string): boolean | undefined;
  /** The minimum a new rule starts with. */
  readonly begin: string;
}

/** The definition of a kind: its options, and how they compile. It ships to no page. */
export interface Definition<O extends Options = Options, P extends Plan = Plan> {
  /** Name of the kind for people. */
  readonly name: string;
  /** How its values are written, for people: `E.164`. Without it they are plain strings. */
  readonly valueIs?: string;
  readonly options: O;
  /** Reports faults of several options together; each option is valid by itself. */
  check?(at: Cursor): void;
  /** The texts of the errors that `check` reports, by code. */
  readonly faults?: Texts;
  /** Compiles an entry. Throws `RangeError` on what the reader would have refused. */
  plan(entry: EntryOf<O>, around: PlanContext): P;
  /** HTML attributes it needs (`inputmode`, autofill tokens). The field's own attributes win. */
  attributes?(entry: EntryOf<O>): Readonly<Record<string, string>>;
  /**
   * The direction of its text (HTML `dir`), whatever page it is on: from left to right, or that of its format
   * locale. Without it, that of the page.
   */
  readonly direction?: 'ltr' | 'locale';
  /** Only for kinds with an order. */
  readonly limits?: Limits;
  /** Messages that differ from those of every field, and messages of codes that only this kind has. */
  readonly wording?: Languages;
  /** Placeholders that its findings of `complete` provide for messages. */
  readonly says?: readonly string[];
  /** Checks that make no sense for its values: a date has no length, an amount no check digit. */
  readonly pointless?: readonly Check['type'][];
  /** Whether the same value looks different in different locales. */
  readonly byLocale?: true;
  /**
   * Kinds whose values can be compared with its values share this. Without it, values can only be equal or
   * not.
   */
  readonly comparable?: 'number' | 'day' | 'month' | 'moment' | 'time' | 'minutes';
  /** What is different with some options: a date of month and year has other limits. See `definitionIn`. */
  variant?(
    entry: EntryOf<O>,
  ): Partial<Pick<Definition, 'name' | 'valueIs' | 'limits' | 'comparable' | 'wordedAs'>> | undefined;
  /** Name in the message tables of texts that replace those under the name of the kind. */
  readonly wordedAs?: string;
  /** Words that components draw beside such a field, in the language of its messages. */
  draws?(plan: P): readonly string[];
  /** Whether every text is complete, so that there is no rule `complete`. */
  readonly isAlwaysWhole?: true;
}

/** A kind, complete: how it runs, is defined and is drawn. */
export interface KindEntry {
  readonly run: Kind;
  readonly define: Definition;
  readonly draw: SpecimenRenderer;
  /**
   * For kinds of this package: the module of `@arbeit/engine/runs/` that a page needs. It exports the kind by
   * that name in camel case.
   */
  readonly ships?: string;
  /** For kinds that run other kinds inside: the plans of those. */
  plansWithin?(plan: Plan): readonly Plan[];
  /** For kinds that do not come with this package: how laws apply to it differently. */
  readonly lawExemptions?: LawExemptions;
  /** For kinds that do not come with this package: its values. */
  readonly valueTypes?: ValueTypes;
  /**
   * For kinds that run a developer's code: the export of that module that makes the kind from a function that
   * runs code.
   */
  readonly shipsBy?: string;
}

/** Kinds by name. */
export type KindTable = Readonly<Record<string, KindEntry>>;

/**
 * The entry of a kind by name. Throws `RangeError` if the table has no such kind.
 *
 * @example
 * const { define } = kindIn(kinds, 'date');
 */
export function kindIn(kinds: KindTable, name: string): KindEntry {
  const found = Object.hasOwn(kinds, name) ? kinds[name] : undefined;
  if (!found) throw unknownKind(name);
  return found;
}

/**
 * The definition of a field's kind, as the options of the field have it. Throws `RangeError` if the table has
 * no such kind.
 *
 * @example
 * const { limits } = definitionIn(kinds, { kind: 'date', entry: { parts: 'month' } });
 */
export function definitionIn(
  kinds: KindTable,
  { kind, entry = {} }: { readonly kind: string; readonly entry?: object },
): Definition {
  const { define } = kindIn(kinds, kind);
  const variant = define.variant?.(entry as EntryOf<Options>);
  return variant ? { ...define, ...variant } : define;
}
