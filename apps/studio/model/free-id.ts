import type { SetDocument } from '@arbeit/engine/document';

/** The wanted id, or the first of `id-2`, `id-3` … that is not taken. */
export function freeId(wanted: string, taken: readonly string[]): string {
  let id = wanted;
  for (let n = 2; taken.includes(id); n++) id = `${wanted}-${n}`;
  return id;
}

/**
 * What a new id of a set must differ from: the ids in the list, of fields also their names in records.
 * The one with the id `except` is left out.
 */
export const takenIds = (set: SetDocument, list: 'fields' | 'forms', except?: string): readonly string[] =>
  list === 'forms'
    ? (set.forms ?? []).flatMap(({ id }) => (id === except ? [] : [id]))
    : set.fields.flatMap(({ id, name }) => (id === except ? [] : name === undefined ? [id] : [id, name]));
