import type { Languages } from '../wording.ts';
import { arabic } from './arabic.ts';
import { chinese } from './chinese.ts';
import { dutch } from './dutch.ts';
import { english } from './english.ts';
import { french } from './french.ts';
import { german } from './german.ts';
import { italian } from './italian.ts';
import { japanese } from './japanese.ts';
import { polish } from './polish.ts';
import { portuguese } from './portuguese.ts';
import { spanish } from './spanish.ts';
import { swedish } from './swedish.ts';

/**
 * Default messages of all languages that ship, by language subtag (BCP 47). Each language is also a module
 * of its own, so that a page fetches only those it needs.
 *
 * @example
 * const german = languages.de;
 */
export const languages: Languages = {
  en: english,
  de: german,
  fr: french,
  es: spanish,
  it: italian,
  ja: japanese,
  pt: portuguese,
  nl: dutch,
  pl: polish,
  sv: swedish,
  zh: chinese,
  ar: arabic,
};
