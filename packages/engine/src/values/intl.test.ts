import { expect, test } from 'vitest';
import { intl } from './intl.ts';

const formatOf = (maximumFractionDigits: number, locale = 'de-DE') =>
  intl(Intl.NumberFormat, locale, { maximumFractionDigits, minimumIntegerDigits: 1 });

test('a format is made once for a locale and options, and is the one that was asked for', () => {
  expect(formatOf(2)).toBe(formatOf(2));
  expect([formatOf(2).format(1234.567), formatOf(1).format(1234.567), formatOf(2, 'en-GB').format(1234.567)]).toEqual(['1.234,57', '1.234,6', '1,234.57']); // biome-ignore format: short
  const date = intl(Intl.DateTimeFormat, 'de-DE', { dateStyle: 'short', timeZone: 'UTC' });
  expect(date.format(new Date('2027-02-14'))).toBe('14.02.27');
});

test('those that are kept do not grow without end', () => {
  const first = formatOf(2);
  for (let i = 1; i <= 20; i++) for (let j = 0; j <= 20; j++) intl(Intl.NumberFormat, 'de-DE', { minimumIntegerDigits: i, maximumFractionDigits: j, useGrouping: false }); // biome-ignore format: short
  expect(formatOf(2)).not.toBe(first);
});
