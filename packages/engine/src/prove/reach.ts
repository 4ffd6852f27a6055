import { compile, type RunCustomCode, withCustomCode } from '../document/compile.ts';
import type { SetDocument } from '../document/document.ts';
import { pickedValues } from '../field/picked.ts';
import { evaluateInForm } from '../form/evaluate-form.ts';
import { type FormState, fieldOf, type HydratedForm } from '../form/form.ts';
import { type KindTable, kindIn } from '../kinds/contract/definition.ts';
import type { Verdict } from '../rules/finding.ts';
import { parseTape } from '../tape/parse-tape.ts';
import { play } from '../tape/play.ts';

/** What trials have covered of a field. */
export interface Reach {
  readonly field: string;
  /** How many trials use it. */
  readonly trials: number;
  /** For each of its rules, and of the rules of forms shown at it, the verdicts that occurred. */
  readonly rules: readonly {
    readonly rule: string;
    readonly verdicts: readonly Verdict[];
    readonly isShown: boolean;
  }[];
  /** For each of its options, whether its value occurred. */
  readonly options: readonly { readonly value: string; readonly isSeen: boolean }[];
  /**
   * The pieces of its finished text, for kinds that have several, and whether each ever held something; fixed
   * text never does.
   */
  readonly places: readonly { readonly text: string; readonly isSeen?: boolean }[];
  /** Whether it was focused, blurred, submitted and complete, and whether something was rejected. */
  readonly situations: Readonly<Record<Situation, boolean>>;
}

/**
 * The situations a trial can bring a field into, in the order of reports.
 *
 * @example
 * situations.includes('submitted'); // true
 */
export const situations = ['focused', 'left', 'submitted', 'whole', 'refused'] as const;
/** One of these situations. */
export type Situation = (typeof situations)[number];

interface Seen {
  trials: number;
  readonly verdicts: Map<string, Set<Verdict>>;
  readonly shown: Set<string>;
  readonly values: Set<string>;
  readonly places: Set<number>;
  readonly situations: Set<Situation>;
}

/**
 * What the trials of a set reach of each field: verdicts, messages, options and situations. `clock` as in
 * `play`; `run` runs developers' code.
 *
 * @example
 * for (const one of reachOf(set, kinds, '2027-02-10')) console.log(one.field, one.trials);
 */
export function reachOf(
  document: SetDocument,
  kinds: KindTable,
  clock: string,
  run?: RunCustomCode,
): readonly Reach[] {
  const compiled = compile(document, kinds);
  const set = run ? withCustomCode(compiled, run) : compiled;
  const seen = new Map<string, Seen>(
    set.fields.map(({ id }) => [
      id,
      {
        trials: 0,
        verdicts: new Map(),
        shown: new Set(),
        values: new Set(),
        places: new Set(),
        situations: new Set(),
      },
    ]),
  );
  const look = (form: HydratedForm, state: FormState, today: string): void => {
    for (const { id } of form.fields) note(seen.get(id), form, state, { id, today, kinds });
  };
  for (const { tape } of document.trials ?? []) {
    const read = parseTape(tape);
    if (!read.ok) continue;
    const { type, id } = read.tape.target;
    const through =
      type === 'field'
        ? [id]
        : (set.forms.find((form) => form.id === id)?.fields ?? []).map((field) => field.id);
    for (const field of through) {
      const one = seen.get(field);
      if (one) one.trials++;
    }
    play(set, read.tape, clock, look);
  }
  return set.fields.map(({ id, rules, plan }) => {
    const { trials, verdicts, shown, values, places, situations: had } = seen.get(id) as Seen;
    const { draw } = kindIn(kinds, plan.kind);
    const names = [
      ...new Set([
        ...rules.map((rule) => rule.id),
        ...set.forms.flatMap((form) => (form.rulesAt.get(id) ?? []).map((rule) => rule.id)),
      ]),
    ];
    const { options = [] } = plan as { readonly options?: readonly { readonly value: string }[] };
    return {
      field: id,
      trials,
      rules: names.map((rule) => ({
        rule,
        verdicts: [...(verdicts.get(rule) ?? [])].sort(),
        isShown: shown.has(rule),
      })),
      places: (draw.places?.(plan) ?? []).map(({ text, place }) => ({
        text,
        ...(place === undefined ? {} : { isSeen: places.has(place) }),
      })),
      options: options.map(({ value }) => ({ value, isSeen: values.has(value) })),
      situations: Object.fromEntries(situations.map((name) => [name, had.has(name)])) as Reach['situations'],
    };
  });
}

/** Adds what one state covers of a field. */
function note(
  seen: Seen | undefined,
  form: HydratedForm,
  state: FormState,
  { id, today, kinds }: { readonly id: string; readonly today: string; readonly kinds: KindTable },
): void {
  if (!seen) return;
  const { field, state: at } = fieldOf(form, state, id);
  const { findings, shown, flags, raw, counts } = evaluateInForm(form, state, id, today);
  if (!counts) return;
  const rules = [...field.rules, ...(form.rulesAt.get(id) ?? [])];
  for (const [i, { verdict }] of findings.entries()) {
    const rule = rules[i]?.id;
    if (rule === undefined) continue;
    const known = seen.verdicts.get(rule) ?? new Set();
    seen.verdicts.set(rule, known.add(verdict));
  }
  for (const { rule } of shown) seen.shown.add(rule);
  for (const value of pickedValues(field, raw)) seen.values.add(value);
  for (const place of kindIn(kinds, field.plan.kind).draw.held?.(at.body) ?? []) seen.places.add(place);
  const now: Readonly<Record<Situation, boolean>> = {
    focused: flags.focused,
    left: flags.touched,
    submitted: at.submitted,
    whole: flags.complete,
    refused: at.rejected !== null,
  };
  for (const situation of situations) if (now[situation]) seen.situations.add(situation);
}
