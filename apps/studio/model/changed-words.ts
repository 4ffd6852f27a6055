import type { Changed, ChangedItem } from '../store/changed.ts';

/** Members of documents in words. */
const partNames: Readonly<Record<string, string>> = {
  classes: 'character classes', entry: 'format', fields: 'fields', forms: 'forms', hint: 'hint', html: 'input attributes', initial: 'initial value', kind: 'kind', label: 'label', locale: 'locale', look: 'appearance', messages: 'messages', placeholder: 'placeholder', rules: 'rules', sections: 'sections', tape: 'tape', texts: 'translations', title: 'title', trials: 'trials', when: 'condition',
}; // biome-ignore format: a table

const groups = [
  ['added', 'Added'],
  ['removed', 'Removed'],
  ['changed', 'Changed'],
  ['moved', 'Moved'],
] as const;

/** Items shown in each group. */
const mostShown = 6;

const partName = (name: string): string => (Object.hasOwn(partNames, name) ? partNames[name]! : name);

function itemWords({ of, id, name, parts }: ChangedItem): string {
  if (of === 'set') return id === '' ? 'whole set' : partName(id);
  const details = parts.map(partName).join(', ');
  return details ? `“${name}” (${details})` : `“${name}”`;
}

/** What a revision changed, as headings with lists. Empty if it is not known. */
export function changedWords({
  items,
  more,
}: Changed): readonly { readonly heading: string; readonly list: string }[] {
  const lists = groups.flatMap(([how, heading]) => {
    const all = items.filter((item) => item.how === how).map(itemWords);
    if (all.length === 0) return [];
    const left = all.length - mostShown;
    const shown = all.slice(0, mostShown).join(', ');
    return [{ heading, list: left > 0 ? `${shown} and ${left} more` : shown }];
  });
  return more ? [...lists, { heading: 'Also', list: 'more changes, which are not listed' }] : lists;
}
