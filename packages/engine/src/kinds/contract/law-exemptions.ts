import type { Plan } from '../../field/compiled.ts';
import type { TextState } from '../../field/text-state.ts';

/** A character the user contributed, with its offset in the display (UTF-16 units). */
export interface Atom {
  readonly c: string;
  readonly at: number;
}

/**
 * How the laws (`docs/contract/laws.md`) apply to a kind differently, and why. Only law checks read it; it
 * ships to no page. What is left out applies as to every kind.
 */
export interface LawExemptions<P extends Plan = Plan, B extends TextState = TextState> {
  /** What decides the display beside content and focus (law 1). */
  flags?(body: B): string;
  /** The user's characters. Default: those that the specimen renderer reports. */
  atoms?(body: B): readonly Atom[];
  /**
   * Whether the display shows the whole content (laws 2, 8, 12); a part left short in the middle is not
   * visible.
   */
  isTold?(plan: P, body: B): boolean;
  /** Whether two contents can have one display, so that typing and pasting may differ (laws 2, 8). */
  isAmbiguous?(plan: P): boolean;
  /** Whether a display, when pasted, is read differently on purpose (law 2). */
  isReadOtherwise?(plan: P, body: B): boolean;
  /**
   * Whether characters arrive from the right, so that none is where it was typed and leading zeros disappear
   * (laws 3, 4, 6).
   */
  isFromRight?(plan: P): boolean;
  /** The law that custom code breaks, with the reason. */
  problem?(body: B): { readonly law: 2 | 11; readonly reason: string } | undefined;
  /** Characters that appear as they are typed (law 3). Default: letters and digits. */
  readonly typed?: RegExp;
  /** Number of characters that the last key added beside itself (law 3). */
  brought?(body: B): number;
  /** Whether it cannot report what it did not take, so that it must take everything (law 6). */
  readonly isSilent?: true;
  /** Whether a key replaces the character at the caret (law 6). */
  doesOverwrite?(plan: P): boolean;
  /** Whether typed fixed text is left of an offset: it is deleted first (laws 4, 5). */
  hasPassed?(body: B, offset: number): boolean;
  /** Fixed text that a paste may match, if it is more than what is shown afterwards (law 6). */
  fixed?(plan: P): string;
  /** Whether a pasted text is converted as a whole instead of character by character (law 6). */
  doesConvert?(text: string): boolean;
  /** Texts whose contents are the same typed and pasted (law 8). Default: all. Values are always compared. */
  readonly alike?: RegExp;
}
