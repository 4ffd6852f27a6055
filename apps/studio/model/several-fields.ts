import type { SetDocument } from '@arbeit/engine/document';
import { duplicateField } from './field-edits.ts';
import { removeField } from './references.ts';
import { targetOf } from './trial-edits.ts';

/** Edits of several fields at once, each one step of undo. Unknown ids are ignored. */

/** The set without some fields and everything that refers to them. */
export const withoutFields = (set: SetDocument, ids: readonly string[]): SetDocument =>
  ids.reduce(removeField, set);

/**
 * A set with only some fields, their trials, classes and translations. It has no forms; rules and conditions
 * that need other fields are left out.
 */
export function onlyFields(set: SetDocument, ids: readonly string[]): SetDocument {
  const { forms: _, trials = [], ...rest } = set;
  const own = trials.filter((trial) => targetOf(trial)?.type === 'field');
  const others = set.fields.flatMap(({ id }) => (ids.includes(id) ? [] : [id]));
  return withoutFields(own.length ? { ...rest, trials: own } : rest, others);
}

/** Duplicates fields, each directly after it; returns the document and the ids of the copies. */
export function duplicateFields(
  set: SetDocument,
  ids: readonly string[],
): { readonly set: SetDocument; readonly ids: readonly string[] } {
  let next = set;
  const copies: string[] = [];
  for (const id of ids) {
    const made = duplicateField(next, id);
    if (made.set === next) continue;
    next = made.set;
    copies.push(made.id);
  }
  return { set: next, ids: copies };
}
