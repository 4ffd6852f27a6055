import type { HydratedField } from '../field/kind.ts';
import type { FormRule } from '../form/form-rule.ts';
import type { KindTable } from '../kinds/contract/definition.ts';
import type { Rule } from '../rules/rule.ts';
import type { Action } from '../tape/script.ts';
import { random } from './random.ts';
import { bothTexts, charactersOf, type Texts, textsFor } from './texts.ts';

/** Fields that are filled in together; a single field is a group of one. */
export interface FieldGroup {
  readonly fields: readonly HydratedField[];
  readonly rules: readonly FormRule[];
}

type Actions = readonly Action[];

const takenOut: Actions = [{ do: 'select-all' }, { do: 'backspace', times: 1 }];
/** What can follow after a field has content. */
const endings: readonly Actions[] = [
  [],
  [{ do: 'leave' }],
  [{ do: 'submit' }],
  takenOut,
  [...takenOut, { do: 'leave' }],
  [{ do: 'leave' }, { do: 'focus' }],
];
const nothingTyped: readonly Actions[] = [
  [{ do: 'focus' }],
  [{ do: 'focus' }, { do: 'leave' }],
  [{ do: 'submit' }],
];

/** All possible answers to the questions of these rules. */
const answersTo = (rules: readonly Rule[]): readonly Actions[] =>
  rules
    .filter(({ check }) => check.type === 'remote')
    .flatMap(({ id }) =>
      (['fail', 'pass', 'unreachable'] as const).map(
        (verdict): Actions => [{ do: 'answer', rule: id, verdict }],
      ),
    );

/** What is done with texts: typed, set, pasted; then left, submitted, deleted. Questions are answered. */
function* deeds(field: HydratedField, { raws, texts }: Texts): Generator<Actions> {
  const as = (way: 'type' | 'set' | 'paste', all: readonly string[]): Actions =>
    all.map((text) => ({ do: way, text }));
  const puts = [
    // Values on both sides of a limit show most, and are what a person would try.
    ...as('set', raws),
    ...as('type', texts.slice(0, 4)),
    ...as('type', texts.slice(4)),
    ...as('paste', texts.slice(0, 8)),
    ...as('set', texts.slice(0, 8)),
  ];
  const answers = answersTo(field.rules);
  for (const put of puts) {
    for (const ending of endings) yield [put, ...ending];
    for (const answer of answers) yield [put, { do: 'leave' }, ...answer, { do: 'submit' }];
  }
}

/** Tapes for a field, the most promising first, then random ones. */
function* forField(
  fields: readonly HydratedField[],
  all: Texts,
  seed: number,
  most: number,
): Generator<Actions> {
  yield* nothingTyped;
  for (const field of fields) yield* deeds(field, all);
  const characters = [...new Set(fields.flatMap((field) => charactersOf(field, all)))];
  for (const a of characters) {
    yield [{ do: 'type', text: a }, { do: 'leave' }];
    for (const text of all.texts.slice(0, 5)) {
      const middle = Math.ceil(text.length / 2);
      yield [{ do: 'type', text: text.slice(0, middle) + a + text.slice(middle) }];
      yield [{ do: 'type', text: text + a }, { do: 'leave' }];
      yield [{ do: 'paste', text: a + text }];
    }
  }
  const { below, pick } = random(seed);
  const texts = [...all.raws, ...all.texts, '1'];
  const action = (): Action => {
    const typed = Array.from({ length: 1 + below(8) }, () => pick(characters)).join('');
    const text = below(2) ? pick(texts) : typed;
    return pick<Action>([
      { do: 'type', text },
      { do: 'type', text },
      { do: 'paste', text },
      { do: 'set', text },
      { do: 'leave' },
      { do: 'select', start: below(8), end: below(8) },
      { do: 'backspace', times: 1 + below(2) },
      { do: 'undo' },
      { do: 'up', times: 1 },
      { do: 'down', times: 1 },
      { do: 'submit' },
    ]);
  };
  for (let i = 0; i < most; i++) yield Array.from({ length: 1 + below(5) }, action);
}

/** Tapes through the fields of a form: filled, submitted, answered; then the focus visits each field. */
function* forForm(
  { fields, rules }: FieldGroup,
  textsOf: readonly Texts[],
  seed: number,
  most: number,
): Generator<Actions> {
  const all = fields.map(({ id }, i) => ({ id, ...(textsOf[i] ?? { raws: [], texts: [] }) }));
  const round = all.map(({ id }): Action => ({ do: 'focus', field: id }));
  const answers: readonly Actions[] = [
    [],
    ...answersTo([...fields.flatMap((field) => field.rules), ...rules]),
  ];
  const fill = (id: string, text: string): Actions => [
    { do: 'focus', field: id },
    { do: 'set', text },
  ];
  yield [{ do: 'submit' }, ...round];
  for (const { id, raws, texts } of all)
    for (const text of [...raws, ...texts.slice(0, 2)])
      for (const answer of answers)
        yield [...fill(id, text), { do: 'leave' }, ...answer, ...round, { do: 'submit' }];
  const { below, pick } = random(seed);
  for (let i = 0; i < most; i++) {
    const filled = all.flatMap(({ id, raws, texts }) => {
      const own = below(2) && raws.length ? raws : texts;
      return below(4) && own.length ? fill(id, pick(own)) : [];
    });
    const sent: Actions = below(2) ? [{ do: 'submit' }] : [];
    yield [...filled, ...sent, ...pick(answers), ...round, { do: 'leave' }, { do: 'submit' }];
  }
}

/**
 * Tapes that may distinguish two definitions, the likeliest first, followed by a number of random ones. The
 * same seed gives the same tapes.
 */
export function distinguishingTapes(
  right: FieldGroup,
  wrong: FieldGroup,
  {
    kinds,
    today,
    seed,
    most,
  }: { readonly kinds: KindTable; readonly today: string; readonly seed: number; readonly most: number },
): Generator<Actions> {
  const texts = right.fields.map((field, i) => {
    const own = textsFor(field, kinds, today);
    const other = wrong.fields[i];
    return other && other !== field ? bothTexts(own, textsFor(other, kinds, today)) : own;
  });
  const [only] = texts;
  if (right.fields.length !== 1 || !only) return forForm(right, texts, seed, most * 3);
  return forField([...right.fields, ...wrong.fields], only, seed, most);
}
