import type { SetDocument } from '@arbeit/engine/document';
import {
  type Column,
  type Dropped,
  fromHtml,
  fromSchema,
  fromTable,
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
    }
  | { readonly is: 'nothing'; readonly why: string };

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
    const rows = rowsOf(text);
    const { names = namesIn(rows), locale = localeIn(rows) } = said;
    const columns = fromTable(rows, names, locale);
    return columns.length
      ? { is: 'columns', columns, names, locale }
      : {
          is: 'nothing',
          why: words.noColumnNamesFound,
        };
  } catch (error) {
    return { is: 'nothing', why: words.thisIsNotAValid((error as Error).message) };
  }
}

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

/** The set of the confirmed columns, each as the chosen guess. */
export const setOfColumns = (
  { title, locale }: Pick<SetDocument, 'title' | 'locale'>,
  columns: readonly Column[],
  chosen: ReadonlyMap<string, number>,
  wanted: ReadonlySet<string>,
): SetDocument => {
  const drafts = columns.flatMap(({ name, guesses }) => {
    const guess = guesses[chosen.get(name) ?? 0] ?? guesses[0];
    return guess && wanted.has(name) ? [{ field: guess.field }] : [];
  });
  return sanitize({ title, locale, form: undefined }, drafts, []).set;
};
