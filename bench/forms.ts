import { createFormStore, type FormStore } from '@arbeit/dom';
import { compileField, type FieldDocument } from '@arbeit/engine/document';
import { type FormRule, openForm } from '@arbeit/engine/form';
import { kinds } from '@arbeit/engine/kinds';
import { type Measured, medianRatio } from './ratio.ts';

/** A form of so many fields, each but the first with a rule that it differs from the one before. */
function formOf(count: number): FormStore {
  const fields = Array.from({ length: count }, (_, i) =>
    compileField(
      { id: `f${i}`, kind: 'pattern', label: `Field ${i}`, entry: { pattern: '<8 digit>' } } as FieldDocument,
      { locale: 'en-GB' },
      kinds,
    ),
  );
  const rules = fields.slice(1).map(
    ({ id }, i): FormRule => ({
      id: `r${i}`,
      field: id,
      check: { type: 'compare', op: 'differs', field: `f${i}`, by: 'text' },
      reads: [`f${i}`],
      show: 'leave',
      severity: 'error',
      words: { differs: 'The same as {other-label}.' },
    }),
  );
  return createFormStore(openForm({ id: 'form', title: 'Form', fields, rules }), '2027-02-10');
}

/** Two keys and what is told of all they reach: into the fifth field, and back. */
function keyIn(store: FormStore): () => void {
  const field = store.field('f4');
  field.dispatch({ type: 'focus' });
  field.dispatch({ type: 'set', text: '1234567' });
  return () => {
    for (const event of [{ type: 'key', text: '8' }, { type: 'backspace' }] as const) {
      field.dispatch(event);
      store.reading('f4');
      store.reading('f5');
    }
  };
}

/** What a key costs in a form of a thousand fields and rules across them, against one of ten. */
export const formKeystrokes = (): Measured[] => [
  medianRatio(
    'a key in a form of 1,000 fields and rules, against one of 10',
    1.2,
    keyIn(formOf(1000)),
    keyIn(formOf(10)),
  ),
];
