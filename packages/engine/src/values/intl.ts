/** How many are kept: more than the fields of a set ask for in their language. */
const mostKept = 300;

const kept = new Map<string, unknown>();

/**
 * A format of the platform (ECMA-402) for a locale and options, made once: making one takes about a
 * millisecond, and a definition is compiled at every change of it.
 */
export function intl<O, F>(
  Make: new (locale: string, options: O) => F,
  locale: string,
  options: NoInfer<O>,
): F {
  const key = Make.name + locale + JSON.stringify(options);
  let format = kept.get(key) as F | undefined;
  if (!format) {
    if (kept.size === mostKept) kept.clear();
    format = new Make(locale, options);
    kept.set(key, format);
  }
  return format;
}
