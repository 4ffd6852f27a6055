import type { SetDocument } from '@arbeit/engine/document';
import { problemIn } from '../../model/other-sets.ts';
import { removeField, renameField } from '../../model/references.ts';

/** One side of a comparison: the current set, a revision of it, or another set; all of it, or one field. */
export interface Side {
  /** `now`, `revision 7`, or `set` and the key of another set. */
  readonly of: string;
  /** Id of a field; '' for all of it. */
  readonly field: string;
}

/** The document of a side. Rejects with an error message. */
export async function documentOf(of: string, setKey: string, now: SetDocument): Promise<SetDocument> {
  if (of === 'now') return now;
  const [what, key = ''] = of.split(' ');
  const path = what === 'revision' ? `/api/sets/${setKey}/revisions/${key}` : `/api/sets/${key}`;
  const response = await fetch(path).catch(() => undefined);
  const problem = await problemIn(response);
  if (problem || !response) throw new Error(problem);
  return ((await response.json()) as { document: SetDocument }).document;
}

/**
 * A set with only one field, under an id that both sides have. Whatever depends on other fields is left out.
 */
function fieldAlone(document: SetDocument, id: string): SetDocument {
  const others = document.fields.filter((field) => field.id !== id).map((field) => field.id);
  const { trials: _, forms: __, ...rest } = others.reduce(removeField, document);
  return id === 'field' ? rest : renameField(rest, id, 'field');
}

/** The documents to compare: if either side is a field, both are, under the same id. */
export function bothReady(
  [before, after]: readonly [SetDocument, SetDocument],
  [one, other]: readonly [Side, Side],
): readonly [SetDocument, SetDocument] {
  if (!one.field && !other.field) return [before, after];
  return [fieldAlone(before, one.field || other.field), fieldAlone(after, other.field || one.field)];
}
