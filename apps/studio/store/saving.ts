import type { SetDocument } from '@arbeit/engine/document';
import type { DocumentFault } from '@arbeit/engine/faults';
import { carriedOut, conflictOf, type Json, type Operation } from './operations.ts';

/**
 * A save, as a page sends it. A page has one save under way at a time, and repeats it until it is answered.
 * So its counter orders its saves, and a save that arrives twice, however late, is recognised.
 */
export interface Save {
  /** Name of the page that saves; unique. */
  readonly page: string;
  /** The number of this save among the page's own, from 1. */
  readonly counter: number;
  /** The revision it was made on. */
  readonly base: number;
  readonly operations: readonly Operation[];
}

/** An accepted save, as the log has it. */
export interface Logged {
  readonly revision: number;
  readonly page: string;
  readonly operations: readonly Operation[];
}

/** What is known of a set when a save arrives. */
export interface Known {
  readonly document: SetDocument;
  /** The page's last accepted save, and its digest. */
  readonly last: { readonly counter: number; readonly digest: string } | undefined;
  /** What was saved after the base revision; `undefined` if the log does not go back so far. */
  readonly since: readonly Logged[] | undefined;
}

/** The decision on a save. */
export type Decision =
  /** Accepted: this is the new document. */
  | { readonly is: 'taken'; readonly document: SetDocument }
  /** It was accepted before. */
  | { readonly is: 'repeated' }
  | { readonly is: 'refused'; readonly because: Refusal; readonly faults?: readonly DocumentFault[] };

/**
 * Why a save is refused: somebody else changed the same member; it is older than an accepted one of its page;
 * its base revision is unknown; the resulting document is invalid.
 */
export type Refusal = 'conflict' | 'order' | 'base' | 'faults';

/** The document after a save. It is read before the save is accepted. */
export interface Proposal {
  readonly is: 'proposed';
  readonly document: SetDocument;
  /** Whether changes of others are merged in. */
  readonly isJoined: boolean;
}

/** A valid document, or the faults of an invalid one. */
type Read =
  | { readonly ok: true; readonly document: SetDocument }
  | { readonly ok: false; readonly faults: readonly DocumentFault[] };

/** The document that a save proposes, from what is known. No clock and no order of arrival decides. */
export function propose(known: Known, save: Save): Decision | Proposal {
  const { last, since } = known;
  if (last && save.counter <= last.counter)
    return save.counter === last.counter && digestOf(save) === last.digest
      ? { is: 'repeated' }
      : { is: 'refused', because: 'order' };
  if (!since) return { is: 'refused', because: 'base' };
  const theirs = since.filter(({ page }) => page !== save.page).flatMap(({ operations }) => operations);
  if (conflictOf(save.operations, theirs)) return { is: 'refused', because: 'conflict' };
  const document = carriedOut(known.document as unknown as Json, save.operations);
  if (document === undefined) return { is: 'refused', because: 'conflict' };
  return { is: 'proposed', document: document as unknown as SetDocument, isJoined: theirs.length > 0 };
}

/** The decision on a proposal after its document was read. */
export function decide({ isJoined }: Proposal, read: Read): Decision {
  if (read.ok) return { is: 'taken', document: read.document };
  // Each is valid by itself, so the merge is what makes it invalid.
  return isJoined
    ? { is: 'refused', because: 'conflict' }
    : { is: 'refused', because: 'faults', faults: read.faults };
}

/**
 * Distinguishes saves of the same page and counter: two numbers of 32 bits (FNV-1a, forwards and backwards).
 */
export const digestOf = ({ base, operations }: Pick<Save, 'base' | 'operations'>): string =>
  digest(JSON.stringify([base, operations]));

/** A short hash that distinguishes texts. */
export function digest(text: string): string {
  let a = 0x811c9dc5;
  let b = 0x811c9dc5;
  for (let i = 0; i < text.length; i++) {
    a = Math.imul(a ^ text.charCodeAt(i), 0x01000193);
    b = Math.imul(b ^ text.charCodeAt(text.length - 1 - i), 0x01000193);
  }
  return `${text.length.toString(36)}-${(a >>> 0).toString(36)}-${(b >>> 0).toString(36)}`;
}

/**
 * A stored document with unsaved changes on top of it; `undefined` if others changed the same members
 * differently, or a member was removed.
 */
export function withMine(
  stored: SetDocument,
  theirs: readonly Operation[],
  mine: readonly Operation[],
): SetDocument | undefined {
  if (conflictOf(mine, theirs)) return undefined;
  return carriedOut(stored as unknown as Json, mine) as unknown as SetDocument | undefined;
}
