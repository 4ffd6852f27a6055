import type { Languages } from '../wording.ts';
import { english } from './english.ts';
import { french } from './french.ts';
import { german } from './german.ts';
import { italian } from './italian.ts';
import { japanese } from './japanese.ts';
import { spanish } from './spanish.ts';

/** The languages that ship, by subtag (BCP 47). Each is a module of its own as well: a page fetches those its fields are in. */
export const languages: Languages = {
  en: english,
  de: german,
  fr: french,
  es: spanish,
  it: italian,
  ja: japanese,
};
