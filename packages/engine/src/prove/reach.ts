import { compile, type RunOwnCode, withOwnCode } from '../document/compile.ts';
import type { SetDocument } from '../document/document.ts';
import { type FormState, fieldOf, type OpenForm } from '../form/form.ts';
import { readInForm } from '../form/form-reading.ts';
import { type KindTable, kindIn } from '../kinds/contract/definition.ts';
import type { Verdict } from '../rules/finding.ts';
import { play } from '../tape/play.ts';
import { readTape } from '../tape/read-tape.ts';

/** What trials have seen of a field. */
export interface Reach {
  readonly field: string;
  /** How many trials go through it. */
  readonly trials: number;
  /** Of each of its rules, and of forms' rules that stand at it, the verdicts that were seen. */
  readonly rules: readonly {
    readonly rule: string;
    readonly verdicts: readonly Verdict[];
    readonly isShown: boolean;
  }[];
  /** Of what it offers, the values it had. */
  readonly options: readonly { readonly value: string; readonly isSeen: boolean }[];
  /** Its finished text in places, of kinds that have several: whether one ever held something; fixed text never does. */
  readonly places: readonly { readonly text: string; readonly isSeen?: boolean }[];
  /** Whether it was in use, left, submitted; whether it was whole, and whether something was not taken. */
  readonly moments: Readonly<Record<Moment, boolean>>;
}

/** What can be so of a field at some time, in the order it is told. */
export const moments = ['focused', 'left', 'submitted', 'whole', 'refused'] as const;
/** One of them. */
export type Moment = (typeof moments)[number];

interface Seen {
  trials: number;
  readonly verdicts: Map<string, Set<Verdict>>;
  readonly shown: Set<string>;
  readonly values: Set<string>;
  readonly places: Set<number>;
  readonly moments: Set<Moment>;
}

/** What the trials of a set reach of its fields: each state they lead through is looked at. `clock` as for `play`; `run` runs developers' code. */
export function reachOf(
  document: SetDocument,
  kinds: KindTable,
  clock: string,
  run?: RunOwnCode,
): readonly Reach[] {
  const compiled = compile(document, kinds);
  const set = run ? withOwnCode(compiled, run) : compiled;
  const seen = new Map<string, Seen>(
    set.fields.map(({ id }) => [
      id,
      {
        trials: 0,
        verdicts: new Map(),
        shown: new Set(),
        values: new Set(),
        places: new Set(),
        moments: new Set(),
      },
    ]),
  );
  const look = (form: OpenForm, state: FormState, today: string): void => {
    for (const { id } of form.fields) note(seen.get(id), form, state, { id, today, kinds });
  };
  for (const { tape } of document.trials ?? []) {
    const read = readTape(tape);
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
    const { trials, verdicts, shown, values, places, moments: had } = seen.get(id) as Seen;
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
      moments: Object.fromEntries(moments.map((moment) => [moment, had.has(moment)])) as Reach['moments'],
    };
  });
}

/** What one state shows of a field. */
function note(
  seen: Seen | undefined,
  form: OpenForm,
  state: FormState,
  { id, today, kinds }: { readonly id: string; readonly today: string; readonly kinds: KindTable },
): void {
  if (!seen) return;
  const { field, state: at } = fieldOf(form, state, id);
  const { findings, shown, flags, raw, counts } = readInForm(form, state, id, today);
  if (!counts) return;
  const rules = [...field.rules, ...(form.rulesAt.get(id) ?? [])];
  for (const [i, { verdict }] of findings.entries()) {
    const rule = rules[i]?.id;
    if (rule === undefined) continue;
    const known = seen.verdicts.get(rule) ?? new Set();
    seen.verdicts.set(rule, known.add(verdict));
  }
  for (const { rule } of shown) seen.shown.add(rule);
  for (const value of raw.split(' ')) seen.values.add(value);
  for (const place of kindIn(kinds, field.plan.kind).draw.held?.(at.body) ?? []) seen.places.add(place);
  const now: Readonly<Record<Moment, boolean>> = {
    focused: flags.focused,
    left: flags.touched,
    submitted: at.submitted,
    whole: flags.complete,
    refused: at.rejected !== null,
  };
  for (const moment of moments) if (now[moment]) seen.moments.add(moment);
}
