import { createFormStore, type FormStore } from '@arbeit/dom';
import { type Measured, medianRatio } from './ratio.ts';
import { wideForm } from './wide-form.ts';

const formOf = (count: number): FormStore => createFormStore(wideForm(count), '2027-02-10');

/** Two keys and what is told of all they reach: into the fifth field, and back. */
function keyIn(store: FormStore): () => void {
  const field = store.field('f4');
  field.dispatch({ type: 'focus' });
  field.dispatch({ type: 'set', text: '1234567' });
  return () => {
    for (const event of [{ type: 'key', text: '8' }, { type: 'backspace' }] as const) {
      field.dispatch(event);
      store.evaluation('f4');
      store.evaluation('f5');
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
