import { describe, expect, test } from 'vitest';
import { compileField, type FieldDocument } from '../../document/index.ts';
import { apply, keysOf, start } from '../../field/apply.ts';
import { kinds } from '../registry.ts';

const open = (entry: object) =>
  ({
    ...compileField(
      { id: 'a', kind: 'duration', label: 'A', entry } as unknown as FieldDocument,
      { locale: 'en-GB' },
      kinds,
    ),
    checks: {},
  }) as const;

test('a point whose hours are gone is no number to go up from', () => {
  const field = open({});
  for (const text of ['.h', '1.']) {
    let state = apply(field, start(field), { type: 'autofill', text: '.h' });
    if (text === '1.') {
      state = keysOf(text).reduce((now, key) => apply(field, now, key), start(field));
      state = apply(field, apply(field, state, { type: 'select', start: 0, end: 1 }), { type: 'cut' });
    }
    const { content, display } = apply(field, state, { type: 'up' }).body;
    expect(content + display).not.toMatch(/NaN/);
  }
});

test('a bare number of more hours than fit is refused, not continued as minutes', () => {
  const field = open({ bare: 'h' });
  const typed = keysOf('1000').reduce((now, key) => apply(field, now, key), start(field));
  const pasted = apply(field, start(field), { type: 'paste', text: '1000' });
  expect([typed.body.content, typed.rejected]).toEqual(['100h', 'full']);
  expect([pasted.body.content, pasted.rejected, pasted.leftOut]).toEqual(['', 'not-accepted', '1000']);
});

/** An hour and a half as people write it; 90 minutes; two hours. */
const written: readonly (readonly [locale: string, ninety: readonly string[], two: readonly string[]])[] = [
  ['en-GB', ['1h30', '1 h 30 min', '1:30', '90 min', '90m', '1.5h', '1.5 hours', '1 hr 30 mins', '1 hour 30 minutes', '1 hour and 30 minutes', 'PT1H30M', 'PT90M', '1h 30', '90′', '5400 s'], ['2h', '2 hours', '2 hrs', '120 min', 'PT2H', '2:00', '2:00:00']],
  ['de-DE', ['1h30', '1 Std. 30 Min.', '1,5 Std.', '1,5 Stunden', '90 Minuten', '90 Min.', '1 Stunde 30 Minuten', '1 Stunde und 30 Minuten', '1:30'], ['2 Std.', '2 Stunden', '120 Min']],
  ['fr-FR', ['1h30', '1 h 30', '1 h 30 min', '90 minutes', '1,5 heure', '1 heure 30', '1 heure et 30 minutes'], ['2 h', '2 heures']],
  ['it-IT', ['1h30', '1 ora 30 minuti', '90 minuti', '1,5 ore', '1 ora e 30 minuti'], ['2 ore', '2 h']],
  ['es-ES', ['1 h 30 min', '90 minutos', '1,5 horas', '1 hora y 30 minutos', '1h30'], ['2 horas', '2 h']],
  ['pt-BR', ['1h30', '1h30min', '90 minutos', '1,5 hora', '1 hora e 30 minutos'], ['2 horas', '2h']],
  ['nl-NL', ['1 u 30 min', '90 minuten', '1,5 uur', '1 uur en 30 minuten', '1u30'], ['2 uur', '2 u']],
  ['da-DK', ['1 t 30 min', '90 minutter', '1,5 timer', '1 time og 30 minutter'], ['2 timer', '2 t.']],
  ['sv-SE', ['1 tim 30 min', '90 minuter', '1,5 timmar', '1 timme 30 minuter'], ['2 timmar', '2 tim']],
  ['fi-FI', ['1 t 30 min', '90 minuuttia', '1,5 tuntia', '1 tunti 30 minuuttia'], ['2 tuntia', '2 t']],
  ['pl-PL', ['1 godz. 30 min', '90 minut', '1,5 godziny', '1 godzina 30 minut', '1 godz 30 min.'], ['2 godziny', '2 godz.']],
  ['cs-CZ', ['1 h 30 min', '90 minut', '1,5 hodiny', '1 hodina 30 minut'], ['2 hodiny', '2 h']],
  ['hu-HU', ['1 óra 30 perc', '90 perc', '1,5 óra', '1 ó 30 p'], ['2 óra', '2 h']],
  ['tr-TR', ['1 sa. 30 dk.', '90 dakika', '1,5 saat', '1 saat 30 dakika', '1 sa 30 dk'], ['2 saat', '2 sa.']],
  ['ru-RU', ['1 ч 30 мин', '90 минут', '1,5 часа', '1 час 30 минут', '1 ч. 30 мин.'], ['2 часа', '2 ч']],
  ['ja-JP', ['1時間30分', '90分', '1.5時間', '1 時間 30 分'], ['2時間', '120分']],
  ['ko-KR', ['1시간 30분', '90분', '1.5시간'], ['2시간', '120분']],
  ['zh-CN', ['1小时30分钟', '90分钟', '1.5小时', '1 小时 30 分钟'], ['2小时', '120分钟']],
]; // biome-ignore format: a table

/** Texts of the table that are refused, each with its reason. */
const refused: Readonly<Record<string, string>> = {
  '1 ó 30 p': 'CLDR has no letter alone for minutes in Hungarian.',
};

describe('durations as people write them, in fields of every units', () => {
  const fields = [{}, { bare: 'h' }, { units: ['h'] }, { units: ['min'] }] as const;
  test.each(written)('%s', (locale, ninety, two) => {
    const wrong = fields.flatMap((entry) => {
      const document = { id: 'a', kind: 'duration', label: 'A', entry } as unknown as FieldDocument;
      const field = compileField(document, { locale }, kinds);
      return [...ninety, ...two].flatMap((text) => {
        const read = apply(field, start(field), { type: 'paste', text });
        const value = field.kind.value(field.plan, read.body);
        return value === (two.includes(text) ? '120' : '90') || text in refused ? [] : [[text, entry, value]];
      });
    });
    expect(wrong).toEqual([]);
  });

  test('nearly all are read', () => {
    const all = written.flatMap(([, ninety, two]) => [...ninety, ...two]);
    expect(Object.keys(refused).length / all.length).toBeLessThan(0.02);
    expect(written.length).toBeGreaterThanOrEqual(15);
  });
});

test.each([
  '-5',
  '90 sec',
  '1:75',
  '1 h 2 h',
  '30 min 1 h',
  '1,5 h 30',
  'half an hour',
  '1 week',
  '5 apples',
  '1-2 h',
])('what is no whole minutes, or no duration, is refused: %s', (text) => {
  for (const entry of [{}, { bare: 'h' }, { units: ['h'] }, { units: ['min'] }]) {
    const field = open(entry);
    const read = apply(field, start(field), { type: 'paste', text });
    expect([text, read.body.content, read.rejected]).toEqual([text, '', 'not-accepted']);
  }
});

test.each([
  ['0001h', '60'],
  ['0090 min', '90'],
  ['001 h 06', '66'],
  ['.5', '30'],
  [',5 h', '30'],
  ['0.5', '30'],
  ['0:30', '30'],
  ['00:30', '30'],
  ['0h30', '30'],
  ['000000030 min', null],
  ['00000130 min', null],
  ['1.00005 h', null],
])('zeros and decimal separators in front change nothing: %s', (text, minutes) => {
  for (const entry of [{}, { bare: 'h' }, { units: ['h'] }, { units: ['min'] }]) {
    const field = open(entry);
    const { body } = apply(field, start(field), { type: 'paste', text });
    expect([entry, field.kind.value(field.plan, body as never)]).toEqual([entry, minutes]);
  }
});

test('rejects two numbers without a unit in a field of hours only', () => {
  const pasted = (entry: object, text: string) => {
    const field = open(entry);
    const { body, rejected, leftOut } = apply(field, start(field), { type: 'paste', text });
    return [field.kind.value(field.plan, body as never), rejected, leftOut];
  };
  expect(pasted({}, '600７0')).toEqual([null, 'not-accepted', '600７0']);
  for (const text of ['7 0', '1 30', '7 00'])
    expect(pasted({ units: ['h'] }, text)).toEqual([null, 'not-accepted', text.replace(' ', '')]);
  expect(pasted({ units: ['h'] }, '7h 00')).toEqual(['420', null, '']);
  expect(pasted({ bare: 'h' }, '1 30')).toEqual(['90', null, '']);
});

test.each([
  [{ bare: 'h' }, '90 min', '90', ''],
  [{ bare: 'h' }, '90m', '90', ''],
  [{ bare: 'h' }, '90h', '5400', ''],
  [{ bare: 'h' }, '90 h m', '5400', 'm'],
  [{}, '90h', '5400', ''],
  [{}, '90m5', '90', '5'],
  [{}, '0001h', '1', 'h'],
  [{}, '1h30m', '90', ''],
  [{}, '1-30', '130', '-'],
  [{ units: ['h'] }, '1h30', '60', '30'],
  [{ units: ['h'] }, '1 30', '60', '30'],
  [{ units: ['min'] }, '90 min', '90', ''],
] as const)('a unit that is typed means itself or is refused: %j %s', (entry, text, value, lost) => {
  const field = open(entry);
  let state = apply(field, start(field), { type: 'focus' });
  let refusedKeys = '';
  for (const key of keysOf(text)) {
    state = apply(field, state, key);
    if (state.rejected && 'text' in key) refusedKeys += key.text;
  }
  const { body } = apply(field, state, { type: 'leave' });
  expect([field.kind.value(field.plan, body as never), refusedKeys]).toEqual([value, lost]);
});
