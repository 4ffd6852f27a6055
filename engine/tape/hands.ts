import { graphemes } from '../values/graphemes.ts';
import { type Playable, play, type Row } from './play.ts';
import type { Action, Step, Tape } from './script.ts';

/**
 * The ways a text comes into a field: by keys; by a keyboard that composes every word and hands it over whole; by one that puts a suggestion in the place
 * of a word begun; by dictation, all of it at once; filled in by the browser; written by a program.
 */
export const hands = ['keys', 'composing', 'suggestion', 'dictation', 'autofill', 'program'] as const;
export type Hand = (typeof hands)[number];

/** Words of a text, and what stands between them. */
const wordsIn = (text: string): readonly string[] => text.match(/\s+|\S+/gu) ?? [];
const isBlank = (text: string): boolean => /^\s/u.test(text);

/** What typing a text comes to by a hand. `isFirst`: nothing was done to the field before. */
function typedBy(hand: Hand, text: string, isFirst: boolean): readonly Action[] {
  switch (hand) {
    case 'keys':
      return [{ do: 'type', text }];
    case 'composing':
      return wordsIn(text).map((word): Action => ({ do: isBlank(word) ? 'type' : 'insert', text: word }));
    case 'suggestion':
      return wordsIn(text).flatMap((word): readonly Action[] => {
        const letters = graphemes(word);
        if (isBlank(word) || letters.length < 3) return [{ do: 'type', text: word }];
        const begun = letters.slice(0, Math.ceil(letters.length / 2));
        return [
          { do: 'type', text: begun.join('') },
          { do: 'backspace', times: begun.length },
          { do: 'insert', text: word },
        ];
      });
    case 'dictation':
      return [{ do: 'insert', text }];
    // Both replace all that stands there: what follows comes by keys.
    case 'autofill':
      return [{ do: isFirst ? 'autofill' : 'type', text }];
    case 'program':
      return [{ do: isFirst ? 'set' : 'type', text }];
  }
}

/** A tape as another hand does it: what is typed comes in that way, everything else stays. Each line may be several actions then. */
export function byHand(tape: Tape, hand: Hand): Tape {
  const touched = new Set<string>();
  let about = '';
  const steps = tape.steps.flatMap((step): readonly Step[] => {
    if (step.do === 'focus') about = step.field ?? about;
    const isFirst = !touched.has(about);
    const isNothing =
      step.do === 'focus' || step.do === 'expect' || step.do === 'wait' || step.do === 'leave';
    if (!isNothing) touched.add(about);
    if (step.do !== 'type') return [step];
    const { line, source } = step;
    return typedBy(hand, step.text, isFirst).map((action) => ({ ...action, line, source }));
  });
  return { ...tape, steps };
}

/** Where a tape comes to something else by another hand than by keys. */
export interface Otherwise {
  readonly hand: Hand;
  readonly line: number;
  readonly source: string;
  readonly keys: Row;
  readonly other: Row;
}

/** The last row of each line: what a line led to, however many actions it was. */
function byLine(rows: readonly Row[]): ReadonlyMap<number, Row> {
  return new Map(rows.map((row) => [row.line, row]));
}

const told = ({ display, raw, value, codes, caret }: Row): string =>
  JSON.stringify([display, raw, value, codes, caret]);

/** The first line at which a tape by a hand shows, hands on or says something else than by keys; `undefined` where it never does. */
export function otherwise(set: Playable, tape: Tape, hand: Hand, clock = ''): Otherwise | undefined {
  const [keys, other] = [play(set, tape, clock), play(set, byHand(tape, hand), clock)];
  if ('message' in keys || 'message' in other) return undefined;
  const there = byLine(other.rows);
  for (const [line, row] of byLine(keys.rows)) {
    const beside = there.get(line);
    if (beside && told(row) !== told(beside))
      return { hand, line, source: row.action, keys: row, other: beside };
  }
  return undefined;
}
