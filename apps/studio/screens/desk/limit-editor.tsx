'use client';

import type { HydratedField } from '@arbeit/engine/field';
import type { Limits } from '@arbeit/engine/kinds';
import { useId } from 'react';
import { byClock, fromClock, type LimitUnit, limitFrom, limitInWords } from '../../model/limit-words.ts';
import { DraftInput } from '../../ui/draft-input.tsx';
import * as words from '../../words/desk/limit-editor.ts';

/** Relative dates, by direction and unit. */
const ways = (['d', 'w', 'm', 'y'] as const).flatMap((unit) =>
  (['+', '-'] as const).map((side) => ({ unit, side })),
);
const unitWords: Readonly<Record<LimitUnit, string>> = {
  d: words.days,
  w: words.weeks,
  m: words.months,
  y: words.years,
};

/** One limit, as the field displays it (`9.999,99`, `14/02/2027`) or as a relative date in words. */
export function LimitEditor({
  label,
  compiled,
  limits,
  value,
  check,
  onChange,
}: {
  readonly label: string;
  readonly compiled: HydratedField;
  readonly limits: Limits | undefined;
  readonly value: string;
  /** What is wrong with a limit together with the others, in a sentence. */
  readonly check: (limit: string) => string | null;
  readonly onChange: (limit: string) => void;
}) {
  const id = useId();
  const told = byClock(value);
  const hasClock = limits?.isGood('today') ?? false;
  const meant = (text: string): string | undefined => (limits ? limitFrom(compiled, limits, text) : text);
  const example = limits ? limitInWords(compiled, told ? (limits.fixed ?? value) : value) : '';
  const way = !told ? 'fixed' : told.count === 0 ? 'today' : `${told.side}${told.unit}`;
  return (
    <div className="flex flex-wrap items-start gap-x-2 gap-y-1">
      <label htmlFor={told ? `${id}-way` : id} className="caption w-20 pt-1.5">
        {label}
      </label>
      {told && told.count > 0 && (
        <span className="w-16">
          <DraftInput
            id={`${id}-count`}
            label={words.howMany(label, unitWords[told.unit])}
            className="entry value"
            inputMode="numeric"
            value={String(told.count)}
            check={(text) =>
              /^[1-9]\d{0,3}$/.test(text)
                ? check(fromClock({ ...told, count: Number(text) }))
                : words.enterANumberFrom1
            }
            onChange={(text) => onChange(fromClock({ ...told, count: Number(text) }))}
          />
        </span>
      )}
      {hasClock && (
        <select
          id={`${id}-way`}
          aria-label={words.whichDay(label)}
          className="entry w-auto"
          value={way}
          onChange={(event) => {
            const next = event.target.value;
            if (next === 'fixed') onChange(limits?.fixed ?? '2027-02-14');
            else if (next === 'today') onChange('today');
            else
              onChange(
                fromClock({ count: told?.count || 1, side: next[0] as '+', unit: next[1] as LimitUnit }),
              );
          }}
        >
          <option value="fixed">{words.aFixedDate}</option>
          <option value="today">{words.today}</option>
          {ways.map(({ unit, side }) => (
            <option key={side + unit} value={side + unit}>
              {words.fromToday[side](unitWords[unit])}
            </option>
          ))}
        </select>
      )}
      {!told && (
        <span className="min-w-32 flex-1">
          <DraftInput
            id={id}
            className="entry value"
            value={limitInWords(compiled, value)}
            check={(text) => {
              const limit = meant(text);
              return limit === undefined ? words.inTheFormat(example) : check(limit);
            }}
            onChange={(text) => onChange(meant(text) ?? value)}
          />
        </span>
      )}
    </div>
  );
}
