import type { Finding } from '../rules/finding.ts';
import type { QuestionEvent, Questions } from '../rules/questions.ts';
import type { Reason, TextState } from './text-state.ts';

/** A body with its selection: what undo brings back. Offsets are UTF-16 units of the display. */
export interface Snapshot<B extends TextState = TextState> {
  readonly body: B;
  readonly start: number;
  readonly end: number;
}

/** One step of history: how it was before, how it was right after (its own body and selection), and the steps beneath. */
export interface HistoryStep<B extends TextState = TextState> extends Snapshot<B> {
  readonly before: Snapshot<B>;
  readonly rest: HistoryStep<B> | null;
}

/** Everything a field is at one moment. Immutable; `apply` makes the next one. */
export interface FieldState<B extends TextState = TextState> extends Snapshot<B> {
  readonly focused: boolean;
  /** Left at least once. */
  readonly touched: boolean;
  /** Submitted at least once since the last reset. */
  readonly submitted: boolean;
  /** What rules asked elsewhere, and what was answered. */
  readonly questions: Questions;
  readonly past: HistoryStep<B> | null;
  readonly future: HistoryStep<B> | null;
  /** The kind of run that the next edit may join. */
  readonly run: 'none' | 'typing' | 'deleting';
  /** Why the last event was not carried out; `null` when it was. */
  readonly rejected: Reason | null;
  /** Letters and digits that the last event left out. */
  readonly leftOut: string;
  /** What was refused and taken out: which rule did, and what it said of it. Until the next edit. */
  readonly refused: Refused | null;
}

/** A refused value that is gone from the field. */
export interface Refused {
  readonly rule: string;
  readonly finding: Finding;
}

/** Everything that can happen to a field. */
export type FieldEvent =
  | { readonly type: 'focus' | 'leave' | 'cut' | 'undo' | 'redo' | 'submit' | 'reset' }
  /** The arrow keys that step a number or a part of a date; other kinds leave them to the browser. */
  | { readonly type: 'up' | 'down' }
  /** A key: one character. */
  | { readonly type: 'key'; readonly text: string }
  /** Text in one insertion: the end of a composition, a suggestion taken from the keyboard. */
  | { readonly type: 'insert' | 'paste'; readonly text: string }
  /** A whole value, from the browser or the program. */
  | { readonly type: 'autofill' | 'set'; readonly text: string }
  | { readonly type: 'backspace' | 'delete' | 'word-backspace' }
  | QuestionEvent
  /** Something a check waits for outside has come to something: what is told of the field is worked out anew. */
  | { readonly type: 'look' }
  /** A rule refuses what stands there: it is taken out, in one step of undo. */
  | { readonly type: 'refuse'; readonly refused: Refused }
  | { readonly type: 'select'; readonly start: number; readonly end: number };
