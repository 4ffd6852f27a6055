import type { HydratedField } from '@arbeit/engine/field';
import { type Form, useField, useForm } from '@arbeit/react';
import { memo } from 'react';
import { createRoot } from 'react-dom/client';
import { wideForm } from './wide-form.ts';

/**
 * The page on which is counted what React draws anew at a key: a form of a thousand fields, with rules across
 * them.
 */

const form = wideForm(1000);

let drawn = 0;
const One = memo(function One({
  field,
  store,
}: {
  readonly field: HydratedField;
  readonly store: Form['store'];
}) {
  const live = useField(field, { store: store.field(field.id) });
  drawn++;
  return <input {...live.inputProps} aria-invalid={live.evaluation.shown.length > 0} />;
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
