import type { Check } from './rule.ts';

/**
 * What messages say where a document says nothing of its own, in one language, by code: short, in the user's terms, and
 * saying what to do. `{…}` is message data. It is handed to `compile`, which puts into each rule just the texts of its codes:
 * a page carries those and no table of them.
 */
export type Wording = Readonly<Record<string, string>>;

/** Wordings by language (BCP 47, language subtag). */
export type Languages = Readonly<Record<string, Wording>>;

/** The codes each check can fail with; a kind may bring others to `complete`. */
const codes: Readonly<Record<Check['type'], readonly string[]>> = {
  required: ['required'],
  complete: ['incomplete'],
  length: ['too-short', 'too-long'],
  matches: ['no-match'],
  in: ['not-allowed'],
  'not-in': ['not-allowed'],
  checksum: ['bad-checksum'],
  range: ['below-min', 'above-max', 'off-step'],
  'not-trivial': ['trivial'],
  compare: ['differs'],
  custom: ['check-broken', 'incomplete'],
  remote: ['unreachable', 'not-allowed'],
};

/** Checks that a kind may answer itself, in its own words. */
const ownWords: readonly Check['type'][] = ['required', 'complete', 'range'];

/** A language's wording; where it has none, the English one or the first there is. */
export const wordingFor = (languages: Languages, locale: string): Wording =>
  languages[locale.split('-')[0] ?? ''] ?? languages.en ?? Object.values(languages)[0] ?? {};

/** The texts for the codes of a check: the kind's own where it has them. Whatever else it has is of `complete`. */
export function wordsOf(check: Check, all: Wording, own: Wording): Wording {
  const words: Record<string, string> = {};
  const isOwn = ownWords.includes(check.type);
  for (const code of codes[check.type]) words[code] = (isOwn && own[code]) || all[code] || code;
  if (check.type !== 'complete') return words;
  const known = Object.values(codes).flat();
  for (const [code, text] of Object.entries(own))
    if (!known.includes(code) || ofComplete(code)) words[code] = text;
  return words;
}

/** Codes of other checks with which a kind may say that what stands there is none of its values. */
const ofComplete = (code: string): boolean => code === 'not-allowed' || code === 'incomplete';
