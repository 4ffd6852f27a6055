import { amongThem, escaped, type ValueForm } from '../contract/value-form.ts';
import type { ValueTypes } from '../contract/value-types.ts';
import type { ChoicesPlan } from './run.ts';
import { separatorOf } from './separator.ts';

/** The possible values: all combinations if there are few options. */
function choicesValues({ options: offered, least, most }: ChoicesPlan): ValueForm {
  const names = offered.map(({ value }) => value);
  const between = separatorOf(offered);
  const json = { is: 'list', of: names, least: Math.max(1, least), most, between } as const;
  if (names.length > 6) {
    const one = `(?:${names.map(escaped).join('|')})`;
    return {
      type: 'string',
      isRaw: true,
      expression: `${one}(?:${between === ' ' ? ' ' : '\\n'}${one})*`,
      beyond: 'the order of choices, and how many',
      json,
    };
  }
  const sets = Array.from({ length: 2 ** names.length }, (_, bits) =>
    names.filter((__, i) => bits & (1 << i)),
  );
  const values = sets.filter(({ length }) => length >= json.least && length <= most);
  return { ...amongThem(values.map((set) => set.join(between))), json };
}

export const valueTypes: ValueTypes<ChoicesPlan> = { values: choicesValues };
