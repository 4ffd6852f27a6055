import { checksum } from './checksum/words.ts';
import { compare } from './compare/words.ts';
import { complete } from './complete/words.ts';
import type { CheckTable, CheckWords } from './contract.ts';
import { custom } from './custom/words.ts';
import { among } from './in/words.ts';
import { length } from './length/words.ts';
import { matches } from './matches/words.ts';
import { notAmong } from './not-in/words.ts';
import { notTrivial } from './not-trivial/words.ts';
import { range } from './range/words.ts';
import type { CheckType } from './registry.ts';
import { remote } from './remote/words.ts';
import { required } from './required/words.ts';
import type { WordsOf } from './words-of.ts';

export { comparisons } from './compare/words.ts';
export { besideLimit } from './range/beside-limit.ts';

/**
 * What screens say of each check, in the order in which menus offer them. Apart from the registry: a page
 * that shows rules carries this, and nothing that reads documents.
 */
const words: { readonly [T in CheckType]: WordsOf<T> } = {
  required,
  range,
  length,
  matches,
  in: among,
  'not-in': notAmong,
  'not-trivial': notTrivial,
  checksum,
  custom,
  remote,
  complete,
  compare,
};

/**
 * The types of all checks in the order of menus; `more` are checks that do not come with this package.
 *
 * @example
 * typesInMenus().includes('range'); // true
 */
export const typesInMenus = (more: CheckTable = {}): readonly string[] => [
  ...Object.keys(words),
  ...Object.keys(more),
];

/** For a check nobody has words for: its type. */
const plain: CheckWords = {
  starts: () => [],
  inWords: ({ type }) => type,
  codeOf: ({ type }) => type,
};

/**
 * What screens say about checks of a type; `more` are checks that do not come with this package.
 *
 * @example
 * wordsOfCheck('required').inWords({ type: 'required' }, String, undefined); // 'is required'
 */
export const wordsOfCheck = (type: string, more: CheckTable = {}): CheckWords =>
  // Each entry receives only checks of its own type, by whose name it was found.
  ((Object.hasOwn(words, type) ? words[type as CheckType] : more[type]?.words) as CheckWords | undefined) ??
  plain;
