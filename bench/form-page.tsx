import { compileField, type FieldDocument } from '@arbeit/engine/document';
import type { OpenField } from '@arbeit/engine/field';
import { type FormRule, openForm } from '@arbeit/engine/form';
import { kinds } from '@arbeit/engine/kinds';
import { type Form, useField, useForm } from '@arbeit/react';
import { memo } from 'react';
import { createRoot } from 'react-dom/client';

/** The page on which is counted what React draws anew at a key: a form of a thousand fields, with rules across them. */

const fields = Array.from({ length: 1000 }, (_, i) =>
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
  }),
);
const form = openForm({ id: 'form', title: 'Form', fields, rules });

let drawn = 0;
const One = memo(function One({
  field,
  store,
}: {
  readonly field: OpenField;
  readonly store: Form['store'];
}) {
  const live = useField(field, { store: store.field(field.id) });
  drawn++;
  return <input {...live.inputProps} aria-invalid={live.reading.shown.length > 0} />;
});

function Page() {
  const { store, formProps } = useForm(form, { today: '2027-02-10' });
  return (
    <form {...formProps}>
      {form.fields.map((field) => (
        <One key={field.id} field={field} store={store} />
      ))}
    </form>
  );
}

const place = document.createElement('div');
document.body.append(place);
createRoot(place).render(<Page />);
Object.assign(window, { drawn: () => drawn });
