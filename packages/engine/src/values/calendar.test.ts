import { expect, test } from 'vitest';
import { addDays, addMonths, daysBetween, isDate, isLeap, isoWeek, resolve, weekday } from './calendar.ts';

/**
 * Every seventh day or so of two thousand years, and what the platform makes of it (UTC, proleptic
 * Gregorian).
 */
const days = Array.from({ length: 40_000 }, (_, i) => new Date(Date.UTC(1200, 0, 1 + i * 17)));
const isoOf = (date: Date): string => date.toISOString().slice(0, 10);

test('days are counted as the platform counts them', () => {
  for (const [i, day] of days.entries()) {
    const date = isoOf(day);
    expect(isDate(date)).toBe(true);
    expect(weekday(date)).toBe((day.getUTCDay() + 6) % 7);
    if (i === 0) continue;
    expect(addDays(isoOf(days[i - 1]!), 17)).toBe(date);
    expect(daysBetween(date, isoOf(days[i - 1]!))).toBe(-17);
  }
});

test('leap years, and days that are none', () => {
  expect([1600, 1700, 1900, 2000, 2023, 2024, 2100].map(isLeap)).toEqual([
    true,
    false,
    false,
    true,
    false,
    true,
    false,
  ]);
  expect(
    ['2100-02-29', '2000-02-29', '2027-04-31', '2027-13-01', '0000-01-01', '2027-2-1'].map(isDate),
  ).toEqual([false, true, false, false, false, false]);
});

test('weeks, months and limits', () => {
  expect(['2026-12-31', '2027-01-03', '2027-01-04', '2024-12-30'].map(isoWeek)).toEqual([
    '2026-W53',
    '2026-W53',
    '2027-W01',
    '2025-W01',
  ]);
  expect(addMonths('2027-01-31', 1)).toBe('2027-02-28');
  expect(addMonths('2027-01-31', -11)).toBe('2026-02-28');
  const limits = ['today', 'today+18m', 'today-16y', 'today+2w', 'today-10d', '2027-02-30', 'tomorrow'];
  expect(limits.map((limit) => resolve(limit, '2027-02-10'))).toEqual([
    '2027-02-10',
    '2028-08-10',
    '2011-02-10',
    '2027-02-24',
    '2027-01-31',
    undefined,
    undefined,
  ]);
});
