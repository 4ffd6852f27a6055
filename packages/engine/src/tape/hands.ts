import { graphemes } from '../values/graphemes.ts';
import { type Playable, play } from './play.ts';
import type { Action, Row, Tape, TapeStep } from './script.ts';

/**
 * The ways a text comes into a field: `keys`; a keyboard that composes each word (`composing`); a suggestion
 * in place of a word that was begun; dictation of everything at once; autofill by the browser; a value set
 * by a program.
 *
 * @example
 * hands.includes('dictation'); // true
 */
export const hands = ['keys', 'composing', 'suggestion', 'dictation', 'autofill', 'program'] as const;
/** One of these ways to type. */
export type Hand = (typeof hands)[number];

/**
 * The words of a text and the white space between them; joined they are the text.
 *
 * @example
 * wordsIn('two tarns'); // ['two', ' ', 'tarns']
 */
export const wordsIn = (text: string): readonly string[] => text.match(/\s+|\S+/gu) ?? [];
/**
 * Whether a text contains only white space.
 *
 * @example
 * isBlank('  '); // true
 */
export const isBlank = (text: string): boolean => /^\s/u.test(text);

/** Plays the actions so far and returns the caret. */
type CaretAfter = (steps: readonly Action[]) => readonly [number, number];

/**
 * The part of a word that is typed before a suggestion replaces it; `undefined` for a word that is too short
 * for a suggestion.
 *
 * @example
 * begunOf('locker');
 */
export function begunOf(word: string): string | undefined {
  const letters = graphemes(word);
  return letters.length < 3 || isBlank(word)
    ? undefined
    : letters.slice(0, Math.ceil(letters.length / 2)).join('');
}

/** A word begun by keys, then replaced by a suggestion of the keyboard. */
function suggested(word: string, caretAfter: CaretAfter): readonly Action[] {
  const text = begunOf(word);
  if (text === undefined) return [{ do: 'type', text: word }];
  const begun: Action = { do: 'type', text };
  // Typed over a selection, the text starts where the selection did.
  const [from] = caretAfter([]);
  const [, to] = caretAfter([begun]);
  return [begun, { do: 'select', start: Math.min(from, to), end: to }, { do: 'insert', text: word }];
}

/** The actions of typing a text in one of these ways. `isFirst`: nothing was done to the field before. */
function typedBy(hand: Hand, text: string, isFirst: boolean, caretAfter: CaretAfter): readonly Action[] {
  switch (hand) {
    case 'keys':
      return [{ do: 'type', text }];
    case 'composing':
      return wordsIn(text).map((word): Action => ({ do: isBlank(word) ? 'type' : 'insert', text: word }));
    case 'suggestion': {
      const done: Action[] = [];
      for (const word of wordsIn(text))
        done.push(...suggested(word, (more) => caretAfter([...done, ...more])));
      return done;
    }
    case 'dictation':
      return [{ do: 'insert', text }];
    // Both replace the whole text; the rest is typed.
    case 'autofill':
      return [{ do: isFirst ? 'autofill' : 'type', text }];
    case 'program':
      return [{ do: isFirst ? 'set' : 'type', text }];
  }
}

/**
 * The tape with its typing done by another hand, such as `dictation` or `autofill`; everything else stays.
 * One line may become several actions.
 *
 * @example
 * const dictated = byHand(compiledSet, tape, 'dictation');
 */
export function byHand(set: Playable, tape: Tape, hand: Hand, clock = ''): Tape {
  const touched = new Set<string>();
  let about = '';
  const steps: TapeStep[] = [];
  const caretAfter: CaretAfter = (more) => {
    const all = [...steps, ...more.map((action) => ({ ...action, line: 0, source: '' }))];
    const played = play(set, { ...tape, steps: all.filter((step) => step.do !== 'expect') }, clock);
    return ('message' in played ? undefined : played.rows.at(-1)?.caret) ?? [0, 0];
  };
  for (const step of tape.steps) {
    if (step.do === 'focus') about = step.field ?? about;
    const isFirst = !touched.has(about);
    const isNothing =
      step.do === 'focus' || step.do === 'expect' || step.do === 'wait' || step.do === 'leave';
    if (!isNothing) touched.add(about);
    if (step.do !== 'type') steps.push(step);
    else {
      const { line, source } = step;
      const typed = typedBy(hand, step.text, isFirst, caretAfter);
      steps.push(...typed.map((action) => ({ ...action, line, source })));
    }
  }
  return { ...tape, steps };
}

/** A place where a tape gives a different result with other input than with keys. */
export interface Otherwise {
  readonly hand: Hand;
  readonly line: number;
  readonly source: string;
  readonly keys: Row;
  readonly other: Row;
}

/** The last row of each line: its result, however many actions it had. */
function byLine(rows: readonly Row[]): ReadonlyMap<number, Row> {
  return new Map(rows.map((row) => [row.line, row]));
}

const told = ({ display, raw, value, codes, caret }: Row): string =>
  JSON.stringify([display, raw, value, codes, caret]);

/**
 * The first line where a tape by another hand leads to another display, value or message than by keys;
 * `undefined` if none does.
 *
 * @example
 * const difference = otherwise(compiledSet, tape, 'autofill');
 */
export function otherwise(set: Playable, tape: Tape, hand: Hand, clock = ''): Otherwise | undefined {
  const [keys, other] = [play(set, tape, clock), play(set, byHand(set, tape, hand, clock), clock)];
  if ('message' in keys || 'message' in other) return undefined;
  const there = byLine(other.rows);
  for (const [line, row] of byLine(keys.rows)) {
    const beside = there.get(line);
    if (beside && told(row) !== told(beside))
      return { hand, line, source: row.action, keys: row, other: beside };
  }
  return undefined;
}
