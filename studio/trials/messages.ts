import type { SetDocument } from '@arbeit/engine/document';
import type { Audit, Audited, Proven, Reach } from '@arbeit/engine/proof';
import type { Outcome, Trial } from '@arbeit/engine/tape';

/** What the thread of the trials is asked. `today` (ISO 8601) is the day for tapes that name none. */
export type Asked =
  | {
      readonly do: 'run';
      readonly document: SetDocument;
      readonly trials: readonly Trial[];
      readonly today: string;
    }
  | { readonly do: 'reach' | 'break'; readonly document: SetDocument; readonly today: string }
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
      readonly proven: readonly Proven[];
      readonly tried: number;
      readonly of: number;
      readonly done: boolean;
    }
  | { readonly is: 'audited'; readonly steps: readonly Audited[]; readonly done: boolean }
  | { readonly is: 'failed'; readonly why: string };
