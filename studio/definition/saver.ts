import type { SetDocument } from '@arbeit/engine/document';
import type { DocumentFault } from '@arbeit/engine/faults';

/** What became of the latest save, in words the masthead can show. */
export type SaveState =
  | { readonly is: 'waiting' | 'saving' }
  /** `as`: what the server has just acknowledged, and as which revision. */
  | { readonly is: 'saved'; readonly as?: { readonly revision: number; readonly document: SetDocument } }
  | { readonly is: 'failed'; readonly why: string; readonly faults: readonly DocumentFault[] }
  | {
      readonly is: 'refused';
      readonly theirs: { revision: number; document: SetDocument };
      readonly kept: number;
    };

export interface Saver {
  /** Saves this document soon; only the latest given counts. */
  want(document: SetDocument): void;
  /** Saves at once; `leaving` as the page goes away. Resolves when everything wanted so far was answered. */
  flush(leaving?: boolean): Promise<void>;
  /**
   * Goes on from a revision of the server's, with whatever is wanted next. `document`: what that revision is, where it is gone on with instead of what was
   * wanted: nothing of that is kept to be sent again.
   */
  goOnFrom(revision: number, document?: SetDocument): void;
  retry(): void;
  /** The revision the next save is made on. */
  base(): number;
  /** Whether anything wanted is not yet acknowledged. */
  isUnsaved(): boolean;
  /** Takes up what another page of this browser left unsaved, made on an older revision perhaps. */
  takeUp(base: number, document: SetDocument): void;
}

export type Send = (base: number, document: SetDocument, leaving: boolean) => Promise<Answer>;
export type Answer =
  | { readonly ok: true; readonly revision: number }
  | {
      readonly ok: false;
      readonly theirs: { revision: number; document: SetDocument };
      readonly kept: number;
    }
  | { readonly ok: false; readonly why: string; readonly faults: readonly DocumentFault[] };

/** How long to wait before trying again by itself, in milliseconds: longer each time. */
const waits = [2_000, 5_000, 10_000, 30_000];

/**
 * Saves a document as it changes: one request at a time, each on the revision the one before it made. After a
 * refusal nothing is sent until somebody has chosen; after a failure it is tried again by itself, unless the document is
 * at fault, which trying does not mend.
 */
export function createSaver(
  revision: number,
  send: Send,
  tell: (state: SaveState) => void,
  pause = 500,
): Saver {
  let base = revision;
  let wanted: SetDocument | undefined;
  let timer: ReturnType<typeof setTimeout> | undefined;
  let busy = false;
  let held = false;
  let failures = 0;
  let sending = false;
  /** What is under way, to its end: who comes in the middle of it waits for the same end. */
  let underWay = Promise.resolve();

  const flush = (leaving = false): Promise<void> => {
    if (!busy) underWay = go(leaving);
    return underWay;
  };

  const go = async (leaving = false): Promise<void> => {
    clearTimeout(timer);
    if (held || wanted === undefined) return;
    const document = wanted;
    wanted = undefined;
    busy = true;
    sending = true;
    tell({ is: 'saving' });
    const answer = await send(base, document, leaving).catch((error: unknown): Answer => {
      const why = error instanceof Error ? error.message : String(error);
      return { ok: false, why: `Arbeit could not be reached (${why}).`, faults: [] };
    });
    busy = false;
    sending = false;
    if (answer.ok) {
      failures = 0;
      base = answer.revision;
      if (wanted === undefined) tell({ is: 'saved', as: { revision: base, document } });
      else await go();
    } else if ('theirs' in answer) {
      held = true;
      wanted ??= document;
      tell({ is: 'refused', theirs: answer.theirs, kept: answer.kept });
    } else {
      wanted ??= document;
      tell({ is: 'failed', why: answer.why, faults: answer.faults });
      if (answer.faults.length === 0)
        timer = setTimeout(() => void flush(), waits[Math.min(failures++, waits.length - 1)]);
    }
  };

  return {
    want(document) {
      wanted = document;
      if (held) return;
      clearTimeout(timer);
      timer = setTimeout(() => void flush(), pause);
      if (!busy) tell({ is: 'waiting' });
    },
    flush,
    goOnFrom(theirs, document) {
      base = theirs;
      held = false;
      wanted = undefined;
      tell(document ? { is: 'saved', as: { revision: theirs, document } } : { is: 'saved' });
    },
    retry: () => void flush(),
    base: () => base,
    isUnsaved: () => wanted !== undefined || sending,
    takeUp(on, document) {
      base = on;
      wanted = document;
      void flush();
    },
  };
}

/** A refusal of Arbeit's own; a gateway answers 409 too, with something else or nothing in it: that is a failure, and tried again. */
function refusalIn({
  theirs,
  kept,
}: {
  readonly theirs?: unknown;
  readonly kept?: unknown;
}): Answer | undefined {
  const { revision, document } = (theirs ?? {}) as {
    readonly revision?: unknown;
    readonly document?: unknown;
  };
  if (typeof revision !== 'number' || typeof document !== 'object' || document === null) return undefined;
  if (typeof kept !== 'number') return undefined;
  // What the store keeps as a document was read as one.
  return { ok: false, theirs: { revision, document: document as SetDocument }, kept };
}

/** Longer than this no save takes; then it is told, and tried again. */
const patience = 15_000;
/** What a browser lets a page send while it goes away (Fetch, `keepalive`: 64 KiB), with room for the rest of the request. */
const mostWhileLeaving = 60_000;

/** Sends a save to the server's route, in the name of this page. */
export const sendTo =
  (setId: string, from: () => string): Send =>
  async (base, document, leaving) => {
    const text = JSON.stringify({ base, document, from: from() });
    const response = await fetch(`/api/sets/${encodeURIComponent(setId)}`, {
      method: 'PUT',
      headers: { 'content-type': 'application/json' },
      body: text,
      keepalive: leaving && new TextEncoder().encode(text).length < mostWhileLeaving,
      signal: AbortSignal.timeout(patience),
    }).catch((error: unknown) => error as Error);
    if (response instanceof Error) {
      const why =
        response.name === 'TimeoutError'
          ? `Arbeit did not answer within ${patience / 1000} seconds.`
          : 'Arbeit could not be reached.';
      return {
        ok: false,
        why: `${why} What you changed is kept in this browser and sent again by itself.`,
        faults: [],
      };
    }
    const body = ((await response.json().catch(() => null)) ?? {}) as Record<string, never>;
    // Cut off by a reload the answer is none, whatever its head said: without a revision nothing is acknowledged.
    if (response.ok && typeof body.revision === 'number') return { ok: true, revision: body.revision };
    if (response.ok)
      return {
        ok: false,
        why: 'Arbeit’s answer did not arrive whole. It is sent again by itself.',
        faults: [],
      };
    const refusal = response.status === 409 ? refusalIn(body) : undefined;
    if (refusal) return refusal;
    return {
      ok: false,
      why: body.error ?? `The server answered ${response.status}.`,
      faults: body.faults ?? [],
    };
  };
