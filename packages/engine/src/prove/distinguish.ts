import type { KindTable } from '../kinds/contract/definition.ts';
import { type Playable, play } from '../tape/play.ts';
import type { Action, Row, Tape } from '../tape/script.ts';
import { differing, expectationOf } from '../tape/subjects.ts';
import { writeAction } from '../tape/verbs.ts';
import { headOf } from '../tape/write-tape.ts';
import { distinguishingTapes, type FieldGroup } from './distinguishing-tapes.ts';
import { shortest } from './shorter.ts';

/** Two definitions of one field or form: as it is, and changed. */
export interface Pair {
  readonly right: Playable;
  readonly wrong: Playable;
  readonly target: Tape['target'];
  /** The day both are played on (ISO 8601). */
  readonly today: string;
}

/** The result of searching a tape that distinguishes two definitions. */
export type Search =
  /**
   * The text of a tape, without a title, that expects what the original does where the two differ; its
   * actions, a line each; and what each of the two shows then, as expectations.
   */
  | {
      readonly is: 'told';
      readonly tape: string;
      readonly actions: readonly string[];
      readonly right: readonly string[];
      readonly wrong: readonly string[];
    }
  /** No difference was found in this many tries. */
  | { readonly is: 'untold'; readonly tries: number };

interface Difference {
  readonly at: number;
  readonly right: Row;
  readonly wrong: Row;
}

/** The first row where the two differ. */
function firstDifference(
  { right, wrong, target, today }: Pair,
  actions: readonly Action[],
): Difference | undefined {
  const steps = actions.map((action, i) => ({ line: i, source: '', ...action }));
  const tape: Tape = { title: '', target, today, steps };
  const [one, other] = [play(right, tape), play(wrong, tape)];
  // A tape that one of them cannot play shows no difference in behaviour.
  if ('message' in one || 'message' in other) return undefined;
  for (const [at, row] of one.rows.entries()) {
    const beside = other.rows[at];
    if (beside && differing(row, beside).length > 0) return { at, right: row, wrong: beside };
  }
  return undefined;
}

/** The fields to play on; a field without a form is played alone. */
function togetherIn({ fields, forms }: Playable, { type, id }: Tape['target']): FieldGroup | undefined {
  if (type === 'form') return forms.find((form) => form.id === id);
  const field = fields.find((one) => one.id === id);
  return field && { fields: [field], rules: [] };
}

/** Whether anything depends on the current date. */
const isByDay = ({ fields, rules }: FieldGroup): boolean =>
  JSON.stringify([fields.map((field) => field.rules), rules]).includes('"today');

/**
 * Looks for a short tape on which two definitions differ in anything a tape can expect, and adds what the
 * original does there as expectations. `most` random tapes are tried once those made for the purpose find
 * nothing. The same `seed` gives the same tapes.
 */
export function findDifference(
  pair: Pair,
  kinds: KindTable,
  { most = 400, seed = 1 }: { readonly most?: number; readonly seed?: number } = {},
): Search {
  const right = togetherIn(pair.right, pair.target);
  const wrong = togetherIn(pair.wrong, pair.target);
  let tries = 0;
  if (!right || !wrong) return { is: 'untold', tries };
  for (const actions of distinguishingTapes(right, wrong, { kinds, today: pair.today, seed, most })) {
    tries++;
    const difference = firstDifference(pair, actions);
    if (!difference) continue;
    const best = shortest(actions.slice(0, difference.at + 1), (one) => firstDifference(pair, one)?.at);
    return written(pair, best, isByDay(right) || isByDay(wrong));
  }
  return { is: 'untold', tries };
}

/** The tape with expectations for everything where the two differ, as the original has it. */
function written(pair: Pair, actions: readonly Action[], isOnDay: boolean): Search {
  const { target, today } = pair;
  const difference = firstDifference(pair, actions);
  if (!difference) return { is: 'untold', tries: 0 };
  const { right, wrong } = difference;
  const what = differing(right, wrong);
  // The code identifies the message, and stays the same when the wording changes.
  const shown = what.includes('codes') ? what.filter((one) => one !== 'message') : what;
  const isForm = target.type === 'form';
  const seen = (row: Row, other: Row): readonly string[] =>
    shown.map((one) => expectationOf(row, one, { isForm, against: other }));
  const done = actions.map(writeAction);
  const expected = seen(right, wrong);
  const head = headOf({ target, ...(isOnDay ? { today } : {}) });
  return {
    is: 'told',
    tape: `${head}${[...done, ...expected].join('\n')}\n`,
    actions: done,
    right: expected,
    wrong: seen(wrong, right),
  };
}
