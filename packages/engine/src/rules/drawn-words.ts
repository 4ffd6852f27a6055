import type { Wording } from './wording.ts';

/**
 * Words that components draw beside a field: those of the message tables (`drawn/…`), and the names of units
 * of time, which `Intl` has.
 */
export type DrawnWord =
  | 'reveal'
  | 'conceal'
  | 'left'
  | 'month-before'
  | 'month-after'
  | 'week'
  | 'week-short'
  | 'regions'
  | 'region-search'
  | 'region-hint'
  | 'no-region'
  | 'submit'
  | 'day'
  | 'month'
  | 'year'
  | 'hour'
  | 'minute'
  | 'second'
  | 'period';

/** The words of the control that shows a hidden text. */
export const revealWords: readonly DrawnWord[] = ['reveal', 'conceal'];

/** The words of a calendar. */
export const calendarWords: readonly DrawnWord[] = ['month-before', 'month-after', 'week', 'week-short'];

const units: Readonly<Partial<Record<DrawnWord, string>>> = {
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
 * The words in a language. `wording` are its messages.
 *
 * @example
 * drawnWords(['reveal', 'day'], languages.de, 'de'); // { reveal: 'Anzeigen', day: 'Tag' }
 */
export function drawnWords(
  names: readonly DrawnWord[],
  wording: Wording,
  language: string,
): Readonly<Record<string, string>> {
  return Object.fromEntries(
    names.map((name) => {
      const text = wording[`drawn/${name}`];
      return [name, typeof text === 'string' ? text : unitName(name, language)];
    }),
  );
}

function unitName(name: DrawnWord, language: string): string {
  const unit = units[name];
  if (!unit) return name;
  const style = name === 'week-short' ? 'narrow' : 'long';
  return new Intl.DisplayNames(language, { type: 'dateTimeField', style }).of(unit) ?? name;
}
