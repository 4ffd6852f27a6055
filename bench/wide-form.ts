import { compileField, type FieldDocument } from '@arbeit/engine/document';
import { type FormRule, type HydratedForm, hydrateForm } from '@arbeit/engine/form';
import { kinds } from '@arbeit/engine/kinds';

/** A form of so many fields, each but the first with a rule that it differs from the one before. */
export function wideForm(count: number): HydratedForm {
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
  return hydrateForm({ id: 'form', title: 'Form', fields, rules });
}
