import type { SetDocument } from '@arbeit/engine/document';
import type { Compared } from '@arbeit/engine/proof';
import type { Failed } from '../heard.ts';

/** Two sets to compare, on a date (ISO 8601). */
export interface AskedToCompare {
  readonly before: SetDocument;
  readonly after: SetDocument;
  readonly today: string;
}

export type ComparedStep =
  | { readonly is: 'compared'; readonly compared: Compared }
  | { readonly is: 'done' }
  | Failed;
