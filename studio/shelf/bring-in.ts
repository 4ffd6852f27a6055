import type { SetDocument } from '@arbeit/engine/document';
import {
  type Column,
  fromHtml,
  fromSchema,
  fromTable,
  type Lost,
  type Names,
  namesIn,
  objectIn,
  rowsOf,
  type Sort,
  soundSet,
} from '@arbeit/handoff/way-in';

/** What a text comes to as something that is no document: a set to choose fields from, or columns to be confirmed. */
export type Brought =
  | { readonly is: 'set'; readonly set: SetDocument; readonly lost: readonly Lost[] }
  | {
      readonly is: 'columns';
      readonly columns: readonly Column[];
      readonly names: Names;
      readonly rows: number;
    }
  | { readonly is: 'nothing'; readonly why: string };

/** Reads a text as what it is said to be. `names` says where a table has its names, where somebody has said so. */
export function broughtFrom(text: string, sort: Exclude<Sort, 'document'>, names?: Names): Brought {
  switch (sort) {
    case 'html': {
      const found = fromHtml(text);
      return found.set.fields.length || found.lost.length
        ? { is: 'set', ...found }
        : { is: 'nothing', why: 'There is no input, list or text area in it.' };
    }
    case 'schema': {
      const root = objectIn(text);
      return typeof root === 'string'
        ? { is: 'nothing', why: root }
        : { is: 'set', ...fromSchema(text, root) };
    }
    case 'table':
      return columnsFrom(text, names);
  }
}

function columnsFrom(text: string, said: Names | undefined): Brought {
  try {
    const rows = rowsOf(text);
    const names = said ?? namesIn(rows);
    const columns = fromTable(rows, names);
    return columns.length
      ? { is: 'columns', columns, names, rows: rows.length }
      : {
          is: 'nothing',
          why: 'There is no name in it: a table has its names above its columns or before its rows.',
        };
  } catch (error) {
    return { is: 'nothing', why: `This is no table: ${(error as Error).message}` };
  }
}

/** The set of the fields that are wanted; its forms with those of them they have. */
export function wantedOf(set: SetDocument, wanted: ReadonlySet<string>): SetDocument {
  const fields = set.fields.filter(({ id }) => wanted.has(id));
  if (!set.forms) return { ...set, fields };
  const { forms, ...rest } = set;
  const kept = forms.flatMap((form) => {
    const ids = form.fields?.filter((id) => wanted.has(id));
    return ids?.length || form.sections ? [ids ? { ...form, fields: ids } : form] : [];
  });
  const isWhole = fields.length === set.fields.length;
  return isWhole ? set : { ...rest, fields, ...(kept.length ? { forms: kept } : {}) };
}

/** The set of the columns as they are confirmed: of each the guess that was chosen. */
export const setOfColumns = (
  title: string,
  columns: readonly Column[],
  chosen: ReadonlyMap<string, number>,
  wanted: ReadonlySet<string>,
): SetDocument => {
  const drafts = columns.flatMap(({ name, guesses }) => {
    const guess = guesses[chosen.get(name) ?? 0] ?? guesses[0];
    return guess && wanted.has(name) ? [{ field: guess.field }] : [];
  });
  return soundSet({ title, locale: 'en-GB', form: undefined }, drafts, []).set;
};
