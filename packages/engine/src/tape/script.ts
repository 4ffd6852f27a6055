import type { Flags } from '../field/evaluation.ts';
import type { Verdict } from '../rules/finding.ts';

/** A tape: what is done to a field or a form, and what is expected after it (`docs/contract/tapes.md`). */
export interface Tape {
  readonly title: string;
  readonly target: { readonly type: 'field' | 'form'; readonly id: string };
  /** The date of the tape (ISO 8601), if it sets one. */
  readonly today?: string;
  readonly steps: readonly TapeStep[];
}

export type TapeStep = { readonly line: number; readonly source: string } & (Action | Expectation);

/** Something a tape does. */
export type Action =
  | { readonly do: 'focus'; readonly field?: string }
  | { readonly do: 'leave' }
  | { readonly do: 'submit' }
  | { readonly do: 'reset' }
  | { readonly do: 'cut' | 'home' | 'end' | 'undo' | 'redo' | 'select-all' }
  | { readonly do: 'type' | 'insert' | 'paste' | 'autofill' | 'set'; readonly text: string }
  | { readonly do: 'backspace' | 'delete' | 'word-backspace'; readonly times: number }
  | { readonly do: 'left' | 'right' | 'up' | 'down'; readonly times: number }
  | { readonly do: 'select'; readonly start: number; readonly end: number }
  | { readonly do: 'wait'; readonly milliseconds: number }
  /** A server check is answered, or never is. */
  | {
      readonly do: 'answer';
      readonly rule: string;
      readonly verdict: 'pass' | 'fail' | 'unreachable';
      readonly code?: string;
    }
  /** The server accepts the record, or reports an error in one of its fields. */
  | { readonly do: 'sent'; readonly field?: string; readonly code?: string };

/** Something a tape expects of the current state. */
export type Expectation = { readonly do: 'expect'; readonly field?: string } & Expected;

export type Expected =
  | { readonly what: 'display'; readonly text: string; readonly caret?: readonly [number, number] }
  | { readonly what: 'raw' | 'message' | 'left-out'; readonly text: string }
  | { readonly what: 'value'; readonly text: string | null }
  | { readonly what: 'codes'; readonly codes: readonly string[] }
  | { readonly what: 'verdict'; readonly rule: string; readonly verdict: Verdict }
  | { readonly what: 'flags'; readonly flags: readonly (readonly [keyof Flags, boolean])[] }
  | { readonly what: 'rejected'; readonly reason: string | null }
  /** The raw value that a rule is asking a server about; `null`: it asks nothing. */
  | { readonly what: 'asks'; readonly rule: string; readonly text: string | null }
  /** The values of the submitted record, by field. */
  | { readonly what: 'record'; readonly values: Readonly<Record<string, string | null>> }
  | { readonly what: 'submitted'; readonly isSo: boolean }
  | { readonly what: 'focus'; readonly id: string | null };

/** The result of an action. Offsets are UTF-16 units of the display. */
export interface Row {
  readonly tape: string;
  readonly line: number;
  readonly action: string;
  readonly field: string;
  readonly display: string;
  readonly caret: readonly [number, number];
  readonly raw: string;
  readonly value: string | null;
  readonly flags: Flags;
  readonly codes: readonly string[];
  readonly message: string | null;
  readonly rejected: string | null;
  readonly leftOut: string;
  /** Id of the field that has the focus. */
  readonly focus: string | null;
  /** Whether a record is being submitted or was accepted. */
  readonly submitted: boolean;
}

/** A mistake in a tape. `line` and `column` are 1-based. */
export interface TapeFault {
  readonly line: number;
  readonly column: number;
  /** It stays the same when the message is reworded. */
  readonly code: string;
  readonly message: string;
}

export const flagNames: readonly (keyof Flags)[] = [
  'focused',
  'touched',
  'dirty',
  'complete',
  'valid',
  'pending',
];
export const reasons = ['full', 'not-accepted', 'out-of-bounds', 'too-many-decimals'] as const;
