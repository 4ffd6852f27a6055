import type { SetDocument } from '@arbeit/engine/document';
import { isDeeper, mostDeep } from '@arbeit/engine/document';
import type { DocumentFault } from '@arbeit/engine/faults';
import { z } from 'zod';
import { type UseName, useNames } from '../../screens/handoff/choice.ts';
import { mostOperations } from '../../store/operations.ts';
import { readOnServer } from '../../store/read-on-server.ts';
import { isStoreError } from '../../store/store-error.ts';
import * as words from '../../words/app/api.ts';

/** Largest request body, in bytes. A set of a thousand fields stays well below. */
const mostBytes = 4_000_000;
/** Largest save, in bytes. It contains what it changes twice: before and after. */
const mostBytesOfSave = 9_000_000;

const mostRevisions = 2_147_483_647;
const withDocument = z.strictObject({ document: z.unknown() });

/** Any JSON value. Its depth is checked separately. */
const json = z.unknown();
const step = z.union([z.string().max(10_000), z.strictObject({ id: z.string().max(10_000) })]);
const at = z.array(step).max(mostDeep);
const id = z.string().max(10_000);
const operation = z.discriminatedUnion('do', [
  z.strictObject({
    do: z.literal('set'),
    at,
    before: json.optional(),
    value: json.optional(),
    next: z.string().max(10_000).optional(),
  }),
  z.strictObject({ do: z.literal('insert'), at, id, after: id.nullable(), value: json }),
  z.strictObject({ do: z.literal('move'), at, id, after: id.nullable() }),
  z.strictObject({ do: z.literal('remove'), at, id, before: json }),
]);
/** A save (`store/saving.ts`). Revisions are counted in 32 bits. */
const save = z.strictObject({
  generation: z.string().max(100),
  page: z.string().regex(/^[\w-]{1,100}$/),
  counter: z.int().min(1).max(mostRevisions),
  base: z.int().min(1).max(mostRevisions),
  operations: z.array(operation).max(mostOperations),
});

export type Problem = { readonly error: string; readonly faults?: readonly DocumentFault[] };

export const problem = (status: number, body: Problem): Response => Response.json(body, { status });

/**
 * Bytes of a too large body that are read and discarded, so that the sender receives the response instead of
 * a closed connection.
 */
const mostDiscarded = 20_000_000;

/**
 * Reads a body up to a size, counted while it arrives, so that a larger one is never in memory. `undefined`
 * if it is too large.
 */
async function bytesOf(request: Request, most: number): Promise<Uint8Array | undefined> {
  const announced = Number(request.headers.get('content-length') ?? 0);
  const reader = request.body?.getReader();
  let chunks: Uint8Array[] = [];
  let size = 0;
  while (reader) {
    const { done, value } = await reader.read();
    if (done) break;
    size += value.byteLength;
    if (size <= most && announced <= most) chunks.push(value);
    else chunks = [];
    if (size > mostDiscarded) {
      await reader.cancel();
      break;
    }
  }
  return size > most || announced > most ? undefined : Buffer.concat(chunks);
}

/** Parses and checks the JSON of a request. Returns the data, or the response that reports what is wrong. */
async function readShape<T>(request: Request, shape: z.ZodType<T>, most = mostBytes): Promise<T | Response> {
  const type = request.headers.get('content-type') ?? '';
  if (!/^application\/json\s*(?:;|$)/i.test(type)) return problem(415, { error: words.expectedJson });
  const bytes = await bytesOf(request, most);
  if (!bytes) return problem(413, { error: words.tooLarge(most / 1_000_000) });
  let json: unknown;
  try {
    json = JSON.parse(new TextDecoder('utf-8', { fatal: true }).decode(bytes));
  } catch (error) {
    const isText = error instanceof SyntaxError;
    return problem(400, { error: isText ? words.notJson : words.notUtf8 });
  }
  const parsed = shape.safeParse(json);
  return parsed.success ? parsed.data : problem(400, { error: z.prettifyError(parsed.error) });
}

/**
 * Parses and checks a request that contains a document. Returns the data, or the response that reports what
 * is wrong.
 */
async function readWith<T extends { document?: unknown }>(
  request: Request,
  shape: z.ZodType<T>,
): Promise<(T & { document: SetDocument }) | Response> {
  const read = await readShape(request, shape);
  if (read instanceof Response) return read;
  const result = await readOnServer(read.document);
  if (!result.ok) return problem(422, { error: words.documentHasErrors, faults: result.faults });
  return { ...read, document: result.document };
}

export async function readSave(request: Request): Promise<z.infer<typeof save> | Response> {
  const read = await readShape(request, save, mostBytesOfSave);
  if (read instanceof Response || !isDeeper(read.operations, mostDeep)) return read;
  return problem(400, { error: words.tooDeep(mostDeep) });
}

const ids = z.array(z.string().max(100)).max(10_000);
/** The names of the uses. */
const useList = Object.keys(useNames) as UseName[];
/** The parts of a set to hand off. */
const choice = z.strictObject({
  fields: ids,
  forms: ids,
  uses: z.array(z.enum(useList)).max(useList.length),
  languages: z.array(z.string().max(100)).max(100).default([]),
});

export const readChoice = (request: Request) => readShape(request, choice);
export const readNew = (request: Request) => readWith(request, withDocument);
export const readRename = (request: Request) =>
  readShape(
    request,
    z.strictObject({
      id: z.string().regex(/^[a-z0-9-]{1,80}$/, words.useLowerCase),
    }),
  );

/** The name of a revision; `null` removes it. */
export const readRevisionName = (request: Request) =>
  readShape(request, z.strictObject({ name: z.string().trim().min(1).max(200).nullable() }));

const text = z.string().max(2000);
/** Most fields of a form. */
const mostNames = 5000;
const named = <T extends z.ZodType>(one: T) =>
  z
    .record(z.string().max(100), one)
    .refine((all) => Object.keys(all).length <= mostNames, words.tooManyNames(mostNames));

/** A question of a rule to a service (`docs/contract/servers.md`). */
export const readAsked = (request: Request) =>
  readShape(
    request,
    z.strictObject({ field: z.string().max(100), value: text, values: named(text.nullable()) }),
  );
/** The number (E.164) or e-mail address that a code is sent to. */
export const readAddress = (request: Request) =>
  readShape(
    request,
    z.strictObject({
      to: z
        .string()
        .max(120)
        .regex(/^(?:\+[1-9]\d{4,14}|[^@\s]+@[^@\s]+\.[^@\s.]+)$/, words.numberOrAddress),
    }),
  );
/** The raw values of a form, by field. */
export const readRecord = (request: Request) => readShape(request, z.strictObject({ raw: named(text) }));

/** The id or key of a set in an address; `undefined` if it cannot be one. */
export const setIdOf = (text: string): string | undefined =>
  /^(?:[a-z0-9-]{1,80}|s_[0-9a-f]{32})$/.test(text) ? text : undefined;

/** The number of a revision in an address; `undefined` if it cannot be one. */
export const revisionOf = (text: string): number | undefined =>
  /^[1-9]\d{0,9}$/.test(text) && Number(text) <= mostRevisions ? Number(text) : undefined;

/**
 * Runs a handler. An error becomes a response that tells whose fault it is: the store's (503), or ours (500).
 */
export async function answer(what: string, work: () => Promise<Response>): Promise<Response> {
  try {
    return await work();
  } catch (error) {
    logError(what, error);
    if (isStoreError(error)) return problem(503, { error: error.message });
    return problem(500, {
      error: words.internalError,
    });
  }
}

/** Most stack frames logged of an error. */
const mostFrames = 8;

/**
 * Where in our own code an error comes from: the frames of its stack without the message, which may quote a
 * document. Paths are relative to the studio.
 */
function framesOf(error: unknown): readonly string[] {
  const stack = error instanceof Error ? (error.stack ?? '') : '';
  return stack
    .split('\n')
    .filter((line) => /^\s+at /.test(line) && !/node_modules|node:|\(native\)/.test(line))
    .slice(0, mostFrames)
    .map((line) =>
      line
        .trim()
        .replace(/(?:file:\/\/)?\/[^\s():]*\/(?=(?:studio|engine|handoff|sandbox|dom|\.next)\/)/, ''),
    );
}

/** Logs one line of JSON on standard error, without any content of a document. */
export function logError(what: string, error: unknown): void {
  const cause = error instanceof Error ? (error.cause ?? error) : error;
  const { code = '' } = (cause ?? {}) as { code?: string };
  const name = error instanceof Error ? error.constructor.name : typeof error;
  const message = isStoreError(error) ? error.message : name;
  const frames = isStoreError(error) ? [] : framesOf(error);
  process.stderr.write(
    `${JSON.stringify({ at: new Date().toISOString(), level: 'error', what, message, code, ...(frames.length ? { frames } : {}) })}\n`,
  );
}
