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
import type { Failed } from '../heard.ts';

/** A request to the worker of trials. `today` (ISO 8601) is the date for tapes that set none. */
export type TrialRequest =
  | {
      readonly do: 'run';
      readonly document: SetDocument;
      readonly trials: readonly Trial[];
      readonly today: string;
    }
  | { readonly do: 'reach' | 'break'; readonly document: SetDocument; readonly today: string }
  /** The result of a trial with other input than keys. */
  | {
      readonly do: 'hands';
      readonly document: SetDocument;
      readonly trial: Trial;
      readonly today: string;
    }
  /** Pasted code: the laws it breaks, and an equivalent field. */
  | { readonly do: 'function'; readonly code: string }
  /** A share of a law check. */
  | { readonly do: 'audit'; readonly document: SetDocument; readonly wanted: Audit };

/** An outcome without rows, for callers that only need to know whether it passed. */
export type Ran = Omit<Outcome, 'rows'> & { readonly milliseconds: number };

/** Its replies, step by step; `done` is the last one of each request. */
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
  /** There is no function in it, or it cannot be parsed. */
  | { readonly is: 'no function'; readonly why: string; readonly line?: number }
  | { readonly is: 'audited'; readonly steps: readonly Audited[]; readonly done: boolean }
  | Failed;

/** A law that a function breaks, and what the same keys do in it and in the equivalent field, key by key. */
export type Beside = Counterexample & {
  readonly theirs: readonly string[];
  readonly ours: readonly string[];
};

/** The result for a function connected in one way. */
export interface Wired {
  readonly wiring: Wiring;
  readonly events: number;
  readonly found: readonly Beside[];
}

/** A trial with one kind of input: where its result first differs from that of keys. */
export interface ByHand {
  readonly hand: Hand;
  readonly otherwise: Otherwise | null;
}
