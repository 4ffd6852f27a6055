import type { Changed, ChangedItem } from '../store/changed.ts';
import * as words from '../words/model/changed-words.ts';

/** Members of documents in words. */
const partNames: Readonly<Record<string, string>> = {
  classes: words.characterClassesInText, entry: words.format, fields: words.fields, forms: words.forms, hint: words.hint, html: words.inputAttributes, initial: words.initialValue, kind: words.kind, label: words.label, language: words.language, locale: words.locale, look: words.appearance, messages: words.messages, name: words.nameInRecords, placeholder: words.placeholder, rules: words.rules, sameValueAs: words.sharedValue, sections: words.sections, tape: words.tape, texts: words.translations, title: words.title, trials: words.trials, when: words.condition,
}; // biome-ignore format: a table

const groups = [
  ['added', words.added],
  ['removed', words.removed],
  ['changed', words.changed],
  ['moved', words.moved],
] as const;

/** Items shown in each group. */
const mostShown = 6;

/** A member of a document in words. */
export const partName = (name: string): string => (Object.hasOwn(partNames, name) ? partNames[name]! : name);

function itemWords({ of, id, name, parts }: ChangedItem): string {
  if (of === 'set') return id === '' ? words.wholeSet : partName(id);
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
    return [{ heading, list: left > 0 ? words.andMore(shown, left) : shown }];
  });
  return more ? [...lists, { heading: words.also, list: words.moreChanges }] : lists;
}
