import type { SetDocument } from '@arbeit/engine/document';
import { freeId } from './free-id.ts';
import type { IdPath } from './new-ids.ts';
import { renameField, renameForm } from './references.ts';

/** Longest id made from a label, in characters. */
const longest = 40;

/**
 * An id made from a label: `Guest’s mobile number` becomes `guests-mobile-number`. Empty if the label has no
 * letters of the Latin alphabet.
 */
export function idFrom(label: string): string {
  const plain = label
    .normalize('NFKD')
    .replace(/['’\p{M}]/gu, '')
    .toLowerCase()
    .replace(/ß/g, 'ss')
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^[-\d]+|-+$/g, '');
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
  const taken = (set[list] ?? []).flatMap(({ id }) => (id === own ? [] : [id]));
  // The name that another field has in records would be taken as well.
  const names =
    list === 'fields' ? set.fields.flatMap(({ id, name }) => (id === own || !name ? [] : [name])) : [];
  const id = freeId(wanted, [...taken, ...names]);
  if (id === own) return null;
  return { set: list === 'fields' ? renameField(set, own, id) : renameForm(set, own, id), id };
}
