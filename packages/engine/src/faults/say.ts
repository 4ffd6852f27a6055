/** What an error says: a code that programs may rely on, and a sentence that may be reworded at any time. */
export interface Said {
  readonly code: string;
  readonly message: string;
}

/**
 * Sentences by code, with names in braces where something is filled in: `Unknown property "{name}".` A code
 * with several sentences has one per key: `unknown-action`, `unknown-action/meant`.
 */
export type Texts = Readonly<Record<string, string>>;

type NamesIn<T extends string> = T extends `${string}{${infer Name}}${infer Rest}`
  ?
      | (Name extends `${number}${string}` ? never : Name extends Uncapitalize<Name> ? Name : never)
      | NamesIn<Rest>
  : never;

/** What has to be filled into a sentence. */
type Filled<T extends string> = [NamesIn<T>] extends [never]
  ? []
  : [filled: Readonly<Record<NamesIn<T>, string | number>>];

/**
 * An error of a table of texts, filled in; its code is the key up to a slash. A name that a text does not
 * have is a type error, as is a missing one.
 *
 * @example
 * say({ 'unknown-kind': 'Unknown kind "{name}".' }, 'unknown-kind', { name: 'colour' });
 * // { code: 'unknown-kind', message: 'Unknown kind "colour".' }
 */
export function say<const T extends Texts, K extends keyof T & string>(
  texts: T,
  key: K,
  ...[filled]: Filled<T[K]>
): Said {
  const given: Readonly<Record<string, string | number>> = filled ?? {};
  // A name begins with a small letter: `{2,4}` and `\p{L}` in a sentence about expressions stay.
  const message = texts[key]!.replace(/\{([a-z][A-Za-z]*)\}/g, (all, name: string) =>
    String(given[name] ?? all),
  );
  return { code: key.split('/')[0]!, message };
}

/**
 * An error of the developer's own program as an exception with a `code`, as Node's are.
 *
 * @example
 * throw misuse({ code: 'unknown-kind', message: 'Unknown kind "colour".' });
 */
export const misuse = (said: Said): RangeError & { readonly code: string } =>
  Object.assign(new RangeError(said.message), { code: said.code });
