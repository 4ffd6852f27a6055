import { type FromForm, noForm, type Reading, read } from '../field/reading.ts';
import { passed } from '../rules/finding.ts';
import { type FormState, fieldOf, type OpenForm } from './form.ts';

/**
 * What can be told of a field in its form: the field's own reading, and what the rules of the form that stand at it say.
 * `today` as `read` takes it. Nothing but this field and those its rules read is looked at.
 */
export function readInForm(form: OpenForm, state: FormState, id: string, today = ''): Reading {
  const { field, state: own } = fieldOf(form, state, id);
  return read(field, own, today, fromForm(form, state, id, today));
}

function fromForm(form: OpenForm, state: FormState, id: string, today: string): FromForm {
  const rules = form.rulesAt.get(id);
  if (!rules) return noForm;
  const others: Record<string, string | null> = {};
  const findings = rules.map((rule) => {
    const values: string[] = [];
    let isLeft = true;
    for (const name of rule.reads) {
      const { field, state: other } = fieldOf(form, state, name);
      const value = field.kind.value(field.plan, other.body);
      others[name] = value;
      if (value !== null) values.push(value);
      isLeft &&= other.touched;
    }
    const finding = values.length === rule.reads.length ? rule.judge(values, today) : passed;
    return { rule, finding, isLeft };
  });
  return { others, findings };
}
