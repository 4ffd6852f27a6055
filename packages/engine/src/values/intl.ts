/** How many are kept of each sort: more than the fields of a set ask for in their language. */
const mostKept = 100;

/**
 * Keeps what is made by locale and options: making a format takes the platform about a millisecond, and a
 * definition is compiled at every change of it.
 */
function keeping<O, F>(make: (locale: string, options: O) => F): (locale: string, options: O) => F {
  const kept = new Map<string, F>();
  return (locale, options) => {
    const key = `${locale} ${JSON.stringify(options)}`;
    let format = kept.get(key);
    if (!format) {
      if (kept.size >= mostKept) kept.clear();
      format = make(locale, options);
      kept.set(key, format);
    }
    return format;
  };
}

/** A date format of the platform, made once for a locale and options. */
export const dateFormat = /*#__PURE__*/ keeping(
  (locale: string, options: Intl.DateTimeFormatOptions) => new Intl.DateTimeFormat(locale, options),
);

/** A number format of the platform, made once for a locale and options. */
export const numberFormat = /*#__PURE__*/ keeping(
  (locale: string, options: Intl.NumberFormatOptions) => new Intl.NumberFormat(locale, options),
);

/** Names of the platform, made once for a language and options. */
export const displayNames = /*#__PURE__*/ keeping(
  (language: string, options: Intl.DisplayNamesOptions) => new Intl.DisplayNames(language, options),
);

/** Plural rules of the platform, made once for a locale and options. */
export const pluralRules = /*#__PURE__*/ keeping(
  (locale: string, options: Intl.PluralRulesOptions) => new Intl.PluralRules(locale, options),
);
