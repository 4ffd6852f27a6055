import type { TextState } from '../../field/text-state.ts';
import type { Taking } from '../editing/takes.ts';
import type { Misplaced } from './placed.ts';

/** A field whose text a developer's function lays out. What is taken, how much of it, caret, undo and pastes are ours. */
export interface CustomPlan {
  readonly kind: 'custom';
  /** A module: `export function shape(content)`, and `export function value(content)` where the value is not the content. */
  readonly code: string;
  /** What it takes, as a cell of a pattern says it. */
  readonly takes: Taking;
  /** It is whole with so many characters, and takes so many. */
  readonly least: number;
  readonly most: number;
}

/** Why a function's answer could not be shown; in words for the developer by `words.ts`. `line` is 1-based. */
export interface ShapeProblem {
  /** Whether it did not come to an answer, or answered a text or a value that cannot be. */
  readonly of: 'run' | 'text' | 'value';
  readonly what: Misplaced[0] | 'empty';
  /** What it is about: the characters, a type; where it did not come to an answer, why. */
  readonly about: string;
  readonly line?: number;
}

export interface CustomText extends TextState {
  readonly characters: readonly string[];
  /** The offset of each character in the display. */
  readonly places: readonly number[];
  readonly value: string | null;
  /**
   * Whether the function's answer stands there. `waiting`: it is not known yet, and the content stands there as it is; the same where it cannot be
   * shown (`broken`): nothing that was typed is gone.
   */
  readonly is: 'shaped' | 'waiting' | 'broken';
  readonly problem?: ShapeProblem;
  /**
   * A text that was put before everything else while nobody could say yet what of it is fixed text, and how many characters were taken of it: it is
   * put again once that is known.
   */
  readonly given?: { readonly text: string; readonly count: number };
}

/** Nothing typed. */
export const empty: CustomText = {
  content: '',
  display: '',
  complete: false,
  characters: [],
  places: [],
  value: null,
  is: 'shaped',
};

const offsetsOf = (characters: readonly string[]): readonly number[] => {
  let at = 0;
  return characters.map((c) => {
    at += c.length;
    return at - c.length;
  });
};

/** The content as it is, without the function. */
export function bare(
  characters: readonly string[],
  is: CustomText['is'],
  problem?: ShapeProblem,
): CustomText {
  const content = characters.join('');
  return {
    content,
    display: content,
    complete: false,
    characters,
    places: offsetsOf(characters),
    value: null,
    is,
    ...(problem ? { problem } : {}),
  };
}

/** How many characters of the content stand left of an offset. */
export function countLeft({ places }: CustomText, offset: number): number {
  let count = 0;
  while (count < places.length && places[count]! < offset) count++;
  return count;
}

export const endAt = ({ places, characters }: CustomText, index: number): number =>
  places[index]! + characters[index]!.length;

/** Where the content ends. Without content: behind what was typed of the fixed text in front. */
export const endOf = (body: CustomText): number =>
  body.places.length ? endAt(body, body.places.length - 1) : body.display.length;

/** The offset right behind the first `count` characters. */
export const behind = (body: CustomText, count: number): number =>
  count === 0 ? (body.places[0] ?? 0) : endAt(body, Math.min(count, body.places.length) - 1);

/** The fixed text between the characters before an index and the one there. */
export const gapAt = (body: CustomText, index: number): string =>
  body.display.slice(
    index === 0 ? 0 : endAt(body, index - 1),
    index < body.places.length ? body.places[index] : undefined,
  );
