import type { TextState } from '../../field/text-state.ts';
import type { Taking } from '../editing/takes.ts';
import type { Misplaced } from './placed.ts';

/**
 * A field whose text is formatted by a developer's function. Acceptance, length, caret, undo and pastes are
 * handled here.
 */
export interface CustomPlan {
  readonly kind: 'custom';
  /**
   * A module with `export function shape(content)`, and `export function value(content)` if the value is not
   * the content.
   */
  readonly code: string;
  /** The characters it takes, as a cell of a pattern does. */
  readonly takes: Taking;
  /** Number of characters from which it is complete, and the most it takes. */
  readonly least: number;
  readonly most: number;
}

/**
 * Why the answer of a function cannot be shown. `words.ts` has the sentences for developers. `line` is
 * 1-based.
 */
export interface ShapeProblem {
  /** Whether it failed to answer, or answered an impossible text or value. */
  readonly of: 'run' | 'text' | 'value';
  readonly what: Misplaced[0] | 'empty';
  /** What it is about: characters, a type, or the reason of the failure. */
  readonly about: string;
  readonly line?: number;
}

export interface CustomText extends TextState {
  readonly characters: readonly string[];
  /** The offset of each character in the display. */
  readonly places: readonly number[];
  readonly value: string | null;
  /**
   * Whether the answer is shown. `waiting`: not known yet; `broken`: it cannot be shown. In both cases the
   * content is shown as typed.
   */
  readonly is: 'shaped' | 'waiting' | 'broken';
  readonly problem?: ShapeProblem;
  /**
   * A text that was inserted before its fixed text was known, with the number of characters taken. It is
   * inserted again once that is known.
   */
  readonly given?: { readonly text: string; readonly count: number };
}

/** The empty text state. */
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

/** The content as typed, without the function. */
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

/** Number of characters of the content left of an offset. */
export function countLeft({ places }: CustomText, offset: number): number {
  let count = 0;
  while (count < places.length && places[count]! < offset) count++;
  return count;
}

export const endAt = ({ places, characters }: CustomText, index: number): number =>
  places[index]! + characters[index]!.length;

/** Offset of the end of the content. Without content: after fixed text that was typed. */
export const endOf = (body: CustomText): number =>
  body.places.length ? endAt(body, body.places.length - 1) : body.display.length;

/** The offset after the first `count` characters. */
export const behind = (body: CustomText, count: number): number =>
  count === 0 ? (body.places[0] ?? 0) : endAt(body, Math.min(count, body.places.length) - 1);

/** The fixed text before the character at an index. */
export const gapAt = (body: CustomText, index: number): string =>
  body.display.slice(
    index === 0 ? 0 : endAt(body, index - 1),
    index < body.places.length ? body.places[index] : undefined,
  );
