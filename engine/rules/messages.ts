import type { CompiledField } from '../run/plan.ts';
import type { Finding } from './verdict.ts';

/**
 * Default wording by code. Short, in the user's terms, and saying what to do. `{…}` is message data. Plain
 * English; a document words its own messages with `say`.
 */
const wording: Readonly<Record<string, string>> = {
  required: 'Please fill this in.',
  incomplete: 'This is not complete yet.',
  'too-short': 'At least {min} characters are needed.',
  'too-long': 'At most {max} characters are possible.',
  'no-match': 'This does not have the expected form.',
  'not-allowed': 'This value cannot be used here.',
  'below-min': 'At least {min} is needed.',
  'above-max': 'At most {max} is possible.',
  'off-step': 'This goes up in steps of {step}.',
  'no-such-date': 'There is no such date.',
  'unknown-number': 'There is no such telephone number.',
  trivial: 'This is too easy to guess.',
  'bad-checksum': 'Please check for a typing mistake.',
};

const ofDays: Readonly<Record<string, string>> = {
  'below-min': 'Nothing before {min} is possible.',
  'above-max': 'Nothing after {max} is possible.',
};
/** What some kinds say in other words. */
const ofNumbers: Readonly<Record<string, string>> = { 'not-allowed': 'Only {wanted} can be used here.' };
const byKind: Readonly<Record<string, Readonly<Record<string, string>>>> = {
  date: ofDays,
  time: ofDays,
  phone: ofNumbers,
};

/** The default wording of a code, for a kind. */
export const wordingFor = (kind: string, code: string): string =>
  byKind[kind]?.[code] ?? wording[code] ?? 'Please check this.';

/**
 * The message of a finding, `{name}` replaced by the finding's data or, for `{label}`, the field's label. A name
 * without data stays as it is written.
 */
export function message(field: CompiledField, say: string | undefined, { code, data }: Finding): string {
  // An `in` rule of a telephone field brings its own data, and so its own wording.
  const isOwn = code !== 'not-allowed' || data.wanted !== undefined;
  const template = say ?? wordingFor(isOwn ? field.plan.kind : '', code);
  if (!template.includes('{')) return template;
  return template.replace(
    /\{([\w-]+)\}/g,
    (whole, name: string) => data[name] ?? (name === 'label' ? field.label : whole),
  );
}
