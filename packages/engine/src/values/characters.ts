/** A set of characters: a built-in class, or code point ranges as pairs `[from, to, from, to]`. */
export type CharacterSet = 'digit' | 'letter' | 'latin' | 'alnum' | 'any' | readonly number[];

const letter = /^\p{L}\p{M}*$/u;
const unseen = /[\p{Cc}\p{Cs}\p{Zl}\p{Zp}]/u;
/**
 * Characters that combine with their neighbours: marks, joiners, half flags, conjoining jamo. No cell takes
 * one alone.
 */
const joining = /^[\p{M}\p{Cf}\p{EMod}\u1100-\u11ff\ua960-\ua97f\ud7b0-\ud7ff]|^\p{RI}$|\u200d$/u;

/** Whether a grapheme cluster is in the set. */
export function isIn(set: CharacterSet, character: string): boolean {
  const code = character.charCodeAt(0);
  const ascii = code < 0x80 && character.length === 1;
  const digit = ascii && code >= 48 && code <= 57;
  if (!ascii && joining.test(character)) return false;
  const latin = ascii && ((code >= 97 && code <= 122) || (code >= 65 && code <= 90));
  switch (set) {
    case 'digit':
      return digit;
    case 'latin':
      return latin;
    case 'letter':
      return latin || (!ascii && letter.test(character));
    case 'alnum':
      return digit || latin || (!ascii && letter.test(character));
    case 'any':
      return !unseen.test(character);
    default:
      return inRanges(set, character);
  }
}

function inRanges(ranges: readonly number[], character: string): boolean {
  const code = character.codePointAt(0)!;
  if (character.length > (code > 0xffff ? 2 : 1)) return false;
  for (let i = 0; i < ranges.length; i += 2) if (code >= ranges[i]! && code <= ranges[i + 1]!) return true;
  return false;
}

/** The character in another case if that is one character too: `ß` has no single capital and stays. */
export function recase(character: string, manner: 'upper' | 'lower'): string {
  const cased = manner === 'upper' ? character.toUpperCase() : character.toLowerCase();
  return cased.length === character.length ? cased : character;
}
