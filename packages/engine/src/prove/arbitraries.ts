import fc from 'fast-check';
import { compileField } from '../document/compile-field.ts';
import type { FieldDocument, RuleDocument } from '../document/document.ts';
import { readDocument } from '../document/read-document.ts';
import { apply, start } from '../field/apply.ts';
import type { Plan } from '../field/compiled.ts';
import type { FieldEvent, FieldState } from '../field/field-state.ts';
import type { HydratedField } from '../field/kind.ts';
import type { TextState } from '../field/text-state.ts';
import { type Matter, type Node, parseNotation, printNotation } from '../kinds/editing/notation.ts';
import type { PatternField } from '../kinds/pattern/run.ts';
import { kinds } from '../kinds/registry.ts';
import type { Action } from '../tape/script.ts';
import { fieldEvents } from '../tape/verbs.ts';
import { writeTape } from '../tape/write-tape.ts';

/** Random patterns, fields and tapes for the laws, each shrinking to something readable. */

const fixedText = fc.oneof(
  fc.constantFrom('-', ' ', '/', '.', ') ', '(', ' ext. ', '+44 ', 'RH-', '<', '::', ' kg', '1'),
  fc.string({ minLength: 1, maxLength: 3 }).filter((text) => !/[>]/.test(text)),
);

const takes = fc.oneof(
  {
    arbitrary: fc
      .constantFrom('digit', 'letter', 'latin', 'alnum', 'any')
      .map((name) => ({ type: 'built-in' as const, name: name as 'digit' })),
    weight: 4,
  },
  {
    arbitrary: fc
      .constantFrom('0-9A-F', 'XYZ', 'a-c1-3')
      .map((characters) => ({ type: 'characters' as const, characters })),
    weight: 2,
  },
);

type Bare = Matter & { at: number; end: number };
const placed = (matter: Matter): Bare => ({ ...matter, at: 0, end: 0 });

const cells = fc
  .record({
    counts: fc
      .tuple(fc.nat(4), fc.integer({ min: 1, max: 4 }))
      .map(([a, b]) => [Math.min(a, b), Math.max(a, b)] as const),
    takes,
    manner: fc.option(fc.constantFrom('upper' as const, 'lower' as const), { nil: undefined, freq: 4 }),
    exact: fc.boolean(),
  })
  .filter((c) => !(c.takes.type === 'characters' && c.manner))
  .map(({ counts: [min, max], takes, manner, exact }) =>
    placed({ type: 'cells', min: exact ? max : min, max, takes, ...(manner ? { manner } : {}) }),
  );

const number = fc
  .constantFrom(['00', '23'], ['00', '59'], ['01', '12'], ['1', '5'], ['000', '255'])
  .map(([low, high]) => placed({ type: 'number', low: low!, high: high! }));
const words = fc
  .constantFrom(['AM', 'PM'], ['no', 'none', 'all'], ['kg', 'lb'])
  .map((list) => placed({ type: 'words', words: list }));
const text = fixedText.map((t) => placed({ type: 'text', text: t }));
const taking = fc.oneof(
  { arbitrary: cells, weight: 6 },
  { arbitrary: number, weight: 2 },
  { arbitrary: words, weight: 1 },
);

const withoutStretch = (maxLength: number) =>
  fc.array(fc.oneof({ arbitrary: taking, weight: 3 }, { arbitrary: text, weight: 2 }), {
    minLength: 1,
    maxLength,
  });

const stretch = withoutStretch(3)
  .filter((nodes) => nodes.some((node) => node.type !== 'text') && !printNotation(nodes).includes('>>>'))
  .map((nodes) => placed({ type: 'stretch', nodes: nodes as Node[] }));

/** Adjacent fixed texts become one; printing and parsing gives every pattern its canonical form. */
export const patternText: fc.Arbitrary<string> = fc
  .array(
    fc.oneof(
      { arbitrary: taking, weight: 6 },
      { arbitrary: text, weight: 4 },
      { arbitrary: stretch, weight: 1 },
    ),
    {
      minLength: 1,
      maxLength: 5,
    },
  )
  .map((nodes) => printNotation(nodes))
  .filter((written) => parseNotation(written).faults.length === 0);

/** Possible values of `raw`; `undefined` leaves it to the pattern. */
const rawOption = fc.constantFrom(undefined, 'text' as const, 'compact' as const);
const literals = fc.constantFrom('behind' as const, 'ahead' as const);
const ghost = fc.constantFrom(undefined, true);

const entry = fc.oneof(
  {
    arbitrary: fc.record({ positions: fc.constant('flow' as const), literals, raw: rawOption, ghost }),
    weight: 2,
  },
  {
    arbitrary: fc.record({
      positions: fc.constant('fixed' as const),
      literals,
      raw: rawOption,
      filler: fc.constantFrom(undefined, '#', '•'),
    }),
    weight: 1,
  },
);

const rules: readonly RuleDocument[] = [
  { id: 'required', check: { type: 'required' } },
  { id: 'length', check: { type: 'length', min: 2, max: 3 }, show: 'at-once' },
  { id: 'matches', check: { type: 'matches', pattern: '[0-9A-Fa-f]+' }, show: 'at-once' },
  { id: 'not', check: { type: 'not-in', values: ['11', '111'] }, severity: 'warning' },
];

/** A random field as a failing law reports it. */
export interface Sketch {
  readonly pattern: string | readonly string[];
  readonly positions: 'flow' | 'fixed';
  readonly literals: 'behind' | 'ahead';
  readonly raw?: 'content' | 'text' | 'compact';
  readonly filler?: string;
  readonly ghost?: boolean;
}

/** The options of an entry that are not left to their default. */
export const given = <T extends object>(entry: T): { [K in keyof T]: Exclude<T[K], undefined> } =>
  Object.fromEntries(Object.entries(entry).filter(([, value]) => value !== undefined)) as never;

/**
 * Random patterns with options (fast-check).
 *
 * @example
 * const entries = sketch.map(({ pattern }) => pattern);
 */
export const sketch: fc.Arbitrary<Sketch & { readonly pattern: string }> = fc
  .record({ pattern: patternText, entry })
  .map(({ pattern, entry }) => ({ pattern, ...given(entry) }));

/**
 * Random lists of patterns with options (fast-check). Each pattern can be in use.
 *
 * @example
 * const lists = sketchOfList.map(({ pattern }) => pattern);
 */
export const sketchOfList: fc.Arbitrary<Sketch> = fc
  .record({
    pattern: fc.array(patternText, { minLength: 2, maxLength: 3 }),
    literals,
    raw: rawOption,
    ghost,
  })
  .map(({ pattern, ...entry }): Sketch => ({ pattern, positions: 'flow', ...given(entry) }))
  .filter((entry) => {
    const fields = [{ id: 'field', kind: 'pattern', label: 'Field', entry }];
    return readDocument({ arbeit: 2, title: 'Lists', locale: 'en-GB', fields }, kinds).ok;
  });

/**
 * The compiled field of a random sketch.
 *
 * @example
 * const fields = sketch.map((one) => fieldOf(one));
 */
export function fieldOf(from: Sketch): PatternField {
  const field = (entry: Sketch): PatternField => {
    const document: FieldDocument<'pattern'> = {
      id: 'field',
      kind: 'pattern',
      label: 'Field',
      entry,
      rules,
      messages: 'all',
    };
    return compileField(document, { locale: 'en-GB' }, kinds);
  };
  if (from.raw !== 'compact') return field(from);
  // A document with a compact raw value that cannot be read back is refused.
  const { raw: _, ...bare } = from;
  const usual = field(bare);
  return usual.plan.raw === 'text' ? usual : field(from);
}

const character = fc.oneof(
  { arbitrary: fc.constantFrom(...'0123456789'), weight: 8 },
  { arbitrary: fc.constantFrom(...'aBcXYZpmnok'), weight: 4 },
  { arbitrary: fc.constantFrom(...' -/().:+_<'), weight: 3 },
  { arbitrary: fc.constantFrom('é', 'ß', '٣', '７', 'ｘ', '漢', '👍🏽', '🇨🇭'), weight: 1 },
);
export const typed = fc.array(character, { maxLength: 12 }).map((list) => list.join(''));

/**
 * Input that no keyboard should send and some do: single marks and joiners, half characters, control codes.
 */
const hostile: fc.Arbitrary<string> = fc
  .array(
    fc.oneof(
      fc.constantFrom('1\u0301', '\u0301', '\u200d', '1\ufe0f\u20e3', '\ud83d', '\udc4d', '\0', '\u2028', '1e309', '٣\u0301', '𞥑', '㉈', '½', '\u202e', '-', '.', '0', '9', '１', 'NaN', '1\u200d2', '🇨', 'x', '+', '12:3', '\r\n', ' ', 'ﷺ', 'ŉ'),
      fc.string({ unit: 'binary', maxLength: 3 }),
    ),
    { minLength: 1, maxLength: 4 },
  )
  .map((list) => list.join('')); // biome-ignore format: a list

/** Every possible event. */
export const anyEvent: fc.Arbitrary<FieldEvent> = fc.oneof(
  fc
    .tuple(fc.constantFrom('key', 'key', 'insert', 'paste', 'set', 'autofill'), hostile)
    .map(([type, text]): FieldEvent => ({ type: type as 'key', text })),
  fc
    .constantFrom('focus', 'leave', 'cut', 'undo', 'redo', 'submit', 'reset', 'up', 'down', 'backspace', 'delete', 'word-backspace')
    .map((type): FieldEvent => ({ type: type as 'up' })),
  fc
    .tuple(fc.integer({ min: -3, max: 20 }), fc.constantFrom(0, 1, 5, -2, Number.NaN))
    .map(([start, by]): FieldEvent => ({ type: 'select', start, end: start + by })),
); // biome-ignore format: a list

/** One action of a random tape. */
const action: fc.Arbitrary<Action> = fc.oneof(
  { arbitrary: typed.map((text): Action => ({ do: 'type', text })), weight: 6 },
  { arbitrary: fc.nat(14).map((at): Action => ({ do: 'select', start: at, end: at })), weight: 4 },
  {
    arbitrary: fc.tuple(fc.nat(14), fc.nat(14)).map(([start, end]): Action => ({ do: 'select', start, end })),
    weight: 2,
  },
  {
    arbitrary: fc
      .tuple(
        fc.constantFrom(
          'backspace' as const,
          'delete' as const,
          'left' as const,
          'right' as const,
          'word-backspace' as const,
        ),
        fc.integer({ min: 1, max: 3 }),
      )
      .map(([verb, times]): Action => ({ do: verb, times })),
    weight: 6,
  },
  { arbitrary: typed.map((text): Action => ({ do: 'paste', text })), weight: 2 },
  {
    arbitrary: fc
      .constantFrom('cut', 'undo', 'redo', 'home', 'end', 'select-all', 'leave', 'submit', 'reset')
      .map((verb): Action => ({ do: verb as 'cut' })),
    weight: 4,
  },
  {
    arbitrary: fc
      .tuple(fc.constantFrom('autofill' as const, 'set' as const, 'insert' as const), typed)
      .map(([verb, text]): Action => ({ do: verb, text })),
    weight: 1,
  },
);

/**
 * Random tapes for fields of the kind `pattern` (fast-check). A counterexample prints as a tape.
 *
 * @example
 * const twice = actions.map((tape) => [...tape, ...tape]);
 */
export const actions: fc.Arbitrary<readonly Action[]> = fc
  .array(action, { maxLength: 12 })
  .map((list) => Object.assign(list, { [fc.toStringMethod]: () => `\n${writeTape(list)}` }));

export interface Walked<B extends TextState> {
  readonly before: FieldState<B>;
  readonly event: FieldEvent;
  readonly after: FieldState<B>;
}

/**
 * Every step of a tape on a field: the event, the state before and the state after. The first step is the
 * focus.
 *
 * @example
 * for (const { event, after } of walk(pass, [{ do: 'type', text: '12' }]))
 *   console.log(event.type, after.body.display);
 */
export function walk<P extends Plan, B extends TextState>(
  field: HydratedField<P, B>,
  tape: readonly Action[],
): Walked<B>[] {
  const steps: Walked<B>[] = [];
  let state = apply(field, start(field), { type: 'focus' });
  for (const step of tape) {
    const wide = step.do === 'leave' || step.do === 'submit' || step.do === 'reset' || step.do === 'focus';
    const events = wide
      ? [{ type: step.do } as const]
      : step.do === 'wait' || step.do === 'answer' || step.do === 'sent'
        ? []
        : fieldEvents(step, state, field);
    for (const event of events) {
      const after = apply(field, state, event);
      steps.push({ before: state, event, after });
      state = after;
    }
  }
  return steps;
}
