import { intl } from '../values/intl.ts';
import type { Wording } from './wording.ts';

/** The words of the control that shows a hidden text. */
export const revealWords = ['reveal', 'conceal'] as const;

/** The words of a calendar. */
export const calendarWords = ['calendar', 'month-before', 'month-after', 'week', 'week-short'] as const;

/** Units of time by name, as `Intl.DisplayNames` calls them. */
const units: Readonly<Record<string, string>> = {
  day: 'day',
  month: 'month',
  year: 'year',
  hour: 'hour',
  minute: 'minute',
  second: 'second',
  period: 'dayPeriod',
  week: 'weekOfYear',
  'week-short': 'weekOfYear',
};

/**
 * Words that components draw beside a field, in a language: those of its messages (`drawn/…`), or of `usual`
 * where these have none, and names of units of time, which `Intl` has.
 *
 * @example
 * drawnWords(['reveal', 'day'], languages.de, 'de', english); // { reveal: 'Anzeigen', day: 'Tag' }
 */
export function drawnWords(
  names: readonly string[],
  wording: Wording,
  language: string,
  usual: Wording,
): Readonly<Record<string, string>> {
  return Object.fromEntries(
    names.map((name) => {
      const unit = units[name];
      const text = wording[`drawn/${name}`] ?? usual[`drawn/${name}`];
      return [name, unit ? unitName(unit, name === 'week-short', language) : String(text ?? name)];
    }),
  );
}

function unitName(unit: string, isShort: boolean, language: string): string {
  const names = intl(Intl.DisplayNames, language, {
    type: 'dateTimeField',
    style: isShort ? 'narrow' : 'long',
  });
  return names.of(unit) ?? unit;
}
