import type { SetDocument } from '@arbeit/engine/document';
import { operationsBetween } from '../store/operations.ts';
import type { Save } from '../store/saving.ts';
import type { Answer, Around, Changes, Theirs } from './saver.ts';

/**
 * A set as the store keeps it, in an answer; `undefined` for anything else. What the store keeps as a
 * document was read as one.
 */
function theirsIn(body: unknown): Theirs | undefined {
  const { generation, revision, document } = (body ?? {}) as Record<string, unknown>;
  if (typeof generation !== 'string' || typeof revision !== 'number') return undefined;
  if (typeof document !== 'object' || document === null) return undefined;
  return { generation, revision, document: document as SetDocument };
}

/**
 * A refusal of Arbeit's own; a gateway answers 409 too, with something else or nothing in it: that is a
 * failure, and tried again.
 */
function refusalIn({ theirs, kept }: Record<string, unknown>): Answer | undefined {
  const known = theirsIn(theirs);
  if (!known || !(typeof kept === 'number' || kept === null)) return undefined;
  return { ok: false, theirs: known, kept };
}

type Known = Exclude<Changes, { readonly whole: Theirs }>;

/**
 * What others did, in an answer. Cut off by a reload it is none, whatever its head said: without all of it
 * nothing is acknowledged.
 */
function changesIn({ revision, theirs, digest }: Record<string, unknown>): Known | undefined {
  if (typeof revision !== 'number' || typeof digest !== 'string' || !Array.isArray(theirs)) return undefined;
  return { revision, digest, theirs };
}

/** Longer than this no save takes; then it is told, and tried again. */
const patience = 15_000;
/**
 * What a browser lets a page send while it goes away (Fetch, `keepalive`: 64 KiB), with room for the rest of
 * the request.
 */
const mostWhileLeaving = 60_000;

const addressOf = (key: string): string => `/api/sets/${encodeURIComponent(key)}`;

const failed = (why: string): Answer => ({ ok: false, why, faults: [] });

/** Sends saves of a set to the server's route. */
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
          ? `Arbeit did not answer within ${patience / 1000} seconds.`
          : 'Arbeit could not be reached.',
      );
    const body = ((await response.json().catch(() => null)) ?? {}) as Record<string, unknown>;
    if (response.ok) {
      const changes = changesIn(body);
      return changes ? { ok: true, ...changes } : failed('Arbeit’s answer did not arrive whole.');
    }
    const refusal = response.status === 409 ? refusalIn(body) : undefined;
    if (refusal) return refusal;
    const { error, faults } = body;
    return {
      ok: false,
      why: typeof error === 'string' ? error : `The server answered ${response.status}.`,
      faults: Array.isArray(faults) ? faults : [],
    };
  };

/** Asks the server what others did to a set. */
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

/** Saves a document once, by nobody's page in particular, in place of the one it was made of. */
export function saveOnce(
  set: Theirs & { readonly key: string },
  document: SetDocument,
  page: string,
): Promise<Answer> {
  const operations = operationsBetween(set.document as never, document as never);
  const save: Save = { page, counter: 1, base: set.revision, operations };
  return sendTo(set.key)({ ...save, generation: set.generation }, false);
}
