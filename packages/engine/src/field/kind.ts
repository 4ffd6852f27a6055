import { type Checkable, type Checks, carriedBy } from '../rules/checks.ts';
import type { CompiledField, Plan } from './compiled.ts';
import { hasChecks } from './features.ts';
import type { FieldEvent, FieldState } from './field-state.ts';
import type { Ahead, RunShape } from './shape.ts';
import type { EditResult, Extent, InsertResult, Reason, TextState } from './text-state.ts';

/** Controls beside a line of text: a box for each character; a list, buttons or boxes to pick from. */
export type ControlName = 'boxes' | 'picks';

/**
 * What a kind of field must be able to do. `plan` is the compiled definition, `body` what the field holds;
 * offsets are UTF-16 units of the display. Everything is pure. What is optional, most kinds do without.
 */
export interface Kind<P extends Plan = Plan, B extends TextState = TextState> extends Checkable<P, B> {
  /** What its fields are typed into or picked from, where that is not a line of text. */
  readonly control?: ControlName;
  /** What a field holds in which nobody has typed. */
  empty(plan: P): B;
  /** One character from the keyboard. A reason means: nothing changed. */
  key(plan: P, body: B, start: number, end: number, character: string): EditResult<B> | Reason;
  /** A text at once: paste, drop, the end of a composition. */
  insert(plan: P, body: B, start: number, end: number, text: string): InsertResult<B>;
  /** A whole value from the program, the initial value. Takes raw values first, then whatever a paste takes. */
  parse(plan: P, text: string): InsertResult<B>;
  /** Takes out what is selected, or what the extent says. */
  erase(plan: P, body: B, start: number, end: number, extent: Extent): EditResult<B>;
  /** The body with the caret at the end of its content. */
  caretAtEnd(plan: P, body: B): EditResult<B>;
  /** The nearest offset where the caret may stand. */
  clampCaret?(plan: P, body: B, offset: number): number;
  /** Of kinds with long texts what finds the nearest offset of the display at or left of one that splits no character. */
  boundaryAt?(display: string, offset: number): number;
  /** Carries out events for kinds with a resting text or steps: `resting.ts`. */
  reduce?(field: HydratedField<P, B>, state: FieldState<B>, event: FieldEvent): FieldState<B>;
  /** What leaving makes of the content: padded, tidied. Nothing a key would refuse, and done once it stays. */
  normalizeOnBlur?(plan: P, body: B): B;
  /** The same content as it shows while it is typed into. */
  toEditing?(plan: P, body: B): B;
  /** The up key (`by` 1) and the down key (-1); `undefined` where there is nothing to step. */
  step?(plan: P, body: B, caret: number, by: 1 | -1): EditResult<B> | undefined;
  /** What there is to tell of a value, by name: `weekday`, `week`. */
  facts?(plan: P, body: B): Readonly<Record<string, string>>;
  /** Guide text still to come, drawn behind the input after what it displays; empty when there is none. */
  guideText?(plan: P, body: B): string;
  /** The same kind with what runs a developer's code: of kinds whose text such code lays out. */
  withFormat?(run: RunShape): Kind<P, B>;
  /** Of such kinds the contents the next key may lead to, and the code that lays them out: whoever asks elsewhere for shapes asks for these ahead. */
  prefetch?(plan: P, body: B, start: number, end: number): Ahead;
  /** What fields on one value hand each other: the typed value, or where parts of one mean something already, raw. */
  readonly shares?: 'raw';
}

/**
 * A compiled field brought to life: with what its kind can do. What is typed into, checked and told of is one of these. `V` are the
 * values it can have, where its declaration knows them.
 */
export interface HydratedField<
  P extends Plan = Plan,
  B extends TextState = TextState,
  V extends string = string,
> extends CompiledField<P> {
  readonly kind: Kind<P, B>;
  /** Only a type says so: nothing stands there. */
  readonly '~value'?: V;
  /** The checks its rules ask for, or more. */
  readonly checks: Checks;
}

/** What fields of a kind hold. */
export type TextStateOf<K extends { empty(plan: never): TextState }> = ReturnType<K['empty']>;

/** A field of a kind, and the values it can have. */
export type FieldOf<K extends { empty(plan: never): TextState }, V extends string = string> =
  K extends Kind<infer P, infer B> ? HydratedField<P, B, V> : never;

/** The values a field can have. */
export type ValueOf<F extends { readonly '~value'?: string }> = NonNullable<F['~value']>;

/** Kinds at hand, by name. A page carries those it names. */
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
  if (!Object.hasOwn(kinds, name))
    throw new RangeError(`The kind "${name}" is not at hand: give it to "hydrate".`);
  for (const name of hasChecks ? carriedBy(field.rules) : [])
    if (!checks[name]) throw new RangeError(`The check "${name}" is not at hand: give it to "hydrate".`);
  // What a kind makes and takes are of one type; which, its "empty" says.
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
  ...field
}: HydratedField<P>): CompiledField<P> {
  return field;
}
