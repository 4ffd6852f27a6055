import type { Finding } from './finding.ts';

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

/** A kind's own wording of codes, where it has another than every field. */
export type Wording = Readonly<Record<string, string>>;

/** The default wording of a code, for a kind. */
export const wordingFor = (own: Wording | undefined, code: string): string =>
  own?.[code] ?? wording[code] ?? 'Please check this.';

/** Who a message is about. */
interface Speaker {
  readonly label: string;
  readonly kind: { readonly wording?: Wording };
}

/**
 * The message of a finding, `{name}` replaced by the finding's data or, for `{label}`, the field's label. A name
 * without data stays as it is written.
 */
export function message({ label, kind }: Speaker, say: string | undefined, { code, data }: Finding): string {
  // A kind's wording of a code speaks of data that its own findings bring; a rule `in` of the same code has none of it.
  const isOwn = code !== 'not-allowed' || data.wanted !== undefined;
  const template = say ?? wordingFor(isOwn ? kind.wording : undefined, code);
  if (!template.includes('{')) return template;
  return template.replace(
    /\{([\w-]+)\}/g,
    (whole, name: string) => data[name] ?? (name === 'label' ? label : whole),
  );
}
