import type { FieldDocument, FormDocument, SetDocument } from '@arbeit/engine/document';

/** A text or number that two versions of a set have differently. */
export interface BothTexts {
  /** What it belongs to: a field or form by label, or the set; and the member. */
  readonly of: string;
  readonly member: string;
  /** Its value in each version; `undefined` where it is missing. */
  readonly theirs: string | undefined;
  readonly mine: string | undefined;
}

/** Members that are one text or number. */
const members = [
  'label',
  'title',
  'hint',
  'placeholder',
  'initial',
  'locale',
  'language',
  'messages',
] as const;

const said = (value: unknown): string | undefined =>
  typeof value === 'string' || typeof value === 'number' ? String(value) : undefined;

/** The texts and numbers of fields, forms and the set itself that differ, in both versions. */
export function bothTexts(theirs: SetDocument, mine: SetDocument): readonly BothTexts[] {
  const pairs: (readonly [string, object, object])[] = [['', theirs, mine]];
  const named = (one: FieldDocument | FormDocument): string =>
    ('label' in one ? one.label : 'title' in one ? one.title : '') || one.id;
  for (const list of ['fields', 'forms'] as const)
    for (const one of theirs[list] ?? []) {
      const other = (mine[list] as readonly (FieldDocument | FormDocument)[] | undefined)?.find(
        ({ id }) => id === one.id,
      );
      if (other) pairs.push([named(one), one, other]);
    }
  return pairs.flatMap(([of, a, b]) =>
    members.flatMap((member) => {
      const [first, second] = [a, b].map((side) => said((side as Record<string, unknown>)[member]));
      return first === second ? [] : [{ of, member, theirs: first, mine: second }];
    }),
  );
}
