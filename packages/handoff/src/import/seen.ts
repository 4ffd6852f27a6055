import { readFileSync } from 'node:fs';
import { compile, readDocument, type SetDocument } from '@arbeit/engine/document';
import { kinds } from '@arbeit/engine/kinds';
import type { Imported } from './sanitize.ts';

/** What tests of the import share. */
export const demo = JSON.parse(
  readFileSync(new URL('../../../../apps/studio/demo/ridge-huts.arbeit.json', import.meta.url), 'utf8'),
) as SetDocument;

export const seed = Number(process.env.ARBEIT_SEED ?? 20270210);

/** The set of an import that must compile. */
export const sound = ({ set }: Imported): SetDocument => {
  const result = readDocument(structuredClone(set), kinds);
  if (!result.ok) throw new RangeError(JSON.stringify(result.faults));
  compile(result.document, kinds);
  return result.document;
};
