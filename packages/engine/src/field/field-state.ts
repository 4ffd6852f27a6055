import type { Finding } from '../rules/finding.ts';
import type { QuestionEvent, Questions } from '../rules/questions.ts';
import type { Reason, TextState } from './text-state.ts';

/** A text state with its selection: what undo restores. Offsets in UTF-16 units of the display. */
export interface Snapshot<B extends TextState = TextState> {
  readonly body: B;
  readonly start: number;
  readonly end: number;
}

/** One step of history: the snapshot before, the one after, and the earlier steps. */
export interface HistoryStep<B extends TextState = TextState> extends Snapshot<B> {
  readonly before: Snapshot<B>;
  readonly rest: HistoryStep<B> | null;
}

/** The complete state of a field. Immutable; `apply` returns the next one. */
export interface FieldState<B extends TextState = TextState> extends Snapshot<B> {
  readonly focused: boolean;
  /** Whether it was blurred at least once. */
  readonly touched: boolean;
  /** Whether it was submitted at least once since the last reset. */
  readonly submitted: boolean;
  /** Questions that rules asked servers, and their answers. */
  readonly questions: Questions;
  readonly past: HistoryStep<B> | null;
  readonly future: HistoryStep<B> | null;
  /** The run of edits that the next edit may join. */
  readonly run: 'none' | 'typing' | 'deleting';
  /** Why the last event was rejected; `null` if it was not. */
  readonly rejected: Reason | null;
  /** Letters and digits that the last event left out. */
  readonly leftOut: string;
  /** The value that was refused and removed last, until the next edit. */
  readonly refused: Refused | null;
}

/** A refused value that was removed: the rule and its finding. */
export interface Refused {
  readonly rule: string;
  readonly finding: Finding;
}

/** Everything that can happen to a field. */
export type FieldEvent =
  | { readonly type: 'focus' | 'leave' | 'cut' | 'undo' | 'redo' | 'submit' | 'reset' }
  /** Arrow keys that step a number or a part of a date; other kinds leave them to the browser. */
  | { readonly type: 'up' | 'down' }
  /** A key that types one character. */
  | { readonly type: 'key'; readonly text: string }
  /** Text in one insertion: the end of a composition, a suggestion of the keyboard. */
  | { readonly type: 'insert' | 'paste'; readonly text: string }
  /** A whole value from the browser or a program. */
  | { readonly type: 'autofill' | 'set'; readonly text: string }
  | { readonly type: 'backspace' | 'delete' | 'word-backspace' }
  | QuestionEvent
  /** Something outside that a check waits for has changed: the field is evaluated again. */
  | { readonly type: 'invalidate' }
  /** A rule refuses the value: it is removed in one step of undo. */
  | { readonly type: 'refuse'; readonly refused: Refused }
  | { readonly type: 'select'; readonly start: number; readonly end: number };
