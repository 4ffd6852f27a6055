import { daysIn, fieldsOf, iso } from '@arbeit/engine/values';
import { localToday } from './clock.ts';
import { type Day, dayAfterKey, openDay, weeksOf, withDay } from './days.ts';
import { disclosure, made, type Picker } from './picker.ts';
import type { FieldStore } from './store.ts';

/** Years offered before and after today: births and bookings. */
const yearsBefore = 110;
const yearsAfter = 20;

/** A month in a panel. */
interface Month {
  readonly store: FieldStore;
  readonly today: string;
  readonly language: string;
  readonly words: Readonly<Record<string, string>>;
  /** Shows another day; `follows` moves the focus to it. */
  show(day: string | undefined, follows: boolean): void;
  pick(date: string): void;
}

const utc = (date: string): Date => new Date(`${date}T00:00:00Z`);
const formatter = (language: string, options: Intl.DateTimeFormatOptions): Intl.DateTimeFormat =>
  new Intl.DateTimeFormat(language, { calendar: 'gregory', timeZone: 'UTC', ...options });

function optionOf(n: number, text: string): HTMLOptionElement {
  const option = document.createElement('option');
  option.value = String(n);
  option.textContent = text;
  return option;
}

/** A list of numbers, each in words. */
function listOf(
  name: string | undefined,
  [first, last]: readonly [number, number],
  wordOf: (n: number) => string,
  onChange: (n: number) => void,
): HTMLSelectElement {
  const list = made('select', 'month-list');
  list.ariaLabel = name ?? '';
  for (let n = first; n <= last; n++) list.append(optionOf(n, wordOf(n)));
  list.addEventListener('change', () => onChange(Number(list.value)));
  return list;
}

/** The month and year with what turns to others. Returns a function that shows those of a day. */
function headOf(panel: HTMLElement, month: Month, first: string): (day: string) => void {
  const { language, today, words } = month;
  let day = first;
  const [present] = fieldsOf(today);
  const [year] = fieldsOf(day);
  const called = new Intl.DisplayNames(language, { type: 'dateTimeField' });
  const turn = (name: string, key: string, arrow: string): HTMLButtonElement => {
    const button = made('button', 'turn', arrow);
    button.type = 'button';
    button.ariaLabel = name;
    button.addEventListener('click', () => month.show(dayAfterKey(day, key, false), false));
    return button;
  };
  /** The day stays where the month has it. */
  const goTo = (y: number, m: number): void =>
    month.show(iso(y, m, Math.min(fieldsOf(day)[2], daysIn(y, m))), false);
  const inMonths = formatter(language, { month: 'long' });
  const inYears = formatter(language, { year: 'numeric' });
  const yearOf = (y: number): string => inYears.format(utc(`${String(y).padStart(4, '0')}-07-01`));
  const ends = [Math.min(year, present - yearsBefore), Math.max(year, present + yearsAfter)] as const;
  const months = listOf(
    called.of('month'),
    [1, 12],
    (m) => inMonths.format(utc(iso(2027, m, 1))),
    (m) => goTo(fieldsOf(day)[0], m),
  );
  const years = listOf(called.of('year'), [Math.max(1, ends[0]), Math.min(9999, ends[1])], yearOf, (y) =>
    goTo(y, fieldsOf(day)[1]),
  );
  const head = made('div', 'head');
  head.append(
    turn(words['month-before'] ?? '', 'PageUp', '←'),
    months,
    years,
    turn(words['month-after'] ?? '', 'PageDown', '→'),
  );
  // The lists say themselves what is chosen; the arrows do not.
  const said = made('span', 'said');
  said.ariaLive = 'polite';
  panel.append(head, said);
  const named = formatter(language, { month: 'long', year: 'numeric' });
  return (next) => {
    day = next;
    const [y, m] = fieldsOf(day);
    // Turned beyond the years that are offered.
    if (![...years.options].some(({ value }) => value === String(y))) years.append(optionOf(y, yearOf(y)));
    months.value = String(m);
    years.value = String(y);
    said.textContent = named.format(utc(day));
  };
}

/** The names of the columns: the number of the week, and the days. */
function namesOf({ language, words }: Month, days: readonly Day[]): HTMLElement {
  const short = formatter(language, { weekday: 'short' });
  const row = document.createElement('tr');
  const week = document.createElement('abbr');
  week.title = words.week ?? '';
  week.textContent = words['week-short'] ?? '';
  const names = [week, ...days.map(({ date }) => document.createTextNode(short.format(utc(date))))];
  for (const name of names) {
    const heading = document.createElement('th');
    heading.scope = 'col';
    heading.append(name);
    row.append(heading);
  }
  const head = made('thead', 'names');
  head.append(row);
  return head;
}

/** The button of a day. One that the rules refuse shows why, and cannot be picked. */
function dayOf(month: Month, { date, isOutside, problem }: Day, shown: string, spoken: string): HTMLElement {
  const button = made('button', 'day', String(+date.slice(8)));
  button.type = 'button';
  button.tabIndex = date === shown ? 0 : -1;
  button.ariaDisabled = String(problem !== '');
  button.ariaPressed = String(date === month.store.evaluation().value?.slice(0, 10));
  button.ariaLabel = problem ? `${spoken}. ${problem}` : spoken;
  if (problem) button.title = problem;
  if (date === month.today) button.ariaCurrent = 'date';
  button.toggleAttribute('data-wrong', problem !== '');
  button.toggleAttribute('data-outside', isOutside);
  const states = [
    ['wrong-day', problem !== ''],
    ['outside', isOutside],
    ['picked', button.ariaPressed === 'true'],
  ] as const;
  const names = states.flatMap(([name, isSo]) => (isSo ? [name] : []));
  button.setAttribute('part', ['day', ...names].join(' '));
  button.addEventListener('click', () => (problem ? month.show(date, true) : month.pick(date)));
  return button;
}

/** Draws the weeks of a month into a table. */
function fill(table: HTMLTableElement, month: Month, day: string): void {
  const { store, today, language } = month;
  const weeks = weeksOf(store.field, day, today);
  const full = formatter(language, { dateStyle: 'full' });
  const body = document.createElement('tbody');
  for (const { week, days } of weeks) {
    const row = document.createElement('tr');
    const number = made('th', 'week', week.slice(6));
    number.scope = 'row';
    row.append(number);
    for (const one of days) {
      const cell = document.createElement('td');
      cell.append(dayOf(month, one, day, full.format(utc(one.date))));
      row.append(cell);
    }
    body.append(row);
  }
  table.ariaLabel = day.slice(0, 7);
  table.replaceChildren(namesOf(month, weeks[0]!.days), body);
}

/** Draws a month into a panel (WAI-ARIA, date grid), and moves the focus to its day. */
function drawMonth(panel: HTMLElement, store: FieldStore, today: string, pick: (date: string) => void): void {
  const { field } = store;
  let day = store.evaluation().value?.slice(0, 10) ?? openDay(field, today, today);
  const table = made('table', 'month');
  const problem = made('p', 'problem');
  problem.ariaLive = 'polite';
  const month: Month = {
    store,
    today,
    language: field.language ?? field.locale,
    words: field.words ?? {},
    pick,
    show(next, follows) {
      if (!next || next < '0001-01-01' || next > '9999-12-31') return;
      day = next;
      showHead(day);
      fill(table, month, day);
      const own = table.querySelector<HTMLElement>('[tabindex="0"]');
      problem.textContent = own?.title ?? '';
      if (follows) own?.focus();
    },
  };
  const showHead = headOf(panel, month, day);
  panel.append(table, problem);
  table.addEventListener('keydown', (event) => {
    const next = dayAfterKey(day, event.key, event.shiftKey);
    if (!next) return;
    event.preventDefault();
    month.show(next, true);
  });
  month.show(day, true);
}

/**
 * A button that opens a calendar for a field with a date, with lists of months and years. A day that the
 * rules refuse shows why and cannot be picked. The time of a date with time stays.
 *
 * @example
 * const remove = calendar(createStore(pass, evaluateOn()))(document.body);
 */
export const calendar: Picker =
  (store, { today } = {}) =>
  (place) => {
    const { label, words = {} } = store.field;
    const text = words.calendar ?? '';
    return disclosure(place, store, {
      text: () => text,
      name: () => `${text}: ${label}`,
      panel: `${text}: ${label}`,
      draw(panel, close) {
        drawMonth(panel, store, today ?? localToday(), (date) => {
          store.dispatch({ type: 'set', text: withDay(store.field, store.state(), date) });
          close();
        });
      },
    });
  };
