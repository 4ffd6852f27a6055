import { type CharacterSet, isIn, recase } from '../../values/characters.ts';
import { fold } from '../../values/graphemes.ts';
import type { Part } from './plan.ts';

/**
 * The character as a cell of `part` would hold it (folded, and in the part's case), or `undefined` where no
 * cell of it takes that character. What its neighbours make of it is `holds` in `cells.ts`.
 */
export function taken(part: Part, character: string): string | undefined {
  const set = part.takes === 'set' ? part.set! : part.takes === 'number' ? 'digit' : 'any';
  return inCase(part, set, character) ?? inCase(part, set, fold(character));
}

function inCase(part: Part, set: CharacterSet, character: string): string | undefined {
  const cased = part.manner ? recase(character, part.manner) : character;
  return isIn(set, cased) ? cased : undefined;
}
