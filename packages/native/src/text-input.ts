import { attributesOf } from '@arbeit/dom/stores';
import type { HydratedField } from '@arbeit/engine/field';

/** Autofill tokens of HTML that `TextInput` has under the same name. */
const sameTokens = [
  'additional-name', 'address-line1', 'address-line2', 'cc-csc', 'cc-exp', 'cc-exp-month', 'cc-exp-year',
  'cc-family-name', 'cc-given-name', 'cc-name', 'cc-number', 'cc-type', 'country', 'current-password', 'email',
  'family-name', 'given-name', 'honorific-prefix', 'honorific-suffix', 'name', 'new-password', 'nickname',
  'one-time-code', 'organization', 'organization-title', 'postal-code', 'street-address', 'tel',
  'tel-country-code', 'tel-national', 'url', 'username',
] as const; // biome-ignore format: a list

/** Autofill tokens of HTML that `TextInput` calls by another name. */
const otherTokens = {
  'address-level1': 'postal-address-region',
  'address-level2': 'postal-address-locality',
  bday: 'birthdate-full',
  'bday-day': 'birthdate-day',
  'bday-month': 'birthdate-month',
  'bday-year': 'birthdate-year',
  'cc-additional-name': 'cc-middle-name',
  sex: 'gender',
} as const;

/** Values of `autoComplete` of `TextInput`: what the platform may fill in. */
export type AutoComplete =
  | (typeof sameTokens)[number]
  | (typeof otherTokens)[keyof typeof otherTokens]
  | 'off';

/** What `TextInput` needs to know of a field: its keyboard, what fills it in, and its text. */
export interface KeyboardProps {
  readonly inputMode:
    | 'none'
    | 'text'
    | 'decimal'
    | 'numeric'
    | 'tel'
    | 'search'
    | 'email'
    | 'url'
    | undefined;
  readonly enterKeyHint: 'enter' | 'done' | 'go' | 'next' | 'previous' | 'search' | 'send' | undefined;
  readonly autoComplete: AutoComplete | undefined;
  readonly autoCapitalize: 'none' | 'sentences' | 'words' | 'characters';
  readonly autoCorrect: boolean;
  readonly spellCheck: boolean;
  readonly autoFocus: boolean;
  readonly readOnly: boolean;
  readonly multiline: boolean;
  /** Lines of a field of several lines, otherwise `undefined`. */
  readonly numberOfLines: number | undefined;
  readonly placeholder: string | undefined;
  readonly 'aria-required': boolean;
}

/** The value of an attribute if `TextInput` has it too. */
const oneOf = <T extends string>(value: unknown, all: readonly T[]): T | undefined =>
  all.find((one) => one === value);

/**
 * The token for `TextInput`. HTML allows a section, a purpose and a place before it ("section-a home tel").
 */
function tokenOf(autocomplete: unknown): AutoComplete | undefined {
  if (typeof autocomplete !== 'string') return undefined;
  const token = autocomplete.trim().toLowerCase().split(/\s+/).at(-1) ?? '';
  if (token === 'off') return 'off';
  return oneOf(token, sameTokens) ?? otherTokens[token as keyof typeof otherTokens];
}

/**
 * The HTML attributes of a field as props of `TextInput`. Without attributes of the field, a keyboard neither
 * corrects nor capitalizes what is typed into one line: it would change formatted values.
 */
export function keyboardOf(field: HydratedField, lines: number): KeyboardProps {
  const html = attributesOf(field);
  const isProse = lines > 1;
  const capitals = html.autocapitalize === 'on' ? 'sentences' : html.autocapitalize;
  return {
    inputMode: oneOf(html.inputmode, ['none', 'text', 'decimal', 'numeric', 'tel', 'search', 'email', 'url']),
    enterKeyHint: oneOf(html.enterkeyhint, ['enter', 'done', 'go', 'next', 'previous', 'search', 'send']),
    autoComplete: tokenOf(html.autocomplete),
    autoCapitalize:
      oneOf(capitals, ['none', 'sentences', 'words', 'characters']) ?? (isProse ? 'sentences' : 'none'),
    autoCorrect: html.autocorrect === undefined ? isProse : html.autocorrect === 'on',
    spellCheck: html.spellcheck === undefined ? isProse : String(html.spellcheck) === 'true',
    autoFocus: html.autofocus === true,
    readOnly: html.readonly === true || html.disabled === true,
    multiline: isProse,
    numberOfLines: isProse ? lines : undefined,
    placeholder: field.placeholder || undefined,
    'aria-required': html['aria-required'] === true,
  };
}
