import * as words from '../../words/desk/attributes.ts';

/** An input attribute (HTML) that a field can set. */
export interface BrowserAttribute {
  readonly name: keyof typeof words.short;
  /** Its short name in the summary line. */
  readonly short: string;
}

const names = Object.keys(words.short) as BrowserAttribute['name'][];

/** The input attributes in the order of their rows. */
export const attributes: readonly BrowserAttribute[] = names.map((name) => ({
  name,
  short: words.short[name],
}));
