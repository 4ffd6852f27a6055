/** A region as a list shows it. */
export interface RegionChoice {
  readonly region: string;
  readonly name: string;
  readonly code: string;
}

/** Choices by plans and language: names and collation cost milliseconds, and a list is drawn at every key. */
const known = new WeakMap<object, Map<string, readonly RegionChoice[]>>();

/**
 * The regions whose plans a field has, each with its calling code, sorted by name in the reader's language
 * (`Intl.DisplayNames`).
 *
 * @example
 * const [first] = regionChoices({ FR: { code: '33' } }, 'en');
 */
export function regionChoices(
  plans: Readonly<Record<string, { readonly code: string }>>,
  locale: string,
): readonly RegionChoice[] {
  const own = known.get(plans) ?? new Map<string, readonly RegionChoice[]>();
  known.set(plans, own);
  let choices = own.get(locale);
  if (!choices) {
    const names = new Intl.DisplayNames(locale, { type: 'region' });
    const collator = new Intl.Collator(locale);
    choices = Object.entries(plans)
      .map(([region, { code }]) => ({ region, name: names.of(region) ?? region, code }))
      .sort((a, b) => collator.compare(a.name, b.name));
    own.set(locale, choices);
  }
  return choices;
}

const plain = (text: string): string => text.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase();

/**
 * The choices that a search means: by the beginning of a word of the name, the region's letters, or the
 * calling code.
 *
 * @example
 * findRegions(regionChoices({ FR: { code: '33' } }, 'en'), '+33');
 */
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
  // Names that begin with the text come before names that contain such a word.
  const begins = ({ name }: RegionChoice) => plain(name).startsWith(text);
  return [...found.filter(begins), ...found.filter((choice) => !begins(choice))];
}
