import { fieldIdsOf, languageOf, type SetDocument } from '@arbeit/engine/document';
import { targetOf } from '../../model/trial-edits.ts';
import { messageLanguages } from '../../ui/locales.ts';
import * as words from '../../words/handoff/choice.ts';

/** What a hand-off contains of a set: ids of fields and forms, the uses, and further languages. */
export interface Choice {
  readonly fields: readonly string[];
  readonly forms: readonly string[];
  readonly uses: readonly UseName[];
  /** Languages a page can change to (BCP 47), besides its own. */
  readonly languages: readonly string[];
}

/** Labels of uses, by the names the builder has for them. */
export const useNames = {
  element: words.customElements,
  dom: words.plainJavascript,
  react: words.react,
  native: words.reactNative,
  vue: words.vue,
  svelte: words.svelte,
  server: words.serverCheck,
  html: words.htmlOnlyNoJavascript,
  sql: words.postgresqlDomains,
  trials: words.trialsAsTests,
  apps: words.applications,
} as const;
export type UseName = keyof typeof useNames;

/** A choice of everything in a set, in its own language. */
export const everything = ({ fields, forms = [] }: SetDocument): Choice => ({
  fields: fields.map(({ id }) => id),
  forms: forms.map(({ id }) => id),
  // The keys are the names.
  uses: Object.keys(useNames) as UseName[],
  languages: [],
});

/**
 * Languages that a hand-off can contain besides that of its set: those the set has texts in, and those of
 * default messages.
 */
export const languagesOf = (set: SetDocument): readonly string[] =>
  [...new Set([...Object.keys(set.texts ?? {}), ...messageLanguages])]
    .filter((tag) => tag !== languageOf({}, set).split('-')[0] && tag !== languageOf({}, set))
    .sort();

/**
 * The command that builds the same folder, if the command line can: it builds all fields and forms of a set.
 */
export function commandFor(set: SetDocument, id: string, choice: Choice): string | undefined {
  const { forms = [], fields } = set;
  const needed = taken(set, choice.forms);
  const isWhole =
    forms.every((form) => choice.forms.includes(form.id)) &&
    fields.every((field) => choice.fields.includes(field.id) || needed.has(field.id));
  if (!isWhole) return undefined;
  const isEvery = choice.uses.length === Object.keys(useNames).length;
  return [
    `arbeit build ${id}.arbeit.json`,
    ...(isEvery ? [] : choice.uses.map((use) => `--for ${use}`)),
    ...choice.languages.map((tag) => `--language ${tag}`),
  ].join(' ');
}

/**
 * The part of a set that a choice contains. A form takes its fields with it; trials of what is left out are
 * left out too.
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
  // In the order of the set and without empty lists, so that a choice of everything gives the same document,
  // byte for byte.
  const { forms: _, ...withoutForms } = all;
  const own: SetDocument = kept.length ? all : withoutForms;
  const { trials: __, ...withoutTrials } = own;
  return trials.length ? own : withoutTrials;
}

/** Fields that are included because a chosen form contains them. */
export const taken = ({ forms = [] }: SetDocument, chosenForms: readonly string[]): ReadonlySet<string> =>
  new Set(forms.filter(({ id }) => chosenForms.includes(id)).flatMap(fieldIdsOf));
