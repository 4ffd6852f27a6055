import type { SetDocument } from '@arbeit/engine/document';
import {
  beginningOf,
  type Column,
  type Dropped,
  fromHtml,
  fromSchema,
  fromTable,
  type Guess,
  localeIn,
  type Names,
  namesIn,
  objectIn,
  rowsOf,
  type SourceFormat,
  sanitize,
} from '@arbeit/handoff/import';
import * as words from '../../words/shelf/import-preview.ts';

/** The preview of a text that is not a document: a set to choose fields from, or columns to confirm. */
export type ImportPreview =
  | { readonly is: 'set'; readonly set: SetDocument; readonly lost: readonly Dropped[] }
  | {
      readonly is: 'columns';
      readonly columns: readonly Column[];
      readonly names: Names;
      readonly locale: string;
      /** Whether there are rows behind those that were looked at. */
      readonly isPart: boolean;
    }
  | { readonly is: 'nothing'; readonly why: string };

/** Rows of a table that the preview looks at: it is drawn at once. */
export const mostRows = 500;

/** What the user has set for a table: where its names are, and the locale of its cells. */
export interface TableAnswers {
  readonly names?: Names | undefined;
  readonly locale?: string | undefined;
}

/** Reads a text in the given format. */
export function previewImport(
  text: string,
  sort: Exclude<SourceFormat, 'document'>,
  said: TableAnswers = {},
): ImportPreview {
  switch (sort) {
    case 'html': {
      const found = fromHtml(text);
      return found.set.fields.length || found.lost.length
        ? { is: 'set', ...found }
        : { is: 'nothing', why: words.noFormControlsFound };
    }
    case 'schema': {
      const root = objectIn(text);
      return typeof root === 'string'
        ? { is: 'nothing', why: root }
        : { is: 'set', ...fromSchema(text, root) };
    }
    case 'table':
      return columnsFrom(text, said);
  }
}

function columnsFrom(text: string, said: TableAnswers): ImportPreview {
  try {
    const beginning = beginningOf(text, mostRows);
    const isPart = text.slice(beginning.length).trimStart() !== '';
    const rows = rowsOf(beginning);
    const { names = namesIn(rows), locale = localeIn(rows) } = said;
    const columns = fromTable(rows, names, locale);
    return columns.length
      ? { is: 'columns', columns, names, locale, isPart }
      : {
          is: 'nothing',
          why: words.noColumnNamesFound,
        };
  } catch (error) {
    return { is: 'nothing', why: words.thisIsNotAValid((error as Error).message) };
  }
}

/** The id that a column's field will have: another for each, where columns have one name. */
export const idOf = ({ guesses }: Column): string => guesses[0]?.field.id ?? '';

/** What a column is taken for: the chosen guess if there is one, or the likeliest. */
export const guessOf = (column: Column, chosen: ReadonlyMap<string, string>): Guess | undefined =>
  column.guesses.find(({ what }) => what === chosen.get(idOf(column))) ?? column.guesses[0];

/** The set with only the wanted fields; its forms keep those of them that they have. */
export function wantedOf(set: SetDocument, wanted: ReadonlySet<string>): SetDocument {
  const fields = set.fields.filter(({ id }) => wanted.has(id));
  if (!set.forms) return { ...set, fields };
  const { forms, ...rest } = set;
  const kept = forms.flatMap((form) => {
    const { fields: ids, sections, ...more } = form;
    const left = ids?.filter((id) => wanted.has(id));
    const parts = sections
      ?.map((section) => ({ ...section, fields: section.fields.filter((id) => wanted.has(id)) }))
      .filter((section) => section.fields.length > 0);
    if (!left?.length && !parts?.length) return [];
    return [{ ...more, ...(left ? { fields: left } : { sections: parts ?? [] }) }];
  });
  const isWhole = fields.length === set.fields.length;
  return isWhole ? set : { ...rest, fields, ...(kept.length ? { forms: kept } : {}) };
}

/**
 * The set of the confirmed columns, each as the chosen guess.
 *
 * @param chosen What columns were said to be, by id.
 * @param unwanted Ids of the columns to leave out.
 */
export const setOfColumns = (
  { title, locale }: Pick<SetDocument, 'title' | 'locale'>,
  columns: readonly Column[],
  chosen: ReadonlyMap<string, string>,
  unwanted: ReadonlySet<string>,
): SetDocument => {
  const drafts = columns.flatMap((column) => {
    const guess = guessOf(column, chosen);
    return guess && !unwanted.has(idOf(column)) ? [{ field: guess.field }] : [];
  });
  return sanitize({ title, locale, form: undefined }, drafts, []).set;
};
