import type { Plan } from '../../field/compiled.ts';
import type { TextState } from '../../field/text-state.ts';

/** A character the user contributed, and the offset where it stands in the display (UTF-16 units). */
export interface Atom {
  readonly c: string;
  readonly at: number;
}

/**
 * Where a law (`docs/contract/laws.md`) asks something else of a kind than of all others, and why. Whoever proves a definition reads it; it ships to no
 * page. What is left out holds of the kind as of any.
 */
export interface LawExemptions<P extends Plan = Plan, B extends TextState = TextState> {
  /** What beside the content and the focus decides the display: the flags of law 1. */
  flags?(body: B): string;
  /** The user's characters; where left out, how the kind is drawn tells them from the fixed ones. */
  atoms?(body: B): readonly Atom[];
  /** Whether the display tells all of what the field holds (2, 8, 12): a part left short in the middle it does not tell. */
  isTold?(plan: P, body: B): boolean;
  /** Whether two contents can have one display; then typing and pasting rightly differ (2, 8). */
  isAmbiguous?(plan: P): boolean;
  /** Whether a display, pasted, is read as something else on purpose (2). */
  isReadOtherwise?(plan: P, body: B): boolean;
  /** Characters arrive from the right: none stands where it is typed, and zeros in front go by themselves (3, 4, 6). */
  isFromRight?(plan: P): boolean;
  /** What a developer's own code does that it may not, and the law that asks otherwise. */
  problem?(body: B): { readonly law: 2 | 11; readonly reason: string } | undefined;
  /** The characters that stand as they are typed (3); any letter and digit, where it is left out. */
  readonly typed?: RegExp;
  /** How many characters the last key brought beside itself (3). */
  brought?(body: B): number;
  /** It has no way to tell what it did not take: then everything has to be taken (6). */
  readonly isSilent?: true;
  /** Whether a key types over the character at the caret (6). */
  doesOverwrite?(plan: P): boolean;
  /** Whether typed fixed text stands at the left of an offset, behind the content: it is taken back first (4, 5). */
  hasPassed?(body: B, offset: number): boolean;
  /** The fixed text that a paste may meet, where it is more than what then shows (6). */
  fixed?(plan: P): string;
  /** Whether a pasted text is converted as a whole, and not taken character by character (6). */
  doesConvert?(text: string): boolean;
  /** The texts that come to the same typed and pasted (8); any, where it is left out. */
  readonly alike?: RegExp;
}
