/**
 * The version of documents that this code writes.
 *
 * @example
 * const document = { arbeit: documentVersion, title: 'Huts', locale: 'en-GB', fields: [] };
 */
export const documentVersion = 2;
/**
 * The versions of documents that this code reads.
 *
 * @example
 * readableVersions.includes(1); // true
 */
export const readableVersions: readonly number[] = [1, 2];

/** Kinds that had another name in version 1, by that name. */
const kindsOfVersion1: Readonly<Record<string, string>> = { own: 'custom' };

type Json = Readonly<Record<string, unknown>>;
const isObject = (value: unknown): value is Json =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/**
 * An expression without the escapes that version 1 took although `RegExp` with `u` does not: `\\@`, and `\\-`
 * outside of a class.
 */
function withoutIdleEscapes(pattern: string): string {
  let isInClass = false;
  return pattern.replace(/\\?./gsu, (part) => {
    if (part === '[') isInClass = true;
    if (part === ']') isInClass = false;
    const isIdle = part.length > 1 && !/[\p{L}\p{N}^$\\.*+?()[\]{}|/]/u.test(part.slice(1));
    return isIdle && !(isInClass && part === '\\-') ? part.slice(1) : part;
  });
}

/** The expressions of a field's rules that have to be written differently. */
function rulesOf(field: Json, i: number): readonly Migration[] {
  const rules = Array.isArray(field.rules) ? field.rules : [];
  return rules.flatMap((rule: unknown, j): readonly Migration[] => {
    const check = isObject(rule) && isObject(rule.check) ? rule.check : {};
    if (check.type !== 'matches' || typeof check.pattern !== 'string') return [];
    const value = withoutIdleEscapes(check.pattern);
    return value === check.pattern ? [] : [{ path: ['fields', i, 'rules', j, 'check', 'pattern'], value }];
  });
}

/** One value of a document that the current version writes differently. */
export interface Migration {
  /** Names of members and indexes of items, from the root of the document to the value. */
  readonly path: readonly (string | number)[];
  readonly value: string | number;
}

/**
 * The values to replace so that a document has the current version. Empty for a document of the current
 * version and for a value that is not a document. Whether the document is valid is not checked.
 *
 * @example
 * migrationsOf({ arbeit: 1, title: 'Huts', locale: 'en-GB', fields: [] });
 * // [{ path: ['arbeit'], value: 2 }]
 */
export function migrationsOf(document: unknown): readonly Migration[] {
  if (!isObject(document) || document.arbeit !== 1) return [];
  const fields = Array.isArray(document.fields) ? document.fields : [];
  return [
    { path: ['arbeit'], value: documentVersion },
    ...fields.flatMap((field: unknown, i): readonly Migration[] => {
      const kind = isObject(field) && typeof field.kind === 'string' ? field.kind : '';
      const value = Object.hasOwn(kindsOfVersion1, kind) ? kindsOfVersion1[kind] : undefined;
      return [
        ...(value === undefined ? [] : [{ path: ['fields', i, 'kind'], value }]),
        ...(isObject(field) ? rulesOf(field, i) : []),
      ];
    }),
  ];
}

/**
 * The document in the current version; the same value if there is nothing to migrate. The argument is not
 * changed.
 *
 * @example
 * migrated({ arbeit: 1, title: 'Huts', locale: 'en-GB', fields: [] }); // { arbeit: 2, title: 'Huts', … }
 */
export const migrated = (document: unknown): unknown =>
  migrationsOf(document).reduce<unknown>((at, { path, value }) => replaced(at, path, value), document);

function replaced(at: unknown, path: Migration['path'], value: unknown): unknown {
  const [key, ...rest] = path;
  if (key === undefined) return value;
  if (Array.isArray(at))
    return at.map((item: unknown, i) => (i === key ? replaced(item, rest, value) : item));
  return isObject(at) ? { ...at, [key]: replaced(at[key], rest, value) } : at;
}
