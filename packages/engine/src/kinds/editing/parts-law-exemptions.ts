import type { Atom, LawExemptions } from '../contract/law-exemptions.ts';
import type { PartsBody, PartsPlan } from './parts.ts';

/**
 * Whether the display shows the whole content: no part is short before one with content, and no lone digit
 * lacks its zero.
 */
export function isToldInParts({ parts }: PartsPlan, { texts }: PartsBody, isOfAnyLength: boolean): boolean {
  const last = texts.findLastIndex(Boolean);
  if (last < 0) return true;
  const { size, high, words } = parts[last]!;
  const text = texts[last]!;
  if (words && !words.includes(text)) return false;
  if (!isOfAnyLength && size === 2 && text.length === 1 && Number(text) * 10 > high) return false;
  return texts.every((one, i) => i >= last || one.length >= (isOfAnyLength ? 1 : parts[i]!.size));
}

/** Typed characters are where their part is; closed parts have more. */
const atomsInParts = ({ texts, at }: PartsBody): readonly Atom[] =>
  texts.flatMap((text, part) => [...text].map((c, i) => ({ c, at: at[part]! + i })));

export const partsExemptions: LawExemptions<PartsPlan, PartsBody> = {
  atoms: atomsInParts,
  // A letter is a unit, or the beginning of a word.
  typed: /^\d$/,
  isTold: (plan, body) => isToldInParts(plan, body, false),
};
