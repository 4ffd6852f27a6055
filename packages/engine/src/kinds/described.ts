import type { Plan } from '../field/compiled.ts';
import { fold } from '../values/graphemes.ts';
import type { BoxesPlan } from './boxes/run.ts';
import type { ChoicePlan } from './choice/run.ts';
import type { ChoicesPlan } from './choices/run.ts';
import { amongThem, digitsIn, dropped, escaped, numbersIn, type ValueForm } from './contract/value-form.ts';
import type { DurationPlan } from './duration/run.ts';
import { type Alphabet, alphabetOf } from './editing/alphabet.ts';
import type { NumberPlan } from './number/run.ts';
import { patternAlphabet, typedForm as typedPattern } from './pattern/typed-form.ts';
import { valuesOf as patternValues } from './pattern/value-form.ts';
import type { PhonePlan } from './phone/plan.ts';
import type { KindName } from './registry.ts';
import type { TimePlan } from './time/run.ts';

export { type Alphabet, endOf } from './editing/alphabet.ts';

/** What is known of the values of a kind, for types, schemas and pages without scripts. Apart from its definition: no screen carries it. */
export interface Described<P extends Plan = Plan> {
  /** The typed values its fields can have. */
  values(plan: P): ValueForm;
  /**
   * An expression (ECMAScript, flags `u` and `v`) that every text matches as a whole which the field would take whole from somebody who
   * types it without being helped; the closer it is, the better. Any text, where it says nothing.
   */
  typedForm?(plan: P): string;
  /** The characters its fields tell apart, where it is worth going through the texts they make. */
  alphabet?(plan: P): Alphabet;
}

/**
 * As it is, with blanks and marks anywhere: those a paste loses. Digits and letters may be full-width, and digits of any script. A message
 * that says its code after these two signs has it whatever else is in it.
 */
function typedBoxes({ accept, length }: BoxesPlan): string {
  const one = accept === 'digit' ? '\\p{Nd}' : '[\\p{Nd}A-Za-z\\uFF21-\\uFF3A\\uFF41-\\uFF5A]';
  return `(?:${dropped}${one}){${length}}${dropped}|[\\s\\S]*[@\\uFF20][\\s\\S]*[#\\uFF03][\\s\\S]*`;
}

const boxesValues = ({ accept, length }: BoxesPlan): ValueForm => ({
  type: 'string',
  isRaw: true,
  expression: `${accept === 'digit' ? '\\d' : '[0-9A-Za-z]'}{${length}}`,
});

/** Decimals, as many as there are to be: from the right all of them. Zero has no minus. */
function numberValues({ least: padded, most, negative, fill }: NumberPlan): ValueForm {
  const least = fill === 'right' ? most : padded;
  const sign = negative === 'no' ? '' : '(?!-[0.]*$)-?';
  const fraction = most === 0 ? '' : `(?:\\.\\d{${Math.max(1, least)},${most}})${least > 0 ? '' : '?'}`;
  return { type: numbersIn(''), expression: `${sign}(?:0|[1-9]\\d*)${fraction}` };
}

/** The days of the Gregorian calendar from year 1 to 9999 (ISO 8601). */
const dates =
  '(?!0000)(?:\\d{4}-(?:(?:0[13578]|1[02])-(?:0[1-9]|[12]\\d|3[01])|(?:0[469]|11)-(?:0[1-9]|[12]\\d|30)|02-(?:0[1-9]|1\\d|2[0-8]))' +
  '|(?:\\d\\d(?:0[48]|[2468][048]|[13579][26])|(?:[02468][048]|[13579][26])00)-02-29)';

/** Of few all of them are written out, in the order of the options, as many as there may be. */
function choicesValues({ options: offered, least, most }: ChoicesPlan): ValueForm {
  const names = offered.map(({ value }) => value);
  if (names.length > 6) {
    const one = `(?:${names.map(escaped).join('|')})`;
    return {
      type: 'string',
      isRaw: true,
      expression: `${one}(?: ${one})*`,
      beyond: 'the order of choices, and how many',
    };
  }
  const sets = Array.from({ length: 2 ** names.length }, (_, bits) =>
    names.filter((__, i) => bits & (1 << i)),
  );
  return amongThem(
    sets.filter(({ length }) => length >= Math.max(1, least) && length <= most).map((set) => set.join(' ')),
  );
}

const boxes: Described<BoxesPlan> = {
  values: boxesValues,
  typedForm: typedBoxes,
  // What a whole message says of its code is read by these two signs.
  alphabet: ({ accept }) =>
    alphabetOf([], ['@', '#'], (c) => {
      const digit = /[0-9]/.test(fold(c));
      return `${digit || (accept === 'alnum' && /[0-9a-z]/i.test(fold(c)))} ${digit} ${/[@#]/.test(c) ? c : ''} ${/\s/.test(c)}`;
    }),
};
const number: Described<NumberPlan> = { values: numberValues, typedForm: () => digitsIn(1) };

/** All kinds that come with the package, by name. */
const described = {
  pattern: { values: patternValues, typedForm: typedPattern, alphabet: patternAlphabet },
  text: {
    values: () => ({
      type: 'string',
      isRaw: true,
      beyond: 'blanks, case and length as its options have them',
    }),
  },
  number,
  currency: number,
  percent: number,
  date: {
    values: () => ({ type: numbersIn('', '-', '-'), expression: dates }),
    typedForm: () => digitsIn(3),
  },
  time: {
    values: ({ second }: TimePlan) => ({
      type: second < 0 ? numbersIn('', ':') : numbersIn('', ':', ':'),
      expression: `(?:[01]\\d|2[0-3]):[0-5]\\d${second < 0 ? '' : ':[0-5]\\d'}`,
    }),
    typedForm: () => digitsIn(1),
  },
  duration: {
    values: ({ hour }: DurationPlan) => ({
      type: numbersIn(''),
      expression: hour < 0 ? '0|[1-9]\\d{0,3}' : '0|[1-9]\\d{0,4}',
      ...(hour < 0 ? {} : { beyond: 'minutes that its parts cannot come to' }),
    }),
    typedForm: () => digitsIn(1),
  },
  phone: {
    values: ({ extension }: PhonePlan) => ({
      type: numbersIn('+'),
      expression: `\\+[1-9]\\d{3,14}${extension ? '(?:;ext=\\d+)?' : ''}`,
      beyond: 'numbers that are none of its regions and types',
    }),
    typedForm: () => digitsIn(3),
  },
  pin: boxes,
  'one-time-code': boxes,
  choice: { values: ({ options }: ChoicePlan) => amongThem(options.map(({ value }) => value)) },
  choices: { values: choicesValues },
  // The raw value of a box that is not ticked is empty, its value is no.
  'yes-no': { values: () => ({ ...amongThem(['yes', 'no']), isRaw: false }) },
  own: { values: () => ({ type: 'string', beyond: 'what its own code makes of them' }) },
} satisfies Readonly<Record<KindName, Described<never>>>;

/** What is known of the values of a field, by its plan. */
export interface KnownOf {
  readonly values: ValueForm;
  readonly typedForm: string | undefined;
  readonly alphabet: Alphabet | undefined;
}

/** What is known of the values of a field with this plan; nothing of a kind that does not come with the package. */
export function describedBy(plan: Plan): KnownOf {
  const known = Object.hasOwn(described, plan.kind)
    ? // Each is asked about plans of its own kind alone, by whose name it was found.
      (described[plan.kind as KindName] as Described<never>)
    : undefined;
  if (!known)
    return {
      values: { type: 'string', beyond: 'what its kind refuses' },
      typedForm: undefined,
      alphabet: undefined,
    };
  return {
    values: known.values(plan as never),
    typedForm: known.typedForm?.(plan as never),
    alphabet: known.alphabet?.(plan as never),
  };
}
