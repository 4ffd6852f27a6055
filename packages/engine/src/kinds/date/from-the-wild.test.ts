import { describe, expect, test } from 'vitest';
import { compileField } from '../../document/compile-field.ts';
import type { FieldDocument } from '../../document/document.ts';
import { apply, start } from '../../field/apply.ts';
import { kinds } from '../registry.ts';

/** What a field says after a paste into it and blur. */
function pasted(kind: string, entry: object, locale: string, text: string) {
  const field = compileField({ id: 'f', kind, label: 'F', entry } as FieldDocument, { locale }, kinds);
  const taken = apply(field, start(field), { type: 'focus' });
  const read = apply(field, taken, { type: 'paste', text });
  const { body } = apply(field, read, { type: 'leave' });
  return { value: field.kind.value(field.plan, body), rejected: read.rejected, leftOut: read.leftOut };
}

/** 4 March 2027 as people write it, by locale: with and without zeros and spaces, by its month’s name. */
const dates: readonly (readonly [locale: string, texts: readonly string[]])[] = [
  ['en-GB', ['4/3/2027', '04/03/27', '4.3.2027', '4-3-27', '4 March 2027', '4 Mar 27', '4th March 2027', 'March 4, 2027', '2027-03-04', 'Thursday, 4 March 2027', 'Thu 4 Mar 2027', '4 / 3 / 2027']],
  ['en-US', ['3/4/2027', '03/04/27', '3-4-27', 'March 4, 2027', 'Mar 4 2027', 'Mar. 4, 2027', 'March 4th, 2027', '4 March 2027', 'Thursday, March 4, 2027', '2027-03-04', '20270304']],
  ['en-AU', ['4/3/27', '04/03/2027', '4 Mar 2027']],
  ['en-CA', ['2027-03-04', 'March 4, 2027', 'Mar 4, 2027']],
  ['en-IN', ['04-03-2027', '4/3/27', '4 March 2027', '04 Mar 2027']],
  ['en-ZA', ['2027/03/04', '04 March 2027']],
  ['de-DE', ['4.3.2027', '04.03.27', '4.3.27', '4. März 2027', '4. Mär. 27', '4 März 2027', 'Do, 4. März 2027', '04.03.2027', 'Donnerstag, 4. März 2027']],
  ['de-AT', ['4.3.2027', '4. März 2027', '04.03.27']],
  ['de-CH', ['4.3.2027', '04.03.27', '4. März 2027']],
  ['fr-FR', ['4/3/2027', '04/03/27', '4 mars 2027', 'jeudi 4 mars 2027', '4.3.27']],
  ['fr-CH', ['4.3.2027', '04.03.27', '4 mars 2027']],
  ['fr-CA', ['2027-03-04', '4 mars 2027']],
  ['it-IT', ['4/3/2027', '04/03/27', '4 marzo 2027', '4 mar 2027', 'giovedì 4 marzo 2027']],
  ['es-ES', ['4/3/2027', '04/03/27', '4 de marzo de 2027', '4-mar-2027', '4 marzo 2027', 'jueves, 4 de marzo de 2027']],
  ['es-MX', ['04/03/2027', '4 de marzo de 2027', '4/3/27']],
  ['pt-PT', ['04/03/2027', '4/3/27', '4 de março de 2027', '4-3-2027']],
  ['pt-BR', ['04/03/2027', '4/3/27', '4 de março de 2027', '4 de mar. de 2027']],
  ['nl-NL', ['4-3-2027', '04-03-27', '4 maart 2027', '4 mrt 2027', 'do 4 maart 2027']],
  ['nl-BE', ['4/03/2027', '4/3/27', '4 maart 2027']],
  ['da-DK', ['4.3.2027', '04.03.27', '4. marts 2027', '4/3-2027', '4/3 2027']],
  ['nb-NO', ['4.3.2027', '04.03.27', '4. mars 2027', '4/3-27']],
  ['sv-SE', ['2027-03-04', '4 mars 2027', '20270304']],
  ['fi-FI', ['4.3.2027', '04.03.27', '4. maaliskuuta 2027']],
  ['is-IS', ['4.3.2027', '4. mars 2027']],
  ['et-EE', ['4.3.2027', '04.03.27', '4. märts 2027']],
  ['lv-LV', ['4.3.2027.', '04.03.2027', '2027. gada 4. marts']],
  ['lt-LT', ['2027-03-04', '2027 m. kovo 4 d.', '2027.03.04']],
  ['pl-PL', ['4.03.2027', '04.03.27', '4 marca 2027', '4 marca 2027 r.', '4-03-2027']],
  ['cs-CZ', ['4. 3. 2027', '4.3.27', '4. března 2027', '4.3.2027']],
  ['sk-SK', ['4. 3. 2027', '4.3.27', '4. marca 2027']],
  ['hu-HU', ['2027. 03. 04.', '2027.03.04', '27. márc. 4.', '2027. március 4.', '2027. márc. 4.', '2027-03-04']],
  ['sl-SI', ['4. 3. 2027', '4.3.27', '4. marec 2027']],
  ['hr-HR', ['4. 3. 2027.', '04.03.27.', '4. ožujka 2027.']],
  ['ro-RO', ['04.03.2027', '4.3.27', '4 martie 2027']],
  ['bg-BG', ['4.03.2027 г.', '4.3.27', '4 март 2027 г.', '4 март 2027']],
  ['el-GR', ['4/3/2027', '04/03/27', '4 Μαρτίου 2027']],
  ['tr-TR', ['04.03.2027', '4.3.27', '4 Mart 2027', '4 Mart 2027 Perşembe']],
  ['uk-UA', ['04.03.2027', '4.3.27', '4 березня 2027', '4 березня 2027 р.']],
  ['ru-RU', ['04.03.2027', '4.3.27', '4 марта 2027', '4 марта 2027 г.', '4 мар. 2027']],
  ['he-IL', ['4.3.2027', '4.3.27', '4 במרץ 2027', '4/3/27']],
  ['ar-EG', ['٤/٣/٢٠٢٧', '4/3/2027', '٤ مارس ٢٠٢٧']],
  ['hi-IN', ['4/3/2027', '4/3/27', '4 मार्च 2027', '04-03-2027']],
  ['bn-BD', ['৪/৩/২০২৭', '৪ মার্চ, ২০২৭']],
  ['vi-VN', ['4/3/2027', '04/03/27', '4 tháng 3, 2027', 'ngày 4 tháng 3 năm 2027']],
  ['id-ID', ['4/3/2027', '04/03/27', '4 Maret 2027', '4 Mar 2027']],
  ['ms-MY', ['4/03/2027', '4 Mac 2027']],
  ['ja-JP', ['2027/03/04', '2027年3月4日', '2027/3/4', '2027.3.4']],
  ['ko-KR', ['2027. 3. 4.', '2027년 3월 4일', '2027.03.04', '2027-03-04']],
  ['zh-CN', ['2027/3/4', '2027年3月4日', '2027-03-04', '2027.3.4', '2027年3月4日星期四']],
  ['zh-TW', ['2027/3/4', '2027年3月4日']],
]; // biome-ignore format: a table

describe('dates as people write them', () => {
  test.each(dates)('%s', (locale, texts) => {
    const wrong = texts
      .map((text) => [text, pasted('date', {}, locale, text).value])
      .filter(([, value]) => value !== '2027-03-04');
    expect(wrong).toEqual([]);
  });

  test('in at least forty locales', () => expect(dates.length).toBeGreaterThanOrEqual(40));
});

test.each([
  ['en-GB', '12/2027'],
  ['en-GB', '2027-045'],
  ['en-GB', '1/2'],
  ['en-GB', '140220271'],
  ['en-GB', '30/02/27x'],
  ['en-GB', '32/01/2027'],
  ['en-GB', '14 Feb'],
  ['en-GB', 'Feb 2027'],
  ['en-US', '2027-W07'],
  ['en-GB', '14/02/2027 - 15/02/2027'],
])('what is no date is refused: %s %s', (locale, text) => {
  expect(pasted('date', {}, locale, text)).toMatchObject({ value: null, rejected: 'not-accepted' });
});

test('words before and after a date are reported', () => {
  expect(pasted('date', {}, 'de-DE', 'am 4.3.2027')).toEqual({
    value: '2027-03-04',
    rejected: null,
    leftOut: 'am',
  });
  expect(pasted('date', {}, 'en-GB', 'Due: 04/03/2027 (paid)').leftOut).toBe('Duepaid');
});

/** Half past eight in the evening, and eight o'clock in the morning. */
const times: readonly (readonly [locale: string, evening: readonly string[], morning: readonly string[]])[] = [
  ['en-GB', ['20:30', '20.30', '8:30 pm', '8.30pm', '8:30 p.m.', '2030', '20:30:00', '20h30'], ['8:00', '8 am', '8am', '08:00', "8 o'clock", '8 in the morning']],
  ['en-US', ['8:30 PM', '8:30pm', '20:30', '8:30 p.m.', '08:30 PM', '8:30 in the evening'], ['8 AM', '8:00 am', '8am', '8 a.m.']],
  ['de-DE', ['20:30', '20:30 Uhr', '20.30 Uhr', '20.30', '20 Uhr 30', '8:30 Uhr abends'], ['8 Uhr', '8:00', '08:00 Uhr', '8 Uhr morgens']],
  ['fr-FR', ['20:30', '20h30', '20 h 30', '20 h 30 min', '8h30 du soir'], ['8h', '8 h', '8h00', '8 heures', '08:00']],
  ['it-IT', ['20:30', '20.30', 'ore 20:30', '8:30 di sera'], ['8:00', 'ore 8:00', '8 di mattina']],
  ['es-ES', ['20:30', '20.30 h', '20:30 h', '8:30 p. m.', '8:30 de la noche'], ['8:00', '8 h', '8 de la mañana']],
  ['pt-BR', ['20:30', '20h30', '20h30min', '8:30 da noite'], ['8h', '8:00', '8 da manhã']],
  ['nl-NL', ['20:30', '20.30 uur', '20:30 uur', '8:30 ’s avonds'], ['8:00', '8 uur', '8 uur ‘s ochtends']],
  ['da-DK', ['20.30', '20:30', 'kl. 20.30', '8.30 om aftenen'], ['8.00', 'kl. 8.00', '08.00']],
  ['sv-SE', ['20:30', '20.30', 'kl. 20:30', '8:30 em', 'kl 20.30'], ['8:00', '08.00', '8 fm']],
  ['pl-PL', ['20:30', '20.30', 'godz. 20:30', '8:30 wieczorem'], ['8:00', 'godz. 8:00', '8 rano']],
  ['hu-HU', ['20:30', '20.30', '20 óra 30 perc', 'du. 8:30', 'este 8:30'], ['8:00', '8 óra', 'reggel 8', 'de. 8:00']],
  ['tr-TR', ['20:30', '20.30', '8:30 ÖS', 'akşam 8:30', 'ÖS 8:30'], ['8:00', 'sabah 8', '8:00 ÖÖ']],
  ['ms-MY', ['8:30 PTG', '20:30', '8:30 malam', '8.30 malam'], ['8:00 PG', '8 pagi', '8:00 pagi']],
  ['id-ID', ['20.30', '20:30', '8.30 malam', 'pukul 20.30'], ['8.00', '8 pagi', 'pukul 8.00']],
  ['ru-RU', ['20:30', '20.30', '20 ч 30 мин', '8:30 вечера'], ['8:00', '8 ч', '8 утра']],
  ['ja-JP', ['20:30', '20時30分', '午後8:30', '午後8時30分'], ['8:00', '8時', '午前8時']],
  ['ko-KR', ['20:30', '20시 30분', '오후 8:30', '오후 8시 30분'], ['오전 8:00', '오전 8시', '8:00', '8시']],
  ['zh-CN', ['20:30', '20点30分', '晚上8:30', '下午8:30', '20时30分'], ['8:00', '8点', '早上8点', '上午8点']],
]; // biome-ignore format: a table

/** Texts of the table that are refused, each with its reason. */
const refusedTimes: Readonly<Record<string, string>> = {
  'ko-KR 8:00': 'The field has twelve hours, and the text does not say which half of the day.',
  'ko-KR 8시': 'The field has twelve hours, and the text does not say which half of the day.',
};

describe('times as people write them', () => {
  test.each(times)('%s', (locale, evening, morning) => {
    const read = (text: string) => [text, pasted('time', {}, locale, text).value];
    const wrong = [
      ...evening.map(read).filter(([, value]) => value !== '20:30'),
      ...morning.map(read).filter(([, value]) => value !== '08:00'),
    ].filter(([text]) => !(`${locale} ${text}` in refusedTimes));
    expect(wrong).toEqual([]);
  });

  test('nearly all are read, and each refusal has its reason', () => {
    const all = times.flatMap(([locale, evening, morning]) =>
      [...evening, ...morning].map((text) => [locale, text] as const),
    );
    const refused = all.filter(([locale, text]) => `${locale} ${text}` in refusedTimes);
    expect(refused).toHaveLength(Object.keys(refusedTimes).length);
    for (const [locale, text] of refused) expect(pasted('time', {}, locale, text).value).toBeNull();
    expect(refused.length / all.length).toBeLessThan(0.02);
  });
});

// Found by random events: a word between the numbers makes them no time, a blank does not.
test.each([
  ['en-GB', { clock: 12 }, '14漢00', null, '14漢00'],
  ['en-GB', {}, '14x00', null, '14x00'],
  ['ko-KR', {}, '0 11', '00:11', ''],
  ['en-GB', {}, '14h00', '14:00', ''],
  ['en-GB', {}, '14 uhr 30', '14:30', ''],
] as const)('a time with something between its numbers: %s %j %s', (locale, entry, text, value, leftOut) => {
  expect(pasted('time', entry, locale, text)).toMatchObject({ value, leftOut });
});
