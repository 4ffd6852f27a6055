import type { FieldDocument, SetDocument } from '@arbeit/engine/document';
import type { IndexedSet, ListedSet, StoredSet } from '../store/sets.ts';
import * as words from '../words/model/other-sets.ts';
import type { AddedSet } from './add-set.ts';
import { classesIn } from './classes.ts';
import { newPage } from './draft.ts';
import { addField } from './field-edits.ts';
import type { Answer } from './saver.ts';

/** All sets, the one changed last first. Rejects if Arbeit does not answer. */
export async function listSets(): Promise<readonly ListedSet[]> {
  const response = await fetch('/api/sets');
  if (!response.ok) throw new Error(words.requestFailedHttpWithStatus(response.status));
  return (await response.json()) as readonly ListedSet[];
}

/** The sets with the names of their fields and forms. Rejects if Arbeit does not answer. */
export async function indexedSets(): Promise<readonly IndexedSet[]> {
  const response = await fetch('/api/index');
  if (!response.ok) throw new Error(words.requestFailedHttpWithStatus(response.status));
  return (await response.json()) as readonly IndexedSet[];
}

/**
 * Fetches some of the sets whose title contains `title`, beginning with number `from`. Rejects if Arbeit does
 * not answer.
 */
export async function foundSets(
  title: string,
  from: number,
): Promise<{ readonly sets: readonly ListedSet[]; readonly count: number }> {
  const response = await fetch(`/api/sets?${new URLSearchParams({ title, from: String(from) })}`);
  if (!response.ok) throw new Error(words.requestFailedHttpWithStatus(response.status));
  return (await response.json()) as { sets: readonly ListedSet[]; count: number };
}

/** The error message of a response; empty if there is none. */
export async function problemIn(response: Response | undefined): Promise<string> {
  if (!response) return words.noResponseFromTheServer;
  if (response.ok) return '';
  const { error } = (await response.json().catch(() => ({}))) as { error?: string };
  return error ?? words.requestFailedHttpWithStatus(response.status);
}

/** Puts a new set into the store. Resolves to its key and id, or to an error message. */
export async function addSet(
  document: SetDocument,
): Promise<
  { readonly key: string; readonly id: string; readonly problem: '' } | { readonly problem: string }
> {
  const response = await fetch('/api/sets', {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ document }),
  }).catch(() => undefined);
  const problem = await problemIn(response);
  if (problem || !response) return { problem };
  const { key, id } = (await response.json()) as Pick<StoredSet, 'key' | 'id'>;
  return { key, id, problem: '' };
}

/** The set with a field of another set, and the classes it uses if they are missing. */
export function received(
  document: SetDocument,
  field: FieldDocument,
  from: SetDocument['classes'],
): SetDocument {
  const { set } = addField(document, field);
  const needed = Object.entries(from ?? {}).filter(
    ([name]) => classesIn(field).includes(name) && set.classes?.[name] === undefined,
  );
  return needed.length ? { ...set, classes: { ...set.classes, ...Object.fromEntries(needed) } } : set;
}

/**
 * Adds a set to the one with the key `key`, which is not on this page. Resolves to an error message, or to
 * the ids that are other ones there.
 */
export async function sendSet(
  key: string,
  added: SetDocument,
): Promise<{ readonly problem: string; readonly renamed: AddedSet['renamed'] }> {
  const found = await fetch(`/api/sets/${key}`).catch(() => undefined);
  if (!found?.ok) return { problem: await problemIn(found), renamed: [] };
  const stored = (await found.json()) as StoredSet;
  const [{ saveOnce }, { addSet }] = await Promise.all([import('./saving.ts'), import('./add-set.ts')]);
  const { set, renamed } = addSet(stored.document, added);
  return { problem: problemWith(await saveOnce(stored, set, newPage())), renamed };
}

/**
 * Adds a field to the set with the key `key`, which is not on this page. Resolves to an error message, or ''.
 */
export async function sendField(
  key: string,
  field: FieldDocument,
  from: SetDocument['classes'],
): Promise<string> {
  const found = await fetch(`/api/sets/${key}`).catch(() => undefined);
  if (!found?.ok) return problemIn(found);
  const set = (await found.json()) as StoredSet;
  const { saveOnce } = await import('./saving.ts');
  return problemWith(await saveOnce(set, received(set.document, field, from), newPage()));
}

/** The error message of a save that is not repeated; empty if there is none. */
export function problemWith(answer: Answer): string {
  if (answer.ok) return '';
  if ('theirs' in answer) return words.somebodyElseSavedTheSet;
  return answer.faults[0]?.message ?? words.nothingWasChanged(answer.why);
}
