/**
 * Locales for the tables that are compared with `Intl`: every grouping, every script of digits, both
 * directions.
 */
export const locales: readonly string[] = [
  'en-GB', 'en-US', 'en-IN', 'en-ZA', 'en-CA', 'de-DE', 'de-AT', 'de-CH', 'fr-FR', 'fr-CH', 'fr-CA', 'it-IT', 'it-CH',
  'es-ES', 'es-MX', 'es-AR', 'pt-PT', 'pt-BR', 'nl-NL', 'nl-BE', 'da-DK', 'nb-NO', 'sv-SE', 'fi-FI', 'is-IS', 'et-EE',
  'lv-LV', 'lt-LT', 'pl-PL', 'cs-CZ', 'sk-SK', 'hu-HU', 'sl-SI', 'hr-HR', 'ro-RO', 'bg-BG', 'el-GR', 'tr-TR', 'uk-UA',
  'ru-RU', 'he-IL', 'ar-EG', 'ar-AE', 'fa-IR', 'ur-PK', 'hi-IN', 'mr-IN', 'bn-BD', 'ta-IN', 'th-TH', 'vi-VN', 'id-ID',
  'ms-MY', 'ja-JP', 'ko-KR', 'zh-CN', 'zh-TW', 'ca-ES', 'eu-ES', 'sw-KE',
]; // biome-ignore format: a table

/**
 * Every locale the platform has data of its own for: each language, script and region that resolves to
 * itself. Seventy thousand tags are asked for, once.
 */
export function everyLocale(): readonly string[] {
  every ??= findLocales();
  return every;
}

let every: readonly string[] | undefined;

/** One in three of the locales of the table; all of them where there is time. */
export const someLocales = (hasTime: boolean): readonly string[] =>
  hasTime ? locales : locales.filter((_, i) => i % 3 === 0);

/** The locales of the table, and of all others one in four; all of them where there is time. */
export function manyLocales(hasTime: boolean): readonly string[] {
  if (hasTime) return everyLocale();
  const known = new Set(locales);
  return everyLocale().filter((locale, i) => i % 4 === 0 || known.has(locale));
}

function findLocales(): readonly string[] {
  const letters = [...'abcdefghijklmnopqrstuvwxyz'];
  const two = letters.flatMap((a) => letters.map((b) => a + b));
  const isOwn = (tag: string): boolean => {
    try {
      return new Intl.NumberFormat(tag).resolvedOptions().locale === tag;
    } catch {
      return false;
    }
  };
  const codes = [...two, ...two.flatMap((start) => letters.map((c) => start + c))];
  const languages = Intl.NumberFormat.supportedLocalesOf(codes).filter(isOwn);
  const names = new Intl.DisplayNames('en', { type: 'region', fallback: 'none' });
  const regions = two.map((code) => code.toUpperCase()).filter((code) => names.of(code) !== undefined);
  return languages.flatMap((language) =>
    ['', ...scripts].flatMap((script) => {
      const base = script ? `${language}-${script}` : language;
      if (!isOwn(base)) return [];
      return [base, ...[...regions, '001', '150', '419'].map((region) => `${base}-${region}`).filter(isOwn)];
    }),
  );
}

/** Scripts (ISO 15924) that distinguish some locales. */
const scripts = [
  'Latn', 'Cyrl', 'Arab', 'Deva', 'Hans', 'Hant', 'Adlm', 'Beng', 'Guru', 'Tfng', 'Vaii', 'Olck', 'Orya', 'Telu', 'Mtei', 'Aran', 'Rohg', 'Cakm',
]; // biome-ignore format: a list
