import { allRegions, codeOf } from '@arbeit/engine/plans';

/** A region as a list offers it. */
export interface RegionChoice {
  readonly region: string;
  readonly name: string;
  readonly code: string;
}

const known = new Map<string, readonly RegionChoice[]>();

/** Every region with a calling code, by name in the reader's language. Names come from `Intl`. */
export function regionChoices(locale: string): readonly RegionChoice[] {
  let choices = known.get(locale);
  if (!choices) {
    const names = new Intl.DisplayNames(locale, { type: 'region' });
    const collator = new Intl.Collator(locale);
    choices = allRegions
      .map((region) => ({ region, name: names.of(region) ?? region, code: codeOf(region)!.code }))
      .sort((a, b) => collator.compare(a.name, b.name));
    known.set(locale, choices);
  }
  return choices;
}

const plain = (text: string): string => text.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase();

/** Those that a search means: by the beginning of a word of the name, the region's letters, or the calling code. */
export function findRegions(choices: readonly RegionChoice[], search: string): readonly RegionChoice[] {
  const text = plain(search.trim());
  if (!text) return choices;
  const digits = text.replace(/^\+|^00/, '');
  if (/^\d+$/.test(digits))
    return choices.filter(({ code }) => code.startsWith(digits) || digits.startsWith(code));
  const found = choices.filter(
    ({ name, region }) =>
      region.toLowerCase() === text ||
      plain(name).startsWith(text) ||
      plain(name)
        .split(/[\s-]+/)
        .some((word) => word.startsWith(text)),
  );
  // Names that begin so come before names that have such a word.
  const begins = ({ name }: RegionChoice) => plain(name).startsWith(text);
  return [...found.filter(begins), ...found.filter((choice) => !begins(choice))];
}
