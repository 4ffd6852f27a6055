import type { DocumentFault, SetDocument } from '../../engine/compile/document.ts';

/** What became of the latest save, in words the masthead can show. */
export type SaveState =
  | { readonly is: 'saved' | 'waiting' | 'saving' }
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
  /** After a refusal: goes on from their revision, with whatever is wanted next. */
  goOnFrom(revision: number): void;
  retry(): void;
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

/**
 * Saves a document as it changes: one request at a time, each on the revision the one before it made. After a
 * refusal nothing is sent until somebody has chosen.
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

  const go = async (leaving = false): Promise<void> => {
    clearTimeout(timer);
    if (busy || held || wanted === undefined) return;
    const document = wanted;
    wanted = undefined;
    busy = true;
    tell({ is: 'saving' });
    const answer = await send(base, document, leaving).catch((error: unknown): Answer => {
      const why = error instanceof Error ? error.message : String(error);
      return { ok: false, why: `Arbeit could not be reached (${why}).`, faults: [] };
    });
    busy = false;
    if (answer.ok) {
      base = answer.revision;
      if (wanted === undefined) tell({ is: 'saved' });
      else await go();
    } else if ('theirs' in answer) {
      held = true;
      wanted ??= document;
      tell({ is: 'refused', theirs: answer.theirs, kept: answer.kept });
    } else {
      wanted ??= document;
      tell({ is: 'failed', why: answer.why, faults: answer.faults });
    }
  };

  return {
    want(document) {
      wanted = document;
      if (held) return;
      clearTimeout(timer);
      timer = setTimeout(() => void go(), pause);
      if (!busy) tell({ is: 'waiting' });
    },
    flush: (leaving = false) => go(leaving),
    goOnFrom(theirs) {
      base = theirs;
      held = false;
      wanted = undefined;
      tell({ is: 'saved' });
    },
    retry: () => void go(),
  };
}

/** Sends a save to the server's route. */
export const sendTo =
  (setId: string): Send =>
  async (base, document, leaving) => {
    const response = await fetch(`/api/sets/${encodeURIComponent(setId)}`, {
      method: 'PUT',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ base, document }),
      keepalive: leaving,
    });
    const body = (await response.json()) as Record<string, never>;
    if (response.ok) return { ok: true, revision: body.revision! };
    if (response.status === 409) return { ok: false, theirs: body.theirs!, kept: body.kept! };
    return {
      ok: false,
      why: body.error ?? `The server answered ${response.status}.`,
      faults: body.faults ?? [],
    };
  };
