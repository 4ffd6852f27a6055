import type { Column, Names } from '@arbeit/handoff/import';
import type { Failed } from '../heard.ts';

/** A table to look through: its text, where its column names are, and the locale of its cells. */
export interface AskedToLook {
  readonly text: string;
  readonly names: Names;
  readonly locale: string;
}

export type LookedStep =
  /** The share of the table that was looked through, from 0 to 1. */
  | { readonly is: 'under way'; readonly share: number }
  | { readonly is: 'done'; readonly columns: readonly Column[]; readonly rows: number }
  | Failed;
