import type { SetDocument } from '@arbeit/engine/document';
import type {
  Audit,
  Audited,
  Counterexample,
  EquivalentConfig,
  MutantResult,
  Reach,
  Wiring,
} from '@arbeit/engine/proof';
import type { Hand, Otherwise, Outcome, Trial } from '@arbeit/engine/tape';

/** What the thread of the trials is asked. `today` (ISO 8601) is the day for tapes that name none. */
export type TrialRequest =
  | {
      readonly do: 'run';
      readonly document: SetDocument;
      readonly trials: readonly Trial[];
      readonly today: string;
    }
  | { readonly do: 'reach' | 'break'; readonly document: SetDocument; readonly today: string }
  /** How a trial comes out by other hands than keys. */
  | {
      readonly do: 'hands';
      readonly document: SetDocument;
      readonly trial: Trial;
      readonly today: string;
    }
  /** A function somebody brings: what it breaks, and what does the same. */
  | { readonly do: 'function'; readonly code: string }
  /** A share of an audit. */
  | { readonly do: 'audit'; readonly document: SetDocument; readonly wanted: Audit };

/** An outcome without its rows, which nobody needs that is only told whether it holds. */
export type Ran = Omit<Outcome, 'rows'> & { readonly milliseconds: number };

/** What it answers, step by step; `done` is the last of each question. */
export type Answered =
  | { readonly is: 'ran'; readonly outcomes: readonly Ran[]; readonly done: boolean }
  | { readonly is: 'reached'; readonly reach: readonly Reach[] }
  | {
      readonly is: 'broke';
      readonly proven: readonly MutantResult[];
      readonly tried: number;
      readonly of: number;
      readonly done: boolean;
    }
  | { readonly is: 'by hands'; readonly hands: readonly ByHand[] }
  | { readonly is: 'trying'; readonly events: number; readonly of: number }
  | { readonly is: 'tried'; readonly wired: readonly Wired[]; readonly same: EquivalentConfig | null }
  /** There is no function in it, or one that cannot be read. */
  | { readonly is: 'no function'; readonly why: string; readonly line?: number }
  | { readonly is: 'audited'; readonly steps: readonly Audited[]; readonly done: boolean }
  | { readonly is: 'failed'; readonly why: string };

/**
 * A law a function breaks, and what the same keys do in it and in the field that does the same, key by key.
 */
export type Beside = Counterexample & {
  readonly theirs: readonly string[];
  readonly ours: readonly string[];
};

/** What came of a function wired in one way. */
export interface Wired {
  readonly wiring: Wiring;
  readonly events: number;
  readonly found: readonly Beside[];
}

/** A trial by one hand: where it first comes to something else than by keys. */
export interface ByHand {
  readonly hand: Hand;
  readonly otherwise: Otherwise | null;
}
