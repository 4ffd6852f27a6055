/** Locales for the tables that are held against `Intl`: every way of grouping, every script of digits, both directions. */
export const locales: readonly string[] = [
  'en-GB', 'en-US', 'en-IN', 'en-ZA', 'en-CA', 'de-DE', 'de-AT', 'de-CH', 'fr-FR', 'fr-CH', 'fr-CA', 'it-IT', 'it-CH',
  'es-ES', 'es-MX', 'es-AR', 'pt-PT', 'pt-BR', 'nl-NL', 'nl-BE', 'da-DK', 'nb-NO', 'sv-SE', 'fi-FI', 'is-IS', 'et-EE',
  'lv-LV', 'lt-LT', 'pl-PL', 'cs-CZ', 'sk-SK', 'hu-HU', 'sl-SI', 'hr-HR', 'ro-RO', 'bg-BG', 'el-GR', 'tr-TR', 'uk-UA',
  'ru-RU', 'he-IL', 'ar-EG', 'ar-AE', 'fa-IR', 'ur-PK', 'hi-IN', 'mr-IN', 'bn-BD', 'ta-IN', 'th-TH', 'vi-VN', 'id-ID',
  'ms-MY', 'ja-JP', 'ko-KR', 'zh-CN', 'zh-TW', 'ca-ES', 'eu-ES', 'sw-KE',
]; // biome-ignore format: a table
