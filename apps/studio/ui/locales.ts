/** Locales offered by name (BCP 47), the most common ones. A document may have any other. */
export const locales: readonly string[] = [
  'ar-AE', 'ar-EG', 'ar-SA', 'bg-BG', 'bn-BD', 'ca-ES', 'cs-CZ', 'da-DK', 'de-AT', 'de-CH', 'de-DE', 'el-GR', 'en-AU', 'en-CA', 'en-GB', 'en-IE', 'en-IN', 'en-NZ', 'en-US', 'en-ZA', 'es-AR', 'es-ES', 'es-MX', 'et-EE', 'fa-IR', 'fi-FI', 'fr-BE', 'fr-CA', 'fr-CH', 'fr-FR', 'he-IL', 'hi-IN', 'hr-HR', 'hu-HU', 'id-ID', 'it-CH', 'it-IT', 'ja-JP', 'ko-KR', 'lt-LT', 'lv-LV', 'mr-IN', 'nb-NO', 'nl-BE', 'nl-NL', 'pl-PL', 'pt-BR', 'pt-PT', 'ro-RO', 'sk-SK', 'sl-SI', 'sr-RS', 'sv-SE', 'th-TH', 'tr-TR', 'uk-UA', 'vi-VN', 'zh-CN', 'zh-TW',
]; // biome-ignore format: a list

/** Languages that default messages exist in (BCP 47). */
export const messageLanguages: readonly string[] = [
  'ar', 'de', 'en', 'es', 'fr', 'it', 'ja', 'nl', 'pl', 'pt', 'sv', 'zh',
]; // biome-ignore format: a list

const names = new Intl.DisplayNames('en-GB', { type: 'language' });

/** The name of a locale; its tag if it has none. */
export function localeName(tag: string): string {
  try {
    return names.of(tag) ?? tag;
  } catch {
    return tag;
  }
}
