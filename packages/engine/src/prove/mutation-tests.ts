import type { CheckTable } from '../checks/contract.ts';
import {
  type CompiledSet,
  compile,
  compileForm,
  type RunCustomCode,
  withCustomCode,
} from '../document/compile.ts';
import { compileField } from '../document/compile-field.ts';
import { fieldIdsOf, type SetDocument } from '../document/document.ts';
import { dehydrate } from '../field/kind.ts';
import type { HydratedForm } from '../form/form.ts';
import type { KindTable } from '../kinds/contract/definition.ts';
import { languages } from '../rules/wording/all.ts';
import { parseTape } from '../tape/parse-tape.ts';
import { holds, runTrial, type Trial } from '../tape/trial.ts';
import { findDifference } from './distinguish.ts';
import { mutationsOf, type SetMutation } from './mutations.ts';

/** How the trials of a set react to one mutant. */
export type MutantStatus =
  /** A trial fails. */
  | { readonly is: 'caught'; readonly by: string }
  /**
   * No trial fails. A trial that would is proposed: by the id of one that was proposed before, or a new one.
   */
  | { readonly is: 'missed'; readonly trial: Trial; readonly isNew: boolean }
  /** The mutant is equivalent: it compiles to the same. */
  | { readonly is: 'same' }
  /** No trial fails, and no tape that would tell was found in this many tries. */
  | { readonly is: 'unknown'; readonly tries: number };

/** A mutant of a set, and how its trials react to it. */
export type MutantResult = Pick<SetMutation, 'id' | 'target' | 'words'> & { readonly status: MutantStatus };

/** How far the mutation tests are, and what is new. */
export interface MutationProgress {
  readonly done: number;
  readonly of: number;
  readonly proven?: MutantResult;
}

type Target = SetMutation['target'];

/**
 * Everything in a set that mutation tests can change.
 *
 * @example
 * const targets = targetsOf(set);
 */
export const targetsOf = ({
  fields,
  forms = [],
}: Pick<SetDocument, 'fields' | 'forms'>): readonly Target[] => [
  ...fields.map(({ id }): Target => ({ type: 'field', id })),
  ...forms.map(({ id }): Target => ({ type: 'form', id })),
];

/** The compiled mutant. Fields and forms it does not change are taken from the original. */
function compiledAs(
  right: CompiledSet,
  { document, target }: SetMutation,
  kinds: KindTable,
  checks: CheckTable,
): CompiledSet {
  const definition = document.fields.find(({ id }) => id === target.id);
  const fields =
    target.type === 'field' && definition
      ? right.fields.map((field) =>
          field.id === target.id ? compileField(definition, document, kinds, languages, checks) : field,
        )
      : right.fields;
  const byId = new Map(fields.map((field) => [field.id, field]));
  const isReached = (form: { readonly id: string }, ids: readonly string[]): boolean =>
    target.type === 'form' ? form.id === target.id : ids.includes(target.id);
  const forms = (document.forms ?? []).flatMap((form): readonly HydratedForm[] => {
    const before = right.forms.find(({ id }) => id === form.id);
    return before && !isReached(form, fieldIdsOf(form))
      ? [before]
      : [compileForm(form, byId, document, kinds, languages, checks)];
  });
  return { fields, forms };
}

/** A compiled set as text: sets with the same text behave the same. */
function whole({ fields, forms }: CompiledSet, { type, id }: Target): string {
  if (type === 'field') return JSON.stringify(fields.filter((field) => field.id === id).map(dehydrate));
  return JSON.stringify(
    forms
      .filter((form) => form.id === id)
      .map(({ rules, submit, completes, unanswered }) => [rules, submit, completes, unanswered]),
  );
}

/** The trials that use a field or a form: its own, and those of forms that contain it. */
function trialsThrough(
  trials: readonly Trial[],
  { forms = [] }: SetDocument,
  { type, id }: Target,
): readonly Trial[] {
  const around =
    type === 'field' ? forms.filter((form) => fieldIdsOf(form).includes(id)).map((form) => form.id) : [id];
  return trials.filter(({ tape }) => {
    const read = parseTape(tape);
    if (!read.ok) return false;
    const { target } = read.tape;
    return target.type === 'form' ? around.includes(target.id) : type === 'field' && target.id === id;
  });
}

/** An id for a trial that no other has. */
function idFor(target: Target, taken: Set<string>): string {
  let id = `${target.id}-holds`;
  for (let n = 2; taken.has(id); n++) id = `${target.id}-holds-${n}`;
  taken.add(id);
  return id;
}

/** A name for a trial that no other has: what it catches, and where that is not enough, of which field. */
function nameFor(
  words: string,
  target: Target,
  { fields, forms = [] }: SetDocument,
  taken: Set<string>,
): string {
  const label =
    target.type === 'field'
      ? fields.find(({ id }) => id === target.id)?.label
      : forms.find(({ id }) => id === target.id)?.title;
  const catches = `catches: ${words}`;
  const labelled = `${label || target.id}, ${catches}`;
  let name = taken.has(catches) ? labelled : catches;
  for (let n = 2; taken.has(name); n++) name = `${labelled} (${n})`;
  taken.add(name);
  return name;
}

/** Options of the mutation tests of a set. */
export interface MutationOptions {
  /** ISO 8601. */
  readonly today: string;
  /** The fields and forms to mutate; everything by default. */
  readonly targets?: readonly Target[];
  /**
   * Runs developers' code synchronously. Without it, custom checks stay open and custom formats display what
   * was typed.
   */
  readonly run?: RunCustomCode | undefined;
  /** Checks that do not come with this package. */
  readonly checks?: CheckTable;
}

/**
 * Changes a set in one place at a time and reports what its trials notice. For a change that no trial notices
 * it looks for a short trial that would. Stop iterating to stop. `today` (ISO 8601) is the day for trials
 * that name none. Throws `RangeError` for a document that `readDocument` would have refused.
 *
 * @example
 * for (const { proven } of testMutations(set, kinds, { today: '2027-02-10' }))
 *   console.log(proven?.words, proven?.status.is);
 */
export function* testMutations(
  document: SetDocument,
  kinds: KindTable,
  { today, targets = targetsOf(document), run, checks = {} }: MutationOptions,
): Generator<MutationProgress> {
  const ready = (set: CompiledSet): CompiledSet => (run ? withCustomCode(set, run) : set);
  const right = ready(compile(document, kinds, languages, checks));
  const { trials = [] } = document;
  const taken = new Set(trials.map(({ id }) => id));
  const names = new Set(trials.map(({ id, name = id }) => name));
  // A trial that fails on the original catches nothing.
  const sound = trials.filter((trial) => holds(runTrial(right, trial, today)));
  const breaks = targets.map((target) => ({ target, all: mutationsOf(document, target, kinds, checks) }));
  const of = breaks.reduce((sum, { all }) => sum + all.length, 0);
  let done = 0;
  yield { done, of };
  for (const { target, all } of breaks) {
    const own = trialsThrough(sound, document, target);
    const proposed: Trial[] = [];
    for (const one of all) {
      const { id, words } = one;
      yield { done: ++done, of, proven: { id, target, words, status: fateOf(one) } };
    }
    function fateOf(one: SetMutation): MutantStatus {
      const wrong = ready(compiledAs(right, one, kinds, checks));
      if (whole(wrong, target) === whole(right, target)) return { is: 'same' };
      const notices = (trial: Trial): boolean => !holds(runTrial(wrong, trial, today));
      const caught = own.find(notices);
      if (caught) return { is: 'caught', by: caught.id };
      const known = proposed.find(notices);
      if (known) return { is: 'missed', trial: known, isNew: false };
      return searched(one, wrong);
    }
    function searched({ words }: SetMutation, wrong: CompiledSet): MutantStatus {
      let tries = 0;
      for (const place of placesOf(document, target)) {
        const found = findDifference({ right, wrong, target: place, today }, kinds);
        if (found.is === 'untold') tries += found.tries;
        else {
          const trial: Trial = {
            id: idFor(target, taken),
            name: nameFor(words, target, document, names),
            why: 'Suggested by mutation testing.',
            tape: found.tape,
          };
          proposed.push(trial);
          return { is: 'missed', trial, isNew: true };
        }
      }
      return { is: 'unknown', tries };
    }
  }
}

/** Where a difference may show: in a field's own trials and in those of forms that contain it. */
const placesOf = ({ forms = [] }: SetDocument, target: Target): readonly Target[] =>
  target.type === 'form'
    ? [target]
    : [
        target,
        ...forms
          .filter((form) => fieldIdsOf(form).includes(target.id))
          .map(({ id }): Target => ({ type: 'form', id })),
      ];
