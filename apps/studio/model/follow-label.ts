import type { SetDocument } from '@arbeit/engine/document';
import { slug } from '@arbeit/handoff';
import { freeId, takenIds } from './free-id.ts';
import type { IdPath } from './new-ids.ts';
import { renameField, renameForm } from './references.ts';

/** Longest id made from a label, in characters. */
const longest = 40;

/**
 * An id made from a label: `Guest’s mobile number` becomes `guests-mobile-number`. Empty if the label has no
 * letters of the Latin alphabet.
 */
export function idFrom(label: string): string {
  const plain = slug(label).replace(/^[-\d]+/, '');
  if (plain.length <= longest) return plain;
  // Cut at a word, unless the first word alone is too long.
  const cut = plain.slice(0, longest + 1);
  return cut.slice(0, Math.max(cut.lastIndexOf('-'), 0) || longest);
}

/**
 * The set with the id of a field or form made from its label, under a free id, and that id. `null` if the id
 * stays: it is already the one, or the label gives none.
 */
export function withIdFromLabel(
  set: SetDocument,
  path: IdPath,
): { readonly set: SetDocument; readonly id: string } | null {
  const [list, own = ''] = path.split('/') as ['fields' | 'forms', string];
  const found =
    list === 'fields'
      ? set.fields.find(({ id }) => id === own)?.label
      : set.forms?.find(({ id }) => id === own)?.title;
  const wanted = idFrom(found ?? '');
  if (wanted === '') return null;
  const id = freeId(wanted, takenIds(set, list, own));
  if (id === own) return null;
  return { set: list === 'fields' ? renameField(set, own, id) : renameForm(set, own, id), id };
}
