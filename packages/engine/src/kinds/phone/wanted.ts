import { intl } from '../../values/intl.ts';

/** Languages with words for "3 other regions", by plural form (CLDR). Others get English. */
const others: Readonly<Record<string, Readonly<Record<string, string>>>> = {
  en: { other: '{n} other regions' },
  de: { other: '{n} weitere Länder' },
  fr: { other: '{n} autres pays' },
  es: { other: '{n} países más' },
  it: { other: 'altri {n} paesi' },
  ja: { other: '他{n}か国' },
  pt: { other: 'mais {n} países' },
  nl: { other: '{n} andere landen' },
  pl: { few: '{n} inne kraje', other: '{n} innych krajów' },
  sv: { other: '{n} andra länder' },
  zh: { other: '其他 {n} 个国家或地区' },
  ar: { few: '{n} بلدان أخرى', many: '{n} بلدًا آخر', other: '{n} بلد آخر' },
};

/** Types of numbers in the words of a message of the developer's own, which may say `{wanted}`. */
const types: Readonly<Record<string, Readonly<Record<'mobile' | 'fixed' | 'any', string>>>> = {
  en: { mobile: 'a mobile number', fixed: 'a landline number', any: 'a mobile or landline number' },
  de: { mobile: 'eine Mobilnummer', fixed: 'eine Festnetznummer', any: 'eine Mobil- oder Festnetznummer' },
  fr: { mobile: 'un numéro de mobile', fixed: 'un numéro fixe', any: 'un numéro de mobile ou fixe' },
  es: { mobile: 'un número de móvil', fixed: 'un número fijo', any: 'un número de móvil o fijo' },
  it: { mobile: 'un numero di cellulare', fixed: 'un numero fisso', any: 'un numero di cellulare o fisso' },
  ja: { mobile: '携帯電話番号', fixed: '固定電話番号', any: '携帯電話または固定電話の番号' },
  pt: { mobile: 'um número de celular', fixed: 'um número de telefone fixo', any: 'um número de celular ou de telefone fixo' },
  nl: { mobile: 'een mobiel nummer', fixed: 'een vast nummer', any: 'een mobiel of vast nummer' },
  pl: { mobile: 'numer komórkowy', fixed: 'numer stacjonarny', any: 'numer komórkowy lub stacjonarny' },
  sv: { mobile: 'ett mobilnummer', fixed: 'ett fast telefonnummer', any: 'ett mobilnummer eller ett fast telefonnummer' },
  zh: { mobile: '手机号码', fixed: '固定电话号码', any: '手机或固定电话号码' },
  ar: { mobile: 'رقم هاتف محمول', fixed: 'رقم هاتف أرضي', any: 'رقم هاتف محمول أو أرضي' },
}; // biome-ignore format: a table

const withArticle =
  /^(?:United|Netherlands|Philippines|Maldives|Bahamas|Comoros|Seychelles|Dominican R|Central African|British|U\.S\.)|Islands$|Territor/;

/** Most regions that a message names. */
const mostNamed = 6;

/**
 * What a message says is allowed (`{wanted}`): the regions or, if every region is allowed, the types. Of many
 * regions, the first ones and a count. English joins them with "or" and gives some an article, because they
 * are inside a sentence there.
 *
 * @example
 * wantedIn('en-GB', ['CH', 'GB'], []); // 'Switzerland or the United Kingdom'
 */
export function wantedIn(
  language: string,
  regions: readonly string[],
  [type, another]: readonly ('mobile' | 'fixed')[],
): string {
  const subtag = language.split('-')[0] ?? '';
  if (regions.length === 0)
    return type === undefined ? '' : (types[subtag] ?? types.en!)[another === undefined ? type : 'any'];
  const words = others[subtag];
  const tag = words ? language : 'en-GB';
  const isEnglish = subtag === 'en' || !words;
  const names = intl(Intl.DisplayNames, tag, { type: 'region' });
  const all = regions
    .map((region) => names.of(region) ?? region)
    .map((name) => (isEnglish && withArticle.test(name) ? `the ${name}` : name));
  const isMany = all.length > mostNamed;
  const rest = all.length - mostNamed + 1;
  const forms = words ?? others.en!;
  const form = forms[intl(Intl.PluralRules, tag, {}).select(rest)] ?? forms.other!;
  const few = isMany ? [...all.slice(0, mostNamed - 1), form.replace('{n}', String(rest))] : all;
  return new Intl.ListFormat(tag, { type: isEnglish ? 'disjunction' : 'conjunction' }).format(few);
}
