import type { Languages } from '../wording.ts';
import { english } from './english.ts';
import { french } from './french.ts';
import { german } from './german.ts';
import { italian } from './italian.ts';
import { japanese } from './japanese.ts';
import { spanish } from './spanish.ts';

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
};
