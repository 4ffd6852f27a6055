import { type CompiledSet, compile, inLanguage, languageOf, type SetDocument } from '@arbeit/engine/document';
import { misuse, say } from '@arbeit/engine/faults';
import { dehydrate } from '@arbeit/engine/field';
import { type LanguageTexts, patchBetween } from '@arbeit/engine/form';
import type { KindTable } from '@arbeit/engine/kinds';
import { languages, wordingFor } from '@arbeit/engine/rules';
import { keyOf } from '../names.ts';
import { buildTexts } from '../texts.ts';

/** Data as JSON has it: what is undefined is absent. */
const asJson = (value: unknown): unknown => JSON.parse(JSON.stringify(value));

/**
 * The fields and forms of a set in another language; formats stay as they are. Throws `RangeError` for a tag
 * that is none (BCP 47).
 */
export function compiledIn(set: SetDocument, language: string, kinds: KindTable): CompiledSet {
  if (!isTag(language)) throw misuse(say(buildTexts, 'no-language', { tag: language }));
  const base = languageOf({}, set);
  // With a language of its own, a set keeps its locale.
  return compile(language === base ? set : inLanguage({ ...set, language: base }, language), kinds);
}

/** The texts of a set in another language: what differs from its definitions. */
export function textsIn(set: SetDocument, language: string, kinds: KindTable): LanguageTexts {
  const one = compile(set, kinds);
  const other = compiledIn(set, language, kinds);
  const all = <T extends { readonly id: string }>(
    before: readonly T[],
    after: readonly T[],
    data: (of: T) => unknown,
  ): LanguageTexts['fields'] =>
    Object.fromEntries(
      before.flatMap((own, i) => {
        const patch = patchBetween(asJson(data(own)), asJson(data(after[i]!)));
        return patch ? [[own.id, patch]] : [];
      }),
    );
  return {
    language,
    fields: all(one.fields, other.fields, dehydrate),
    forms: all(one.forms, other.forms, ({ title, rules }) => ({ title, rules })),
    server: { 'not-allowed': String(wordingFor(languages, language)['not-allowed']) },
  };
}

function isTag(text: string): boolean {
  try {
    return Intl.getCanonicalLocales(text)[0] === text;
  } catch {
    return false;
  }
}

/** `languages.js` and a module per language, which a page loads when it needs it. */
export function languageFiles(
  set: SetDocument,
  tags: readonly string[],
  kinds: KindTable,
): ReadonlyMap<string, string> {
  const files = new Map<string, string>();
  if (tags.length === 0) return files;
  const loads = tags.map((tag) => `  ${keyOf(tag)}: () => import('./languages/${tag}.js'),`);
  files.set(
    'languages.js',
    [
      "export { translateField, translateForm } from './run-time/languages.js';",
      '/** Loads the texts of a language. */',
      'export const languages = {',
      ...loads,
      '};',
      '',
    ].join('\n'),
  );
  files.set(
    'languages.d.ts',
    [
      "import type { LanguageTexts } from './types/engine/form/index.js';",
      "export { type LanguageTexts, translateField, translateForm } from './types/engine/form/index.js';",
      '/** Loads the texts of a language. */',
      'export declare const languages: {',
      ...tags.map((tag) => `  readonly ${keyOf(tag)}: () => Promise<{ readonly texts: LanguageTexts }>;`),
      '};',
      '',
    ].join('\n'),
  );
  for (const tag of tags) {
    const texts = textsIn(set, tag, kinds);
    files.set(`languages/${tag}.js`, `export const texts = ${JSON.stringify(texts)};\n`);
    files.set(
      `languages/${tag}.d.ts`,
      "import type { LanguageTexts } from '../types/engine/form/index.js';\nexport declare const texts: LanguageTexts;\n",
    );
  }
  return files;
}
