import type { Option, Options } from '../options/option.ts';
import { patternMutants } from './pattern/mutants.ts';

/** Other texts that a slip of the hand would lead to; `classes` are the names of the set's own. */
type TextMutants = (
  text: string,
  classes: readonly string[],
) => readonly { readonly text: string; readonly words: string }[];

/**
 * Options whose texts have a syntax of their own, by kind. Not in the definitions, which pages of the
 * studio load.
 */
const textMutants: Readonly<Record<string, Readonly<Record<string, TextMutants>>>> = {
  pattern: { pattern: patternMutants },
};

/** An entry with one option changed, and a description of the change. */
export interface EntryMutant {
  readonly option: string;
  readonly words: string;
  readonly entry: Readonly<Record<string, unknown>>;
}

/** Another value of an option with its description; `undefined` stands for the default. */
type Other = readonly [value: unknown, words: string];

const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);
/** Other values tried per option that has many. More of them would prove the same. */
const mostOthers = 4;

function others(option: Option, value: unknown): readonly Other[] {
  switch (option.is) {
    case 'choice':
      return option.choices.filter(([one]) => !same(one, value)).slice(0, mostOthers);
    case 'whole':
      return typeof value !== 'number'
        ? []
        : [value - 1, value + 1]
            .filter((one) => one >= option.min && one <= option.max)
            .map((one): Other => [one, String(one)]);
    case 'text': {
      const known = option.among?.() ?? option.offers?.().map(([text]) => text) ?? [];
      return known
        .filter((one) => one !== value)
        .slice(0, 2)
        .map((one): Other => [one, one]);
    }
    case 'list':
      return !Array.isArray(value) || value.length <= option.least
        ? []
        : value.slice(0, mostOthers).map((one): Other => [value.filter((other) => other !== one), `without ${one}`]);
    case 'bounds': {
      const bounds = value as { readonly min?: number; readonly max?: number } | undefined;
      if (typeof bounds !== 'object' || bounds === null) return [];
      return (['min', 'max'] as const).flatMap((end) => {
        const at = bounds[end];
        return at === undefined
          ? []
          : [at - 1, at + 1]
              .filter((one) => one >= option.min && one <= option.max)
              .map((one): Other => [{ ...bounds, [end]: one }, `${end === 'min' ? 'at least' : 'at most'} ${one}`]);
      });
    }
    case 'picks': {
      const offers = (Array.isArray(value) ? value : []) as { readonly value: string; readonly label: string }[];
      return offers.length <= option.least
        ? []
        : offers.slice(0, mostOthers).map((one): Other => [offers.filter((other) => other !== one), `without “${one.label}”`]);
    }
  }
} // biome-ignore format: an option a case

/** Ways to break a list of texts: one of them broken, one gone, two neighbours in the other order. */
function listMutants(
  mutants: TextMutants | undefined,
  texts: readonly string[],
  classes: readonly string[],
): readonly { readonly text: readonly string[]; readonly words: string }[] {
  return texts.flatMap((one, i) => [
    ...(mutants?.(one, classes) ?? []).map(({ text, words }) => ({ text: texts.with(i, text), words })),
    ...(texts.length > 1 ? [{ text: texts.toSpliced(i, 1), words: `without “${one}”` }] : []),
    ...(i > 0
      ? [{ text: texts.with(i - 1, one).with(i, texts[i - 1]!), words: `“${one}” before “${texts[i - 1]}”` }]
      : []),
  ]);
}

/**
 * Every sensible way to break an entry in one place, derived from the descriptions of its options. The reader
 * of documents decides whether a result is valid.
 */
export function entryMutants(
  kind: string,
  options: Options,
  entry: Readonly<Record<string, unknown>>,
  classes: readonly string[],
): readonly EntryMutant[] {
  return Object.entries(options).flatMap(([name, option]): readonly EntryMutant[] => {
    if (option.drawn && option.is !== 'whole') return [];
    const value = entry[name] ?? ('usual' in option ? option.usual : undefined);
    const mutants = textMutants[kind]?.[name];
    if (option.is === 'text' && mutants && typeof value === 'string')
      return mutants(value, classes).map(({ text, words }) => ({
        option: name,
        words,
        entry: { ...entry, [name]: text },
      }));
    if (option.is === 'text' && Array.isArray(value))
      return listMutants(mutants, value as readonly string[], classes).map(({ text, words }) => ({
        option: name,
        words,
        entry: { ...entry, [name]: text },
      }));
    const { [name]: _, ...rest } = entry;
    const gone: readonly Other[] = name in entry && !option.needed ? [[undefined, 'default']] : [];
    return [...(option.drawn ? [] : others(option, value)), ...gone]
      .filter(([other], i, all) => !same(other, value) && all.findIndex(([one]) => same(one, other)) === i)
      .map(([other, words]) => ({
        option: name,
        words: `${option.label.toLowerCase()}: ${words}`,
        entry: other === undefined ? rest : { ...entry, [name]: other },
      }));
  });
}
