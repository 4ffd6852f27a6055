import type { Cursor } from '../../faults/cursor.ts';
import { say, type Texts } from '../../faults/say.ts';
import { filled, type Options, pickForm } from '../../options/option.ts';
import type { Definition } from '../contract/definition.ts';
import type { YesNoPlan } from './run.ts';

const words = (label: string, part: string, usual: string) =>
  ({
    is: 'text',
    label,
    at: [part],
    form: pickForm.label,
    expected: 'Use one line of at most 200 characters, without ";".',
    usual,
  }) as const;

const options = {
  draw: {
    is: 'choice',
    label: 'Control',
    about: 'A checkbox is “no” until checked. Radio buttons start with neither selected.',
    at: ['draw'],
    choices: [
      ['tick', 'checkbox'],
      ['radio', 'radio buttons (vertical)'],
      ['segments', 'segmented control'],
    ],
    usual: 'tick',
  },
  yes: words('Label for “yes”', 'yes', 'Yes'),
  no: words('Label for “no”', 'no', 'No'),
} as const satisfies Options;

const faults = {
  'same-labels': 'The two labels must differ.',
  'ambiguous-label': 'This label would be read as the other answer. Choose another.',
} as const satisfies Texts;

/** Checks that the two labels differ and that "yes" does not read as "no". */
function check(at: Cursor): void {
  const { yes = 'Yes', no = 'No' } = at.value as { yes?: unknown; no?: unknown };
  const small = (text: unknown): string => String(text).trim().toLowerCase();
  if (small(yes) === small(no)) at.get('no').fault(say(faults, 'same-labels'));
  else if (small(yes) === 'no') at.get('yes').fault(say(faults, 'ambiguous-label'));
  else if (small(no) === 'yes') at.get('no').fault(say(faults, 'ambiguous-label'));
}

export const yesNo: Definition<typeof options, YesNoPlan> = {
  name: 'yes or no',
  valueIs: 'yes or no',
  options,
  faults,
  check,
  variant: ({ draw }) => (draw === undefined || draw === 'tick' ? { wordedAs: 'tick' } : undefined),
  plan: (entry) => {
    const { draw, yes, no } = filled(options, entry);
    const both = [
      { value: 'yes', label: yes },
      { value: 'no', label: no },
    ];
    return { kind: 'yes-no', draw, options: draw === 'tick' ? both.slice(0, 1) : both };
  },
  pointless: ['length', 'checksum', 'not-trivial', 'matches'],
  isAlwaysWhole: true,
};
