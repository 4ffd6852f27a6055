import type { Cursor } from '../../faults/cursor.ts';
import { say, type Texts } from '../../faults/say.ts';
import { type EntryOf, filled, type Options, yesNo } from '../../options/option.ts';
import { revealWords } from '../../rules/drawn-words.ts';
import type { Definition } from '../contract/definition.ts';
import type { BoxesPlan } from './run.ts';

const length = (usual: number) =>
  ({ is: 'whole', label: 'Boxes', at: ['box'], min: 3, max: 12, usual }) as const;

const accept = {
  is: 'choice',
  label: 'Allowed characters',
  at: ['box'],
  choices: [
    ['digit', 'digits'],
    ['alnum', 'letters and digits'],
  ],
  usual: 'digit',
} as const;

const pinOptions = {
  length: length(4),
  accept,
  conceal: yesNo('hidden (with a reveal button)', 'visible', {
    label: 'Masking',
    at: ['conceal'],
    drawn: true,
    usual: true,
  }),
} as const satisfies Options;

const codeOptions = {
  length: length(6),
  accept,
  groups: {
    is: 'list',
    label: 'Grouping',
    about: 'Sizes of the groups the boxes are drawn in; they add up to the length.',
    at: ['groups'],
    drawn: true,
    of: { is: 'whole', min: 1, max: 12 },
    least: 1,
    otherwise: 'none',
  },
} as const satisfies Options;

export type CodeEntry = EntryOf<typeof codeOptions>;

/** No phone corrects or capitalises a code, and only a code that was sent is offered automatically. */
const attributes = (accept: 'digit' | 'alnum' | undefined, autocomplete: string) => ({
  inputmode: accept === 'alnum' ? 'text' : 'numeric',
  autocomplete,
  autocapitalize: 'none',
  spellcheck: 'false',
});

export const pin: Definition<typeof pinOptions, BoxesPlan> = {
  name: 'PIN',
  direction: 'ltr',
  options: pinOptions,
  draws: ({ conceal }) => (conceal ? revealWords : []),
  plan: (entry) => {
    const all = filled(pinOptions, entry);
    return { kind: 'pin', ...all, groups: [all.length] };
  },
  attributes: ({ accept }) => attributes(accept, 'off'),
};

const faults = {
  'groups-sum': 'The groups add up to {sum} boxes, but the code has {length}.',
} as const satisfies Texts;

/** Checks that the groups have as many boxes as the code. */
function check(at: Cursor): void {
  const { groups, length = 6 } = at.value as { groups?: unknown; length?: unknown };
  if (!Array.isArray(groups) || !groups.every((size) => Number.isInteger(size) && size > 0)) return;
  const sum = groups.reduce((total: number, size: number) => total + size, 0);
  if (groups.length && typeof length === 'number' && sum !== length)
    at.get('groups').fault(say(faults, 'groups-sum', { sum, length }), {
      suggestion: `[${length}]`,
    });
}

export const oneTimeCode: Definition<typeof codeOptions, BoxesPlan> = {
  name: 'one-time code',
  direction: 'ltr',
  options: codeOptions,
  faults,
  check,
  plan: (entry) => {
    const all = filled(codeOptions, entry);
    return { kind: 'one-time-code', conceal: false, ...all, groups: all.groups ?? [all.length] };
  },
  attributes: ({ accept }) => attributes(accept, 'one-time-code'),
};
