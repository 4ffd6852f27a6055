import type { FormStore } from '@arbeit/dom';
import { kinds } from '@arbeit/engine/kinds';
import { addDays, resolve } from '@arbeit/engine/values';
import { finishedText } from '../../model/sample.ts';

/**
 * Fills a form with valid samples: for each field the first value that passes its rules, among its
 * placeholder, its finished text and its limits, and for a date compared with another the date after that
 * one.
 */
export function fillWithSamples(store: FormStore, today: string): void {
  for (const field of store.form.fields) {
    const rules = [...field.rules, ...(store.form.rulesAt.get(field.id) ?? [])];
    const candidates = [field.placeholder, finishedText(field, kinds)];
    for (const { check } of rules) {
      if (check.type === 'range')
        for (const limit of [check.min, check.max])
          if (limit !== undefined) candidates.push(resolve(limit, today) ?? limit);
      const other = check.type === 'compare' ? store.evaluation(check.field).value : null;
      if (other !== null && check.type === 'compare')
        candidates.push(/^\d{4}-\d\d-\d\d$/.test(other) ? addDays(other, 1) : other);
    }
    for (const text of candidates.filter(Boolean)) {
      store.dispatch({ type: 'field', field: field.id, event: { type: 'set', text } });
      if (store.evaluation(field.id).flags.valid) break;
    }
  }
}
