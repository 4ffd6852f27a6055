import { unknownCheck, unknownKind } from '../faults/usage.ts';
import { type Checkable, type Checks, carriedBy } from '../rules/checks.ts';
import type { CompiledField, Plan } from './compiled.ts';
import { hasChecks } from './features.ts';
import type { FieldEvent, FieldState } from './field-state.ts';
import type { Ahead, RunShape } from './shape.ts';
import type { EditResult, Extent, InsertResult, Reason, TextState } from './text-state.ts';

/** Controls beside a line of text: `boxes`, one per character, or `picks`, something to pick from. */
export type ControlName = 'boxes' | 'picks';

/**
 * What a page draws beside the control of a field: a button with a calendar, labels of the parts of a value,
 * labels of units, a count of characters, a list of regions.
 */
export type AdornmentName = 'calendar' | 'part-labels' | 'unit-labels' | 'counter' | 'region-list';

/**
 * The functions of a kind of field. `plan` is the compiled definition, `body` the text state; offsets are
 * UTF-16 units of the display. All are pure. Optional members are absent in most kinds.
 */
export interface Kind<P extends Plan = Plan, B extends TextState = TextState> extends Checkable<P, B> {
  /** The control of its fields if it is not a line of text. */
  readonly control?: ControlName;
  /** What separates values in raw. Only for kinds whose fields may have several. */
  separator?(plan: P): string;
  /** What is drawn beside the control of a field. */
  adornments?(plan: P): readonly AdornmentName[];
  /**
   * The raw value with a day (ISO 8601) in place of the one in a text state, for a calendar beside a field
   * that contains more than a day. Absent: the day is the value.
   */
  withDay?(plan: P, body: B, day: string): string;
  /** The text state of a field nobody has typed into. */
  empty(plan: P): B;
  /**
   * The result of one character from the keyboard between `start` and `end`, or the reason why nothing
   * changed.
   */
  key(plan: P, body: B, start: number, end: number, character: string): EditResult<B> | Reason;
  /** The result of inserting a text at once: paste, drop, the end of a composition. */
  insert(plan: P, body: B, start: number, end: number, text: string): InsertResult<B>;
  /**
   * The result of a whole value from a program or the document. Reads raw values first, then what a paste
   * would read.
   */
  parse(plan: P, text: string): InsertResult<B>;
  /**
   * How much longer a raw text may be than the limit of a server, which refuses longer ones unread, in
   * UTF-16 units. Only for kinds whose raw values may be very long.
   */
  extraLength?(plan: P): number;
  /**
   * The result of a whole text that a person or the browser brings into the empty field. Default: `parse`,
   * for kinds whose raw values mean the same as texts.
   */
  readText?(plan: P, text: string): InsertResult<B>;
  /** The result of deleting the selection, or what `extent` says. */
  erase(plan: P, body: B, start: number, end: number, extent: Extent): EditResult<B>;
  /** The text state with the caret at the end of its content. */
  caretAtEnd(plan: P, body: B): EditResult<B>;
  /** The nearest offset where the caret may be. */
  clampCaret?(plan: P, body: B, offset: number): number;
  /** The nearest offset at or left of `offset` that splits no character. Only for kinds with long texts. */
  boundaryAt?(display: string, offset: number): number;
  /** Applies an event in kinds with a resting text or steps: `resting.ts`. */
  reduce?(field: HydratedField<P, B>, state: FieldState<B>, event: FieldEvent): FieldState<B>;
  /**
   * The content after blur: padded and normalised. Contains nothing a key would refuse, and applying it twice
   * changes nothing.
   */
  normalizeOnBlur?(plan: P, body: B): B;
  /** The same content as it is shown while typing. */
  toEditing?(plan: P, body: B): B;
  /** The result of the up key (`by` 1) or the down key (-1); `undefined` if there is nothing to step. */
  step?(plan: P, body: B, caret: number, by: 1 | -1): EditResult<B> | undefined;
  /** Facts about the value, by name: `weekday`, `week`. */
  facts?(plan: P, body: B): Readonly<Record<string, string>>;
  /** Guide text that follows the display, drawn behind the input; empty if there is none. */
  guideText?(plan: P, body: B): string;
  /** The same kind with a function that runs custom formats. */
  withFormat?(run: RunShape): Kind<P, B>;
  /**
   * Contents that the next key may lead to, with the code that formats them, so that they can be formatted in
   * advance.
   */
  prefetch?(plan: P, body: B, start: number, end: number): Ahead;
  /**
   * What fields that share a value exchange: the typed value, or raw where single parts already mean
   * something.
   */
  readonly shares?: 'raw';
}

/**
 * A compiled field joined with its kind and checks, so that it can run. `V` are its possible values if its
 * declaration knows them.
 */
export interface HydratedField<
  P extends Plan = Plan,
  B extends TextState = TextState,
  V extends string = string,
> extends CompiledField<P> {
  readonly kind: Kind<P, B>;
  /** Exists in types only. */
  readonly '~value'?: V;
  /** The checks that its rules need, or more. */
  readonly checks: Checks;
  /** The field that this one is a translation of. */
  readonly original?: HydratedField;
}

/** The text state of a kind. */
export type TextStateOf<K extends { empty(plan: never): TextState }> = ReturnType<K['empty']>;

/** A hydrated field of a kind with its possible values. */
export type FieldOf<K extends { empty(plan: never): TextState }, V extends string = string> =
  K extends Kind<infer P, infer B> ? HydratedField<P, B, V> : never;

/** The possible values of a field. */
export type ValueOf<F extends { readonly '~value'?: string }> = NonNullable<F['~value']>;

/** Kinds by name. A page carries those it names. */
export type Kinds = Readonly<Record<string, Kind>>;

/**
 * Joins a compiled field with its kind and the checks of its rules, so that it can run. Throws `RangeError`
 * if its kind or one of its checks is missing.
 *
 * @example
 * const field = hydrate(compiled, { pattern: kinds.pattern.run }, checks);
 */
export function hydrate<P extends Plan, T extends Readonly<Record<P['kind'], Kind<P>>>>(
  field: CompiledField<P>,
  kinds: T,
  checks: Checks = {},
): HydratedField<P, TextStateOf<T[P['kind']]>> {
  const name: P['kind'] = field.plan.kind;
  if (!Object.hasOwn(kinds, name)) throw unknownKind(name, 'Pass it to hydrate().');
  for (const name of hasChecks ? carriedBy(field.rules) : [])
    if (!checks[name]) throw unknownCheck(name, 'Pass it to hydrate().');
  // A kind's methods share one state type, that of its `empty`.
  return { ...field, kind: kinds[name] as unknown as Kind<P, TextStateOf<T[P['kind']]>>, checks };
}

/**
 * Like `hydrate`, for a field whose kind is only known at run time.
 *
 * @example
 * const field = hydrateAny(JSON.parse('{}'), { pattern: kinds.pattern.run }, checks);
 */
export const hydrateAny = (field: CompiledField, kinds: Kinds, checks: Checks): HydratedField =>
  hydrate(field, kinds, checks);

/**
 * The field with a function that runs its custom format; the same field if its kind is not `custom`.
 *
 * @example
 * const field = withFormat(pass, runShape);
 */
export const withFormat = <F extends HydratedField>(field: F, run: RunShape): F =>
  field.kind.withFormat ? { ...field, kind: field.kind.withFormat(run) } : field;

/**
 * The compiled field as plain data that can be stored as JSON or sent. `hydrate` reverses it.
 *
 * @example
 * const json: string = JSON.stringify(dehydrate(pass));
 */
export function dehydrate<P extends Plan>({
  kind: _,
  checks: __,
  original: ___,
  ...field
}: HydratedField<P>): CompiledField<P> {
  return field;
}
