import type { FieldDocument } from '@arbeit/engine/document';
import type { Option as Described } from '@arbeit/engine/options';
import * as words from '../words/field/options.ts';
import type { Option } from './option.ts';

/**
 * Some ways to fill a list, if its description alone does not offer any. `undefined` leaves it to the
 * description.
 */
export function editedHere(
  field: FieldDocument,
  key: string,
  { label }: Described,
): readonly Option[] | undefined {
  if (field.kind === 'one-time-code' && key === 'groups') return [groupsOf(field.entry.length ?? 6, label)];
  return undefined;
}

/** Ways to group a number of boxes. */
function groupsOf(length: number, label: string): Option {
  const ways: number[][] = [[length]];
  for (const size of [2, 3, 4])
    if (length % size === 0 && length > size) ways.push(Array.from({ length: length / size }, () => size));
  const half = Math.ceil(length / 2);
  if (length > 3 && !ways.some((way) => way.length === 2)) ways.push([half, length - half]);
  return {
    key: 'groups',
    label,
    is: 'choice',
    usual: [length],
    choices: ways.map((way) => [way, way.length === 1 ? words.allTogether : way.join(words.andJoint)]),
  };
}

/**
 * The entry with changes that follow from another change: numbers from the home region alone stay so when the
 * home region changes.
 */
export function carriedAlong(field: FieldDocument, entry: Record<string, unknown>): Record<string, unknown> {
  if (field.kind !== 'phone') return entry;
  const { home, regions } = field.entry;
  const wasHome = JSON.stringify(regions) === JSON.stringify([home]);
  return wasHome && entry.home !== home ? { ...entry, regions: [entry.home] } : entry;
}
