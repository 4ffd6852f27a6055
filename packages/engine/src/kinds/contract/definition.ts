import type { Cursor } from '../../faults/cursor.ts';
import type { Plan } from '../../field/compiled.ts';
import type { Kind } from '../../field/kind.ts';
import type { EntryOf, Options } from '../../options/option.ts';
import type { Check, Rule } from '../../rules/rule.ts';
import type { Languages } from '../../rules/wording.ts';
import type { LawExemptions } from './law-exemptions.ts';
import type { SpecimenRenderer } from './specimen-renderer.ts';
import type { ValueTypes } from './value-types.ts';

/** What a definition stands in. */
export interface PlanContext {
  readonly id: string;
  /** BCP 47. */
  readonly locale: string;
  readonly rules: readonly Rule[];
  /** The set's own classes of characters, by name. */
  readonly classes: Readonly<Record<string, string>>;
}

/** How limits of a kind with an order are written. */
export interface Limits {
  /** Whether a text is a limit. */
  isGood(text: string): boolean;
  readonly example: string;
  readonly hasSteps: boolean;
  /** Whether one good limit is above another; `undefined` where that depends on the day. */
  isAbove(a: string, b: string): boolean | undefined;
  /** A lower limit to begin with. */
  readonly begin: string;
}

/** What a kind is to whoever writes definitions: its options, and what they compile to. It ships to no page. */
export interface Definition<O extends Options = Options, P extends Plan = Plan> {
  /** What people call it. */
  readonly name: string;
  readonly options: O;
  /** What several options together may get wrong; each of them is sound by itself. */
  check?(at: Cursor): void;
  /** Throws `RangeError` on what the reader would have refused. */
  plan(entry: EntryOf<O>, around: PlanContext): P;
  /** What it asks of the page; the field's own attributes go before. HTML, `inputmode` and autofill tokens. */
  attributes?(entry: EntryOf<O>): Readonly<Record<string, string>>;
  /** Only of kinds with an order. */
  readonly limits?: Limits;
  /** Its own wording of codes, where it has another than every field, and of those only it has. */
  readonly wording?: Languages;
  /** What its own findings of `complete` bring for a message. */
  readonly says?: readonly string[];
  /** Checks that say nothing of its values: a date has no length, an amount no check character. */
  readonly pointless?: readonly Check['type'][];
  /** The same value looks different from one locale to the next. */
  readonly byLocale?: true;
  /** What its values can be compared with: others that count alike. Of a kind without one only whether it is the same. */
  readonly comparable?: 'number' | 'day' | 'time' | 'minutes';
  /** Its value is a set of several (HTML, space-separated tokens). */
  readonly hasSeveral?: true;
  /** Whatever stands there is whole: it brings no rule `complete` of its own. */
  readonly isAlwaysWhole?: true;
}

/** A kind, whole: what runs, what defines it, how it is drawn. */
export interface KindEntry {
  readonly run: Kind;
  readonly define: Definition;
  readonly draw: SpecimenRenderer;
  /**
   * Of kinds that come with the package: the module of `@arbeit/engine/runs/` a page needs for it, which exports what runs
   * by that name in camel case.
   */
  readonly ships?: string;
  /** Of kinds that do not come with the package: where the laws ask something else of it. */
  readonly lawExemptions?: LawExemptions;
  /** Of kinds that do not come with the package: what its values are. */
  readonly valueTypes?: ValueTypes;
  /** Of kinds whose text a developer's code lays out: what that module exports that makes the kind, given what runs the code. */
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
  if (!found) throw new RangeError(`The kind "${name}" is not at hand.`);
  return found;
}
