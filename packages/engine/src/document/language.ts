/** What decides in which language messages speak and how values are written (BCP 47). */
interface Spoken {
  readonly language?: string | undefined;
  readonly locale?: string | undefined;
}

/**
 * The language of the messages of a field: its own, that of its set, or that of its locale. With `{}`, the
 * language of the set.
 *
 * @example
 * languageOf({ locale: 'de-CH' }, { locale: 'en-GB' }); // 'de-CH'
 * languageOf({ locale: 'de-CH' }, { locale: 'en-GB', language: 'en' }); // 'en'
 */
export const languageOf = (field: Spoken, set: Spoken & { readonly locale: string }): string =>
  field.language ?? set.language ?? field.locale ?? set.locale;
