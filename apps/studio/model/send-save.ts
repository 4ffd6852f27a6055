import type { SetDocument } from '@arbeit/engine/document';
import { operationsBetween } from '../store/operations.ts';
import type { Save } from '../store/saving.ts';
import * as words from '../words/model/send-save.ts';
import type { Answer, Around, Changes, Theirs } from './saver.ts';

/**
 * A set in a response; `undefined` for anything else. The store's documents were checked when they were
 * stored.
 */
function theirsIn(body: unknown): Theirs | undefined {
  const { generation, revision, document } = (body ?? {}) as Record<string, unknown>;
  if (typeof generation !== 'string' || typeof revision !== 'number') return undefined;
  if (typeof document !== 'object' || document === null) return undefined;
  return { generation, revision, document: document as SetDocument };
}

/**
 * A conflict reported by Arbeit. A gateway may answer 409 too, without this content: that is a failure, and
 * is retried.
 */
function refusalIn({ theirs, kept }: Record<string, unknown>): Answer | undefined {
  const known = theirsIn(theirs);
  if (!known || !(typeof kept === 'number' || kept === null)) return undefined;
  return { ok: false, theirs: known, kept };
}

type Known = Exclude<Changes, { readonly whole: Theirs }>;

/**
 * The changes of others in a response. If a reload cut the body off, there are none, whatever the status:
 * nothing is acknowledged without all of it.
 */
function changesIn({ revision, theirs, digest }: Record<string, unknown>): Known | undefined {
  if (typeof revision !== 'number' || typeof digest !== 'string' || !Array.isArray(theirs)) return undefined;
  return { revision, digest, theirs };
}

/** Timeout of a save in milliseconds. After it the failure is shown, and the save is retried. */
const patience = 15_000;
/**
 * Most bytes that a page sends while it is unloaded. Browsers allow 64 KiB (Fetch, `keepalive`); the rest is
 * for headers.
 */
const mostWhileLeaving = 60_000;

const addressOf = (key: string): string => `/api/sets/${encodeURIComponent(key)}`;

const failed = (why: string): Answer => ({ ok: false, why, faults: [] });

/** Returns a function that sends saves of a set to the server. */
export const sendTo =
  (key: string): Around['send'] =>
  async (save, leaving) => {
    const text = JSON.stringify(save);
    const response = await fetch(addressOf(key), {
      method: 'PUT',
      headers: { 'content-type': 'application/json' },
      body: text,
      keepalive: leaving && new TextEncoder().encode(text).length < mostWhileLeaving,
      signal: AbortSignal.timeout(patience),
    }).catch((error: unknown) => error as Error);
    if (response instanceof Error)
      return failed(
        response.name === 'TimeoutError'
          ? words.noResponseFromTheServerWithin(patience / 1000)
          : words.arbeitCouldNotBeReached,
      );
    const body = ((await response.json().catch(() => null)) ?? {}) as Record<string, unknown>;
    if (response.ok) {
      const changes = changesIn(body);
      return changes ? { ok: true, ...changes } : failed(words.theResponseWasCutOff);
    }
    const refusal = response.status === 409 ? refusalIn(body) : undefined;
    if (refusal) return refusal;
    const { error, faults } = body;
    return {
      ok: false,
      why: typeof error === 'string' ? error : words.requestFailedHttp(response.status),
      faults: Array.isArray(faults) ? faults : [],
    };
  };

/** Asks the server for the changes that others made to a set. */
export const changesOf =
  (key: string): Around['changesSince'] =>
  async (base, generation) => {
    const query = base === undefined ? '' : `?since=${base}&generation=${encodeURIComponent(generation)}`;
    const response = await fetch(`${addressOf(key)}${query}`, {
      signal: AbortSignal.timeout(patience),
    }).catch(() => undefined);
    if (!response?.ok) return undefined;
    const body = ((await response.json().catch(() => null)) ?? {}) as Record<string, unknown>;
    const whole = theirsIn(base === undefined ? body : body.whole);
    return whole ? { whole } : changesIn(body);
  };

/**
 * Saves a document once, outside any page that edits it, if the set is still as it was when the document was
 * made.
 */
export function saveOnce(
  set: Theirs & { readonly key: string },
  document: SetDocument,
  page: string,
): Promise<Answer> {
  const operations = operationsBetween(set.document as never, document as never);
  const save: Save = { page, counter: 1, base: set.revision, operations };
  return sendTo(set.key)({ ...save, generation: set.generation }, false);
}
