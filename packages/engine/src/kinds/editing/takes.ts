import { type CharacterSet, isIn, recase } from '../../values/characters.ts';
import { fold } from '../../values/graphemes.ts';

/** What a place takes: characters of a set, digits of a number, letters of words; and its case. */
export interface Taking {
  readonly takes: 'set' | 'number' | 'words';
  readonly set?: CharacterSet;
  readonly manner?: 'upper' | 'lower';
}

/**
 * The character as a cell of `part` holds it (folded and in the part's case); `undefined` if no cell takes
 * it. Whether it fits its neighbours is `holds` in `cells.ts`.
 */
export function taken(part: Taking, character: string): string | undefined {
  const set = part.takes === 'set' ? part.set! : part.takes === 'number' ? 'digit' : 'any';
  return inCase(part, set, character) ?? inCase(part, set, fold(character));
}

function inCase(part: Pick<Taking, 'manner'>, set: CharacterSet, character: string): string | undefined {
  const cased = part.manner ? recase(character, part.manner) : character;
  return isIn(set, cased) ? cased : undefined;
}
