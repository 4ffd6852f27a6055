import { compile } from '../document/compile.ts';
import type { FieldDocument, FormDocument, SetDocument } from '../document/document.ts';
import { readDocument } from '../document/read-document.ts';
import { keysOf } from '../field/apply.ts';
import { kinds } from '../kinds/registry.ts';
import { applyToForm, type FormEvent } from './apply.ts';
import { evaluateInForm } from './evaluate-form.ts';
import { type FormState, fieldOf, type HydratedForm, startForm } from './form.ts';

/** A stay at a hut, as tests of forms use it: rules across fields, conditions, a question to a server. */
const stayDocument = {
  arbeit: 2,
  title: 'Stay',
  locale: 'en-GB',
  fields: [
    {
      id: 'arrival',
      kind: 'date',
      label: 'Arrival',
      entry: {},
      rules: [{ id: 'needed', check: { type: 'required' } }],
    },
    { id: 'departure', kind: 'date', label: 'Departure', entry: {} },
    { id: 'dog', kind: 'yes-no', label: 'A dog?', entry: { draw: 'radio' } },
    {
      id: 'dog-name',
      kind: 'text',
      label: 'Its name',
      entry: {},
      when: { field: 'dog', is: true },
      rules: [{ id: 'needed', check: { type: 'required' } }],
    },
    {
      id: 'kennel',
      kind: 'pattern',
      label: 'Kennel',
      entry: { pattern: '<2 digit>' },
      when: { not: { field: 'dog-name', is: null } },
    },
    {
      id: 'pass',
      kind: 'pattern',
      label: 'Hut pass',
      entry: { pattern: '<2 letter>-<2 digit>', raw: 'text' },
      rules: [
        { id: 'known', check: { type: 'remote', ask: '/passes' }, say: 'The pass is not known: {why}.' },
      ],
    },
    {
      id: 'key-box',
      kind: 'pin',
      label: 'Key box',
      entry: { length: 4 },
      rules: [{ id: 'easy', check: { type: 'not-trivial' }, refused: 'clear' }],
    },
  ],
  forms: [
    {
      id: 'stay',
      sections: [
        { title: 'When', columns: 2, fields: ['arrival', 'departure'] },
        { fields: ['dog', 'dog-name', 'kennel', 'pass', 'key-box'] },
      ],
      rules: [
        {
          id: 'order',
          field: 'departure',
          check: { type: 'compare', op: 'after', field: 'arrival' },
          say: 'The departure is not after the arrival.',
          code: 'order',
        },
      ],
    },
  ],
} as unknown as SetDocument;

/** The form, read as a document would be; with some of what it says said otherwise. */
export function stayWith(
  form: Partial<FormDocument> = {},
  fields: Readonly<Record<string, Partial<FieldDocument>>> = {},
): HydratedForm {
  const result = readDocument(
    {
      ...stayDocument,
      fields: stayDocument.fields.map((field) => ({ ...field, ...fields[field.id] })),
      forms: [{ ...stayDocument.forms?.[0], ...form }],
    },
    kinds,
  );
  if (!result.ok) throw new RangeError(JSON.stringify(result.faults));
  return compile(result.document, kinds).forms[0]!;
}

/** Lets events happen to a form, on the demo's day. */
export const run = (form: HydratedForm, events: readonly FormEvent[], from = startForm(form)): FormState =>
  events.reduce((state, event) => applyToForm(form, state, event, '2027-02-10'), from);

/** A value from the program. */
export const put = (field: string, text: string): FormEvent => ({
  type: 'field',
  field,
  event: { type: 'set', text },
});

/** A text typed into a field, which then has the focus. */
export const typed = (field: string, text: string): FormEvent[] => [
  { type: 'focus', field },
  ...keysOf(text).map((event): FormEvent => ({ type: 'field', event })),
];

/** What is seen at a field. */
export const codesAt = (form: HydratedForm, state: FormState, id: string): string[] =>
  evaluateInForm(form, state, id, '2027-02-10').shown.map(({ code }) => code);

export const contentOf = (form: HydratedForm, state: FormState, id: string): string =>
  fieldOf(form, state, id).state.body.content;
