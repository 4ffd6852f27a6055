import { type Day, dayAfterKey, localToday, openDay, weeksOf, withDay } from '@arbeit/dom/stores';
import type { HydratedField } from '@arbeit/engine/field';
import { useState } from 'react';
import { type NativeOpenerProps, useOpener } from './opener.ts';
import type { NativeField } from './use-native-field.ts';

/** The props of a `Pressable` with a name. */
export interface NativePressProps {
  readonly role: 'button';
  readonly 'aria-label': string;
  /** Does what its name says. */
  onPress(): void;
}

/** A day of a calendar. */
export interface NativeDay {
  readonly date: string;
  /** The number of the day, as drawn. */
  readonly text: string;
  /** Whether it belongs to a month beside the one that is shown. */
  readonly isOutside: boolean;
  readonly isPicked: boolean;
  readonly isToday: boolean;
  /** The message of the rule against it; empty if it can be picked. */
  readonly problem: string;
  /** Spread on its `Pressable`. A day that cannot be picked shows why. */
  readonly pressProps: {
    readonly role: 'radio';
    readonly 'aria-label': string;
    readonly 'aria-checked': boolean;
    readonly 'aria-disabled': boolean;
    onPress(): void;
  };
}

/** A month of a calendar. */
export interface NativeMonth {
  /** The month and year in words. */
  readonly title: string;
  /** Names of the days, Monday first. */
  readonly weekdays: readonly string[];
  readonly weeks: readonly (readonly NativeDay[])[];
  /** Turns to another month or year, by name. */
  readonly turns: Readonly<
    Record<'yearBefore' | 'monthBefore' | 'monthAfter' | 'yearAfter', NativePressProps>
  >;
  /** Why the day that was pressed last cannot be picked; empty if it can. */
  readonly problem: string;
}

/** A calendar of a field with a date. */
export interface NativeCalendar {
  /** The text of the button. */
  readonly text: string;
  readonly openerProps: NativeOpenerProps;
  /** The month that is shown; `undefined` while the calendar is closed. */
  readonly month: NativeMonth | undefined;
}

const utc = (date: string): Date => new Date(`${date}T00:00:00Z`);

/** Writes a date in words, or as it is where the platform has no `Intl`. */
function written(language: string, options: Intl.DateTimeFormatOptions, asIs: (date: string) => string) {
  if (typeof Intl !== 'object') return asIs;
  const format = new Intl.DateTimeFormat(language, { calendar: 'gregory', timeZone: 'UTC', ...options });
  return (date: string): string => format.format(utc(date));
}

/** What a month is drawn from, and what pressing in it does. */
interface Shown {
  readonly field: HydratedField;
  /** A day of the month. */
  readonly day: string;
  readonly today: string;
  readonly picked: string | undefined;
  readonly problem: string;
  show(day: string): void;
  refuse(problem: string): void;
  pick(day: string): void;
}

function monthOf({ field, day, today, picked, problem, show, refuse, pick }: Shown): NativeMonth {
  const language = field.language ?? field.locale;
  const titled = written(language, { month: 'long', year: 'numeric' }, (date) => date.slice(0, 7));
  const spoken = written(language, { dateStyle: 'full' }, (date) => date);
  const named = written(language, { weekday: 'short' }, (date) => date.slice(8));
  const weeks = weeksOf(field, day, today);
  const turn = (key: 'PageUp' | 'PageDown', isYear: boolean): NativePressProps => {
    const to = dayAfterKey(day, key, isYear) ?? day;
    return {
      role: 'button',
      'aria-label': titled(to),
      onPress() {
        if (to >= '0001-01-01' && to <= '9999-12-31') show(to);
      },
    };
  };
  const pressOf = ({ date, problem: why }: Day): NativeDay['pressProps'] => ({
    role: 'radio',
    'aria-label': why ? `${spoken(date)}. ${why}` : spoken(date),
    'aria-checked': date === picked,
    'aria-disabled': why !== '',
    onPress: () => (why ? refuse(why) : pick(date)),
  });
  return {
    title: titled(day),
    weekdays: weeks[0]!.days.map(({ date }) => named(date)),
    weeks: weeks.map(({ days }) =>
      days.map((one) => ({
        ...one,
        text: String(Number(one.date.slice(8))),
        isPicked: one.date === picked,
        isToday: one.date === today,
        pressProps: pressOf(one),
      })),
    ),
    turns: {
      yearBefore: turn('PageUp', true),
      monthBefore: turn('PageUp', false),
      monthAfter: turn('PageDown', false),
      yearAfter: turn('PageDown', true),
    },
    problem,
  };
}

/**
 * A calendar beside a field with a date. The time of a date with time stays.
 *
 * @param today Replaces the device's clock (ISO 8601).
 * @example
 * function Opener({ field }: { readonly field: NativeField }) {
 *   const { text, openerProps } = useCalendar(field);
 *   return [text, openerProps['aria-expanded']];
 * }
 */
export function useCalendar({ store, evaluation }: NativeField, today = localToday()): NativeCalendar {
  /** The day that is shown, and why it was refused. */
  const [shown, setShown] = useState<{ readonly day: string; readonly problem: string }>();
  const { field } = store;
  const opener = useOpener(field);
  const { label, words = {} } = field;
  const picked = evaluation.value?.slice(0, 10);
  const text = words.calendar ?? '';
  const show = (day: string, problem = ''): void => setShown({ day, problem });
  const close = (): void => {
    setShown(undefined);
    opener.focus();
  };
  const press = (): void => {
    if (shown) close();
    else show(picked ?? openDay(field, today, today));
  };
  return {
    text,
    openerProps: opener.propsFor(`${text}: ${label}`, shown !== undefined, press),
    month:
      shown &&
      monthOf({
        field,
        today,
        picked,
        ...shown,
        show,
        refuse: (problem) => show(shown.day, problem),
        pick(date) {
          store.dispatch({ type: 'set', text: withDay(field, store.state(), date) });
          close();
        },
      }),
  };
}
