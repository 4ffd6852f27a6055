import { intl } from '../values/intl.ts';
import type { Check } from './rule.ts';

/** How a check finds its texts in a message table. */
interface Worded {
  readonly codes: readonly string[];
  readonly isWordedByKinds?: true;
  wordedAs?(check: never): string;
  readonly counts?: readonly string[];
}

/**
 * Default messages in one language, by code, for rules without a message of their own: short, in the user's
 * terms, and saying what to do. `{…}` is message data. `compile` copies into each rule only the texts of its
 * codes, so a page loads no table. A key `kind/code` (`date/no-such-date`) applies to that kind only.
 */
export type Wording = Readonly<Record<string, string | Plural>>;

/**
 * A text with plural forms (`Intl.PluralRules`, CLDR categories) for a number of the rule. The form is chosen
 * when the rule is compiled.
 */
export interface Plural {
  /** Name of the number. */
  readonly by: string;
  readonly zero?: string;
  readonly one?: string;
  readonly two?: string;
  readonly few?: string;
  readonly many?: string;
  readonly other: string;
}

/**
 * The plural categories of CLDR, in the order in which editors show them.
 *
 * @example
 * pluralCategories.includes('few'); // true
 */
export const pluralCategories = ['zero', 'one', 'two', 'few', 'many', 'other'] as const;

/**
 * The numbers of a check that plural forms can use, by name.
 *
 * @example
 * numbersOf({ min: 2, max: '5' }); // { min: 2, max: 5 }
 */
export function numbersOf(check: object): Readonly<Record<string, number>> {
  const { min, max, days } = check as { min?: unknown; max?: unknown; days?: unknown };
  return Object.fromEntries(
    Object.entries({ min, max, days }).flatMap(([name, value]) =>
      typeof value === 'number' || (typeof value === 'string' && /^\d+(?:\.\d+)?$/.test(value))
        ? [[name, Number(value)]]
        : [],
    ),
  );
}

/**
 * The plural form of a text for the numbers of its check, in a locale; `other` if the check has no number of
 * that name.
 *
 * @example
 * formOf({ by: 'min', one: '1 character', other: '{min} characters' }, { min: 1 }, 'en'); // '1 character'
 */
export function formOf(text: string | Plural, check: object, locale: string): string {
  if (typeof text === 'string') return text;
  const number = numbersOf(check)[text.by];
  const category = number === undefined ? 'other' : intl(Intl.PluralRules, locale, {}).select(number);
  return text[category] ?? text.other;
}

/**
 * A message for the numbers of its check: in its plural form, and with its counts written in a language.
 *
 * @example
 * sayOf('At most {max}', { max: 1000 }, { counts: ['max'] }, 'en'); // 'At most 1,000'
 */
export function sayOf(
  text: string | Plural,
  check: object,
  { counts = [] }: Pick<Worded, 'counts'>,
  language: string,
): string {
  const numbers = numbersOf(check);
  return counts.reduce(
    (said, name) => {
      const count = numbers[name];
      return count === undefined
        ? said
        : said.replaceAll(`{${name}}`, intl(Intl.NumberFormat, language, {}).format(count));
    },
    formOf(text, check, language),
  );
}

/** Default messages by language subtag (BCP 47). */
export type Languages = Readonly<Record<string, Wording>>;

/**
 * The messages in the language of a locale; if it has none, the English ones, or those of the first
 * language.
 *
 * @example
 * const messages = wordingFor(languages, 'de-CH');
 */
export const wordingFor = (languages: Languages, locale: string): Wording =>
  languages[locale.split('-')[0] ?? ''] ?? languages.en ?? Object.values(languages)[0] ?? {};

/** The messages of a kind: those whose key begins with its name. */
export function ownOf(wording: Wording, kind: string): Wording {
  const prefix = `${kind}/`;
  const own = Object.entries(wording).filter(([code]) => code.startsWith(prefix));
  return Object.fromEntries(own.map(([code, text]) => [code.slice(prefix.length), text]));
}

/**
 * The texts of a check's codes, in their plural forms. Kinds' own texts come first for checks that allow
 * them. `complete` also gets the kind's texts of codes that no check in `known` has.
 */
export function wordsOf(
  check: Check,
  compiler: Worded,
  { all, own, known }: { readonly all: Wording; readonly own: Wording; readonly known: readonly string[] },
  language: string,
): Readonly<Record<string, string>> {
  const { codes, isWordedByKinds } = compiler;
  // The compiler of a type receives checks of that type, which TypeScript cannot infer.
  const key = compiler.wordedAs?.(check as never);
  const words: Record<string, string> = {};
  const say = (text: string | Plural): string => sayOf(text, check, compiler, language);
  for (const code of codes)
    words[code] = say((isWordedByKinds && own[code]) || (key && all[key]) || all[code] || code);
  if (check.type !== 'complete') return words;
  for (const [code, text] of Object.entries(own))
    if (!known.includes(code) || ofComplete(code)) words[code] = say(text);
  return words;
}

/** Codes of other checks that a kind may use to say that the text is none of its values. */
const ofComplete = (code: string): boolean => ['not-allowed', 'incomplete', 'no-match'].includes(code);
