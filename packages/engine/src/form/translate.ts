import type { HydratedField } from '../field/kind.ts';
import { type HydratedForm, hydrateForm } from './form.ts';
import type { Values } from './sending.ts';

/**
 * What differs between two pieces of data: an array with the other value in place of this one, an empty array
 * for a member that is gone, or what differs in its members.
 */
export type Patch = readonly [] | readonly [unknown] | { readonly [member: string]: Patch };

/** The texts of fields and forms in one language: what differs from their definitions. */
export interface LanguageTexts {
  /** BCP 47. */
  readonly language: string;
  /** By id of the field. */
  readonly fields: Readonly<Record<string, Patch>>;
  /** By id of the form: its title and its rules. */
  readonly forms: Readonly<Record<string, Patch>>;
  /** What only a server says. */
  readonly server: { readonly 'not-allowed': string };
}

/**
 * The difference from one piece of data (JSON) to another; `undefined` if there is none.
 *
 * @example
 * patchBetween({ label: 'Pass' }, { label: 'Ausweis' }); // { label: ['Ausweis'] }
 */
export function patchBetween(one: unknown, other: unknown): Patch | undefined {
  if (Object.is(one, other)) return undefined;
  if (!isData(one) || !isData(other) || Array.isArray(one) !== Array.isArray(other)) return [other];
  if (Array.isArray(one) && Object.keys(one).length !== Object.keys(other).length) return [other];
  const names = [...new Set([...Object.keys(one), ...Object.keys(other)])];
  const found = names.flatMap((name): readonly (readonly [string, Patch])[] => {
    if (!Object.hasOwn(other, name)) return [[name, []]];
    if (!Object.hasOwn(one, name)) return [[name, [other[name]]]];
    const patch = patchBetween(one[name], other[name]);
    return patch ? [[name, patch]] : [];
  });
  return found.length ? Object.fromEntries(found) : undefined;
}

const isData = (value: unknown): value is Readonly<Record<string, unknown>> =>
  typeof value === 'object' && value !== null;
const isWhole = (patch: Patch): patch is readonly [] | readonly [unknown] => Array.isArray(patch);

/** The data with a difference applied. Members that it does not name stay the same objects. */
function patched<T>(value: T, patch: Patch | undefined): T {
  if (!patch) return value;
  // A patch was made of data of this shape.
  if (isWhole(patch)) return patch[0] as T;
  const copy = (Array.isArray(value) ? [...value] : { ...value }) as Record<string, unknown>;
  for (const [name, own] of Object.entries(patch)) {
    if (isWhole(own) && own.length === 0) delete copy[name];
    else copy[name] = patched(copy[name], own);
  }
  return copy as T;
}

/**
 * A field in another language: its label, hint, messages and other texts. What can be typed, and how it is
 * formatted, stays the same.
 *
 * @example
 * const german = (texts: LanguageTexts) => translateField(pass, texts);
 */
export const translateField = <F extends HydratedField>(field: F, { fields }: LanguageTexts): F => ({
  ...patched(field, fields[field.id]),
  original: field.original ?? field,
});

/**
 * A form in another language, with its fields.
 *
 * @example
 * const german = (texts: LanguageTexts) => translateForm(booking, texts);
 */
export function translateForm<V extends Values>(
  form: HydratedForm<V>,
  texts: LanguageTexts,
): HydratedForm<V> {
  const { title, rules } = patched({ title: form.title, rules: form.rules }, texts.forms[form.id]);
  const fields = form.fields.map((field) => translateField(field, texts));
  return hydrateForm({ ...form, title, fields, rules }) as HydratedForm<V>;
}
