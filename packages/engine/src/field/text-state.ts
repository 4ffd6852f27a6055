import type { CheckedText } from '../rules/checks.ts';

/** Why a character was rejected. */
export type Reason = 'full' | 'not-accepted' | 'out-of-bounds' | 'too-many-decimals';

/** The text of a field and its layout. `display` follows from the other members (law 1). */
export interface TextState extends CheckedText {
  /** How an ambiguous paste was read: `group .`, `decimal ,`, `order`, `code`. */
  readonly assumed?: string;
}

/** The result of an edit: the text state and the caret in its display. */
export interface EditResult<B extends TextState = TextState> {
  readonly body: B;
  readonly caret: number;
}

/**
 * The result of inserting several characters: the text state, and the letters and digits that were left out.
 */
export interface InsertResult<B extends TextState = TextState> extends EditResult<B> {
  readonly leftOut: string;
  /** Set only if nothing was inserted. */
  readonly rejected: Reason | null;
}

/** What a deletion without a selection removes; `selection` removes only what is selected. */
export type Extent = 'character-left' | 'character-right' | 'word-left' | 'selection';
