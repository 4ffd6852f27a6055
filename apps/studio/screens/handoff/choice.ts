import { fieldIdsOf, type SetDocument } from '@arbeit/engine/document';
import { targetOf } from '../../model/trial-edits.ts';

/** What goes along of a set: fields and forms by id, and the uses they are for. */
export interface Choice {
  readonly fields: readonly string[];
  readonly forms: readonly string[];
  readonly uses: readonly UseName[];
}

/** Uses by the names the builder knows them by, with what people call them. */
export const useNames = {
  element: 'Element',
  dom: 'Plain script',
  react: 'React',
  vue: 'Vue',
  svelte: 'Svelte',
  server: 'Server check',
  html: 'HTML without scripts',
  trials: 'Tests of its trials',
} as const;
export type UseName = keyof typeof useNames;

/** Everything a set has. */
export const everything = ({ fields, forms = [] }: SetDocument): Choice => ({
  fields: fields.map(({ id }) => id),
  forms: forms.map(({ id }) => id),
  // Their keys are their names.
  uses: Object.keys(useNames) as UseName[],
});

/**
 * The set as far as it goes along: a form takes its fields with it, and of what is left out nothing stays
 * behind, its trials neither.
 */
export function chosen(set: SetDocument, { fields, forms }: Pick<Choice, 'fields' | 'forms'>): SetDocument {
  const kept = (set.forms ?? []).filter(({ id }) => forms.includes(id));
  const needed = new Set([...fields, ...kept.flatMap(fieldIdsOf)]);
  const trials = (set.trials ?? []).filter((trial) => {
    const target = targetOf(trial);
    return target?.type === 'form'
      ? forms.includes(target.id)
      : target !== undefined && needed.has(target.id);
  });
  const all = { ...set, fields: set.fields.filter(({ id }) => needed.has(id)), forms: kept, trials };
  // In the order of the set, so that the whole of it is the same document, byte for byte; without lists of
  // nothing.
  const { forms: _, ...withoutForms } = all;
  const own: SetDocument = kept.length ? all : withoutForms;
  const { trials: __, ...withoutTrials } = own;
  return trials.length ? own : withoutTrials;
}

/** Fields that go along whether or not they are chosen: a form that goes along has them. */
export const taken = ({ forms = [] }: SetDocument, chosenForms: readonly string[]): ReadonlySet<string> =>
  new Set(forms.filter(({ id }) => chosenForms.includes(id)).flatMap(fieldIdsOf));
