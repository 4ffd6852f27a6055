import { daysIn, fieldsOf, iso } from '@arbeit/engine/values';

/** Years offered before and after today: births and bookings. */
const yearsBefore = 110;
const yearsAfter = 20;

/** The whole numbers from one to another. */
const range = (from: number, to: number): readonly number[] =>
  Array.from({ length: to - from + 1 }, (_, i) => from + i);

/** The month and the year as lists, in the language of the field. The day stays where the month has it. */
export function MonthAndYear({
  day,
  today,
  language,
  className,
  onChange,
}: {
  readonly day: string;
  readonly today: string;
  readonly language: string;
  readonly className: string | undefined;
  readonly onChange: (date: string) => void;
}) {
  const [year, month, date] = fieldsOf(day);
  const [present] = fieldsOf(today);
  const first = Math.max(1, Math.min(year, present - yearsBefore));
  const last = Math.min(9999, Math.max(year, present + yearsAfter));
  const months = new Intl.DateTimeFormat(language, { calendar: 'gregory', month: 'long', timeZone: 'UTC' });
  const years = new Intl.DateTimeFormat(language, { calendar: 'gregory', year: 'numeric', timeZone: 'UTC' });
  const called = new Intl.DisplayNames(language, { type: 'dateTimeField' });
  const monthOf = (m: number) => months.format(new Date(Date.UTC(2027, m - 1, 1)));
  const yearOf = (y: number) => years.format(new Date(`${String(y).padStart(4, '0')}-07-01T00:00:00Z`));
  const turn = (y: number, m: number) => onChange(iso(y, m, Math.min(date, daysIn(y, m))));
  return (
    <span className={className}>
      <select
        aria-label={called.of('month')}
        value={month}
        onChange={(event) => turn(year, Number(event.target.value))}
      >
        {range(1, 12).map((m) => (
          <option key={m} value={m}>
            {monthOf(m)}
          </option>
        ))}
      </select>
      <select
        aria-label={called.of('year')}
        value={year}
        onChange={(event) => turn(Number(event.target.value), month)}
      >
        {range(first, last).map((y) => (
          <option key={y} value={y}>
            {yearOf(y)}
          </option>
        ))}
      </select>
    </span>
  );
}
