export { fromHtml } from './from-html.ts';
export { fromSchema } from './from-schema.ts';
export {
  beginningOf,
  type Column,
  fromTable,
  localeIn,
  misfitsOf,
  type Names,
  namesIn,
  rowsOf,
} from './from-table.ts';
export type { Guess, Misfit } from './guesses.ts';
export { type PatternOf, patternOf } from './pattern-of.ts';
export { type Dropped, type Imported, sanitize } from './sanitize.ts';
export { objectIn, type SourceFormat, sourceFormatOf } from './source-format.ts';
