import type { CheckedText } from '../rules/checks.ts';

/** Why a character was not taken. */
export type Reason = 'full' | 'not-accepted' | 'out-of-bounds' | 'too-many-decimals';

/** What a field holds, whatever its kind. `display` follows from the rest alone (law 1). */
export interface TextState extends CheckedText {
  /** How a paste was read that could mean several things: `group .`, `decimal ,`, `order`, `code`. */
  readonly assumed?: string;
}

/** What an edit leads to: what the field then holds, and where the caret stands in its display. */
export interface EditResult<B extends TextState = TextState> {
  readonly body: B;
  readonly caret: number;
}

/** An edit of several characters: what came of it, and the letters and digits that found no place. */
export interface InsertResult<B extends TextState = TextState> extends EditResult<B> {
  readonly leftOut: string;
  /** Set only when nothing at all was taken. */
  readonly rejected: Reason | null;
}

/** How much a deletion without a selection takes; `selection` takes only what is selected. */
export type Extent = 'character-left' | 'character-right' | 'word-left' | 'selection';
