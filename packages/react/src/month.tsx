'use client';

import { dayAfterKey, localToday, openDay, weeksOf, withDay } from '@arbeit/dom';
import { fieldsOf } from '@arbeit/engine/values';
import { type KeyboardEvent, useEffect, useRef, useState } from 'react';
import type { ClassNames } from './class-names.ts';
import { MonthAndYear } from './month-and-year.tsx';
import type { Field } from './use-field.ts';

/** The words of a calendar in the field’s language. */
const calendarWordsOf = ({ store }: Field) => {
  const words = store.field.words ?? {};
  return {
    before: words['month-before'] ?? '',
    after: words['month-after'] ?? '',
    week: words.week ?? '',
    wk: words['week-short'] ?? '',
  };
};

/** Class names of the parts of a calendar. */
type MonthClasses = ClassNames<
  | ('root' | 'head' | 'turn' | 'name' | 'said' | 'table' | 'names' | 'heading')
  | ('week' | 'cell' | 'day' | 'problem')
>;

/**
 * Sets the day of a field. The time of a date with time stays.
 *
 * @example
 * const toValentines = (field: Field) => chooseDay(field, '2027-02-14');
 */
export function chooseDay({ store }: Field, date: string): void {
  store.dispatch({ type: 'set', text: withDay(store.field, store.state(), date) });
}

/**
 * A month to pick a day from (WAI-ARIA, date grid). A day that the rules refuse shows why and cannot be
 * picked; `data-wrong` and `data-outside` mark days.
 *
 * @example
 * const Days = ({ field }: { readonly field: Field }) => (
 *   <Month field={field} today="2027-02-10" onPick={() => undefined} />
 * );
 */
export function Month({
  field,
  today = localToday(),
  onPick,
  classNames = {},
  words = calendarWordsOf(field),
}: {
  readonly field: Field;
  readonly today: string | undefined;
  readonly onPick: (date: string) => void;
  readonly classNames?: MonthClasses;
  readonly words?: ReturnType<typeof calendarWordsOf>;
}) {
  const compiled = field.store.field;
  const language = compiled.language ?? compiled.locale;
  const value = field.evaluation.value?.slice(0, 10);
  const [day, setDay] = useState(() => value ?? openDay(compiled, today, today));
  const table = useRef<HTMLTableElement>(null);
  /** Whether the focus is in the table and follows the day. Month and year keep theirs. */
  const follows = useRef(true);
  const weeks = weeksOf(compiled, day, today);
  const [year, month] = fieldsOf(day);
  const spoken = new Intl.DateTimeFormat(language, {
    calendar: 'gregory',
    dateStyle: 'full',
    timeZone: 'UTC',
  });
  const short = new Intl.DateTimeFormat(language, { weekday: 'short', timeZone: 'UTC' });
  const at = (date: string) => new Date(`${date}T00:00:00Z`);
  const problem = weeks.flatMap((week) => week.days).find(({ date }) => date === day)?.problem ?? '';
  // biome-ignore lint/correctness/useExhaustiveDependencies: the focus follows the day
  useEffect(() => {
    if (follows.current) table.current?.querySelector<HTMLElement>('[tabindex="0"]')?.focus();
  }, [day]);
  const turnTo = (date: string | undefined) => {
    follows.current = false;
    if (date && date >= '0001-01-01' && date <= '9999-12-31') setDay(date);
  };
  const onKeyDown = (event: KeyboardEvent) => {
    const next = dayAfterKey(day, event.key, event.shiftKey);
    if (!next || next < '0001-01-01' || next > '9999-12-31') return;
    event.preventDefault();
    follows.current = true;
    setDay(next);
  };
  return (
    <div className={classNames.root}>
      <Head
        day={day}
        today={today}
        language={language}
        words={words}
        classNames={classNames}
        onTurn={turnTo}
      />
      <table ref={table} aria-label={`${year}-${month}`} onKeyDown={onKeyDown} className={classNames.table}>
        <thead className={classNames.names}>
          <tr>
            <th scope="col" className={classNames.heading}>
              <abbr title={words.week}>{words.wk}</abbr>
            </th>
            {weeks[0]!.days.map(({ date }) => (
              <th key={date} scope="col" className={classNames.heading}>
                {short.format(at(date))}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {weeks.map(({ week, days }) => (
            <tr key={week}>
              <th scope="row" className={classNames.week}>
                {week.slice(6)}
              </th>
              {days.map(({ date, isOutside, problem: wrong }) => (
                <td key={date} className={classNames.cell}>
                  <button
                    type="button"
                    tabIndex={date === day ? 0 : -1}
                    aria-disabled={wrong !== ''}
                    aria-pressed={date === value}
                    aria-label={`${spoken.format(at(date))}${wrong ? `. ${wrong}` : ''}`}
                    title={wrong || undefined}
                    aria-current={date === today ? 'date' : undefined}
                    onClick={() => (wrong ? setDay(date) : onPick(date))}
                    data-wrong={wrong !== '' || undefined}
                    data-outside={isOutside || undefined}
                    className={classNames.day}
                  >
                    {+date.slice(8)}
                  </button>
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      <p className={classNames.problem} aria-live="polite">
        {problem}
      </p>
    </div>
  );
}

/** The month that is shown, with what turns to another one. */
function Head({
  day,
  today,
  language,
  words,
  classNames,
  onTurn,
}: {
  readonly day: string;
  readonly today: string;
  readonly language: string;
  readonly words: ReturnType<typeof calendarWordsOf>;
  readonly classNames: MonthClasses;
  readonly onTurn: (date: string | undefined) => void;
}) {
  const named = new Intl.DateTimeFormat(language, {
    calendar: 'gregory',
    month: 'long',
    year: 'numeric',
    timeZone: 'UTC',
  });
  const turn = (name: string, key: string, arrow: string) => (
    <button
      type="button"
      className={classNames.turn}
      aria-label={name}
      onClick={() => onTurn(dayAfterKey(day, key, false))}
    >
      {arrow}
    </button>
  );
  return (
    <>
      <div className={classNames.head}>
        {turn(words.before, 'PageUp', '←')}
        <MonthAndYear
          day={day}
          today={today}
          language={language}
          className={classNames.name}
          onChange={onTurn}
        />
        {turn(words.after, 'PageDown', '→')}
      </div>
      {/* The lists say themselves what is chosen; the arrows do not. */}
      <span aria-live="polite" data-arbeit="said" className={classNames.said}>
        {named.format(new Date(`${day}T00:00:00Z`))}
      </span>
    </>
  );
}
