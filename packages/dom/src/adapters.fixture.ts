import { compile } from '@arbeit/engine/document';
import { kinds } from '@arbeit/engine/kinds';

/** What the tests of all adapters draw and type into. */
export const { fields, forms } = compile(
  {
    arbeit: 2,
    title: 'Ridge Huts',
    locale: 'en-GB',
    fields: [
      { id: 'pass', kind: 'pattern', label: 'Pass', hint: 'On its back.', entry: { pattern: 'RH-<4 digit>', ghost: true }, look: { width: 9, before: '№', icon: '<svg viewBox="0 0 2 2"><circle cx="1" cy="1" r="1"/></svg>' }, rules: [{ id: 'needed', check: { type: 'required' } }] },
      { id: 'meals', kind: 'choice', label: 'Meals', entry: { draw: 'radio', options: [{ value: 'none', label: 'No meals' }, { value: 'half', label: 'Half board' }] } },
      { id: 'hut', kind: 'choice', label: 'Hut', placeholder: 'Which?', entry: { options: [{ value: 'windgap', label: 'Windgap' }, { value: 'two-tarns', label: 'Two Tarns' }] } },
      { id: 'extras', kind: 'choices', label: 'Extras', entry: { options: [{ value: 'tea', label: 'Tea' }, { value: 'hut map', label: 'Map' }] } },
      { id: 'nights', kind: 'number', label: 'Nights', when: { field: 'meals', is: 'half' } },
      { id: 'pin', kind: 'pin', label: 'PIN', entry: { length: 4 } },
      { id: 'word', kind: 'text', label: 'Word', entry: { conceal: true } },
      { id: 'remarks', kind: 'text', label: 'Remarks', entry: { lines: 3, max: 8 } },
      { id: 'arrival', kind: 'date', label: 'Arrival', rules: [{ id: 'soon', check: { type: 'range', min: '2027-02-08' }, say: 'The hut is closed.' }] },
      { id: 'called', kind: 'date-time', label: 'Called', rules: [{ id: 'soon', check: { type: 'range', min: '2027-02-08T12:00' }, say: 'The hut is closed.' }] },
      { id: 'phone', kind: 'phone', label: 'Phone', entry: { home: 'GB', regions: ['GB', 'FR', 'CH'] } },
      { id: 'price', kind: 'currency', label: 'Price', entry: { currency: 'GBP' }, rules: [{ id: 'most', check: { type: 'range', max: 500 } }] },
    ], // biome-ignore format: a field a line
    forms: [{ id: 'stay', title: 'Stay', fields: ['pass', 'meals', 'nights'] }],
  } as never,
  kinds,
);

export const fieldOf = (id: string) => fields.find((one) => one.id === id)!;
export const stay = forms[0]!;

/** Types as a browser reports it before it changes the input (Input Events Level 2). */
export function type(input: HTMLElement, text: string): void {
  input.focus();
  for (const data of text)
    input.dispatchEvent(
      new InputEvent('beforeinput', { inputType: 'insertText', data, bubbles: true, cancelable: true }),
    );
}

/** A form of two fields that share a value. */
export const walks = compile(
  {
    arbeit: 2,
    title: 'Walks',
    locale: 'en-GB',
    fields: [
      { id: 'walk', kind: 'duration', label: 'Walk', entry: {} },
      {
        id: 'minutes',
        kind: 'duration',
        label: 'In minutes',
        entry: { units: ['min'] },
        sameValueAs: 'walk',
      },
    ],
    forms: [{ id: 'day', title: 'Day', fields: ['walk', 'minutes'] }],
  } as never,
  kinds,
).forms[0]!;
