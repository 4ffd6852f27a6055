import type { Cursor } from '../../faults/cursor.ts';
import { filled, type Options, pickForm } from '../../options/option.ts';
import type { Definition } from '../contract/definition.ts';
import type { YesNoPlan } from './run.ts';

const words = (label: string, part: string, usual: string) =>
  ({
    is: 'text',
    label,
    at: [part],
    form: pickForm.label,
    expected: 'An answer stands on one line, without ";", in at most 200 characters.',
    usual,
  }) as const;

const options = {
  draw: {
    is: 'choice',
    label: 'Drawn as',
    about: 'A box says no until it is ticked; of two buttons neither is pressed at first.',
    at: ['draw'],
    choices: [
      ['tick', 'a box to tick'],
      ['radio', 'buttons under each other'],
      ['segments', 'buttons side by side'],
    ],
    usual: 'tick',
  },
  yes: words('Yes, in words', 'yes', 'Yes'),
  no: words('No, in words', 'no', 'No'),
} as const satisfies Options;

/** Checks that the two labels differ and that "yes" does not read as "no". */
function check(at: Cursor): void {
  const { yes = 'Yes', no = 'No' } = at.value as { yes?: unknown; no?: unknown };
  const small = (text: unknown): string => String(text).trim().toLowerCase();
  if (small(yes) === small(no)) at.get('no').fault('Both answers have the same words.');
  else if (small(yes) === 'no') at.get('yes').fault('This reads like the other answer.');
  else if (small(no) === 'yes') at.get('no').fault('This reads like the other answer.');
}

export const yesNo: Definition<typeof options, YesNoPlan> = {
  name: 'yes or no',
  options,
  check,
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
