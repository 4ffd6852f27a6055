'use client';

import { localToday } from '@arbeit/dom';
import { fieldsOf } from '@arbeit/engine/values';
import type { Field } from '@arbeit/react';
import { type KeyboardEvent, useEffect, useRef, useState } from 'react';
import { dayAfterKey, weeksOf } from './month.ts';

/** The month itself: days in weeks, the arrow keys go through them. */
export function Month({
  field,
  today = localToday(),
  onPick,
}: {
  readonly field: Field;
  readonly today: string | undefined;
  readonly onPick: (date: string) => void;
}) {
  const compiled = field.store.field;
  const { value } = field.reading;
  const [day, setDay] = useState(value ?? today);
  const table = useRef<HTMLTableElement>(null);
  const weeks = weeksOf(compiled, day, today);
  const [year, month] = fieldsOf(day);
  const named = new Intl.DateTimeFormat(compiled.locale, {
    calendar: 'gregory',
    month: 'long',
    year: 'numeric',
    timeZone: 'UTC',
  });
  const spoken = new Intl.DateTimeFormat(compiled.locale, {
    calendar: 'gregory',
    dateStyle: 'full',
    timeZone: 'UTC',
  });
  const short = new Intl.DateTimeFormat(compiled.locale, { weekday: 'short', timeZone: 'UTC' });
  const at = (date: string) => new Date(`${date}T00:00:00Z`);
  const problem = weeks.flatMap((week) => week.days).find(({ date }) => date === day)?.problem ?? '';
  // biome-ignore lint/correctness/useExhaustiveDependencies: the focus follows the day
  useEffect(() => {
    table.current?.querySelector<HTMLElement>('[tabindex="0"]')?.focus();
  }, [day]);
  const onKeyDown = (event: KeyboardEvent) => {
    const next = dayAfterKey(day, event.key, event.shiftKey);
    if (!next || next < '0001-01-01' || next > '9999-12-31') return;
    event.preventDefault();
    setDay(next);
  };
  return (
    <div className="w-80 max-w-full">
      <div className="flex items-baseline justify-between gap-2">
        <button
          type="button"
          className="word-button"
          aria-label="Month before"
          onClick={() => setDay(dayAfterKey(day, 'PageUp', false)!)}
        >
          ←
        </button>
        <span aria-live="polite" className="font-semibold">
          {named.format(at(day))}
        </span>
        <button
          type="button"
          className="word-button"
          aria-label="Month after"
          onClick={() => setDay(dayAfterKey(day, 'PageDown', false)!)}
        >
          →
        </button>
      </div>
      <table
        ref={table}
        aria-label={`${year}-${month}`}
        onKeyDown={onKeyDown}
        className="mt-2 w-full text-center"
      >
        <thead className="caption">
          <tr>
            <th scope="col" className="font-normal">
              <abbr title="week" className="no-underline">
                wk
              </abbr>
            </th>
            {weeks[0]!.days.map(({ date }) => (
              <th key={date} scope="col" className="font-normal">
                {short.format(at(date))}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {weeks.map(({ week, days }) => (
            <tr key={week}>
              <th scope="row" className="caption border-r pr-1 font-normal">
                {week.slice(6)}
              </th>
              {days.map(({ date, isOutside, problem: wrong }) => (
                <td key={date} className="p-0">
                  <button
                    type="button"
                    tabIndex={date === day ? 0 : -1}
                    aria-disabled={wrong !== ''}
                    aria-pressed={date === value}
                    aria-label={`${spoken.format(at(date))}${wrong ? `. ${wrong}` : ''}`}
                    title={wrong || undefined}
                    aria-current={date === today ? 'date' : undefined}
                    onClick={() => (wrong ? setDay(date) : onPick(date))}
                    className={`value w-full py-1 ${wrong ? 'text-line line-through' : 'hover:bg-wash'} ${isOutside ? 'opacity-60' : ''} ${date === value ? 'bg-oxide text-on-oxide' : ''} ${date === today ? 'underline' : ''}`}
                  >
                    {+date.slice(8)}
                  </button>
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      <p className="min-h-10 pt-1 text-sm text-brick" aria-live="polite">
        {problem}
      </p>
    </div>
  );
}
