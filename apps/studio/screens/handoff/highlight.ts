import { html } from '@codemirror/lang-html';
import { javascriptLanguage, jsxLanguage, tsxLanguage } from '@codemirror/lang-javascript';
import type { Parser } from '@lezer/common';
import { highlightTree, tagHighlighter, tags } from '@lezer/highlight';

/** A run of text in one colour; `''` is the page's own. */
export interface Run {
  readonly text: string;
  readonly ink: '' | 'word' | 'quoted' | 'aside' | 'name';
}

/** The editor's colours: keywords in green, strings and comments quieter. */
const inks = tagHighlighter([
  { tag: [tags.keyword, tags.modifier, tags.operatorKeyword], class: 'word' },
  {
    tag: [tags.string, tags.number, tags.bool, tags.null, tags.attributeValue, tags.regexp],
    class: 'quoted',
  },
  { tag: [tags.comment, tags.meta], class: 'aside' },
  { tag: [tags.tagName, tags.attributeName, tags.propertyName], class: 'name' },
]);

const parsers: Readonly<Record<string, Parser>> = {
  js: javascriptLanguage.parser,
  json: javascriptLanguage.parser,
  jsx: jsxLanguage.parser,
  mjs: javascriptLanguage.parser,
  ts: tsxLanguage.parser,
  tsx: tsxLanguage.parser,
  html: html().language.parser,
  vue: html().language.parser,
  svelte: html().language.parser,
};

/** Longer texts are shown in one colour, in characters: nobody reads them whole. */
const mostHighlighted = 120_000;

/** A text as coloured runs, with its lines kept. */
export function highlighted(text: string, language: string): readonly Run[] {
  const parser = parsers[language];
  if (!parser || text.length > mostHighlighted) return [{ text, ink: '' }];
  const runs: Run[] = [];
  let at = 0;
  const upTo = (end: number, ink: Run['ink']): void => {
    if (end > at) runs.push({ text: text.slice(at, end), ink });
    at = end;
  };
  highlightTree(parser.parse(text), inks, (from, to, classes) => {
    upTo(from, '');
    upTo(to, classes as Run['ink']);
  });
  upTo(text.length, '');
  return runs;
}
