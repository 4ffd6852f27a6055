import { parseArgs } from 'node:util';
import { buildPackages } from './packages.mjs';

// Pastes texts formatted by `Intl` in every locale: npm run intl -- --every 5
// A field must read the same value or reject the text. Otherwise the exit status is 1.
const { values } = parseArgs({
  // Only every n-th locale, starting at `from`.
  options: {
    every: { type: 'string', default: '1' },
    from: { type: 'string', default: '0' },
    // Only these texts, only these locales.
    only: { type: 'string', multiple: true },
    locale: { type: 'string', multiple: true },
  },
});
if (!buildPackages()) process.exit(1);
const dist = '../packages/engine/dist';
const { compileField } = await import(`${dist}/document/compile-field.js`);
const { apply, start } = await import(`${dist}/field/apply.js`);
const { evaluate } = await import(`${dist}/field/evaluation.js`);
const { kinds } = await import(`${dist}/kinds/registry.js`);
const { everyLocale } = await import(`${dist}/prove/locales.js`);

const found = {};
const wrong = [];

/** Pastes a text into an empty field, blurs it and counts the result. */
function read(sort, field, text, meant, others = []) {
  found[sort] ??= { read: 0, refused: 0, wrong: 0 };
  const count = found[sort];
  // Skips a text that two values share.
  if (others.includes(text)) return;
  let state = apply(field, start(field), { type: 'focus' });
  state = apply(field, apply(field, state, { type: 'paste', text }), { type: 'leave' });
  const { value } = evaluate(field, state);
  if (value === meant) count.read++;
  else if (value === null) count.refused++;
  else {
    count.wrong++;
    wrong.push(`${sort}, ${field.locale ?? ''} ${text}: ${meant}, read as ${value}`);
  }
}

const fieldOf = (kind, entry, locale) => ({
  ...compileField({ id: 'f', kind, label: 'F', entry }, { locale }, kinds),
  locale,
});
const at = (text) => new Date(`${text}Z`);
const styles = ['short', 'medium', 'long', 'full'];
const months = Array.from({ length: 12 }, (_, i) => `${i + 1}`.padStart(2, '0'));
const days = months.flatMap((month) => ['01', '08', '12', '13', '27'].map((day) => `2027-${month}-${day}`));
const times = Array.from({ length: 48 }, (_, i) => `${`${i >> 1}`.padStart(2, '0')}:${i % 2 ? '35' : '05'}`);
const amounts = [
  '0',
  '0.5',
  '7',
  '20',
  '999.99',
  '1234',
  '1234.5',
  '98765.43',
  '1234567.89',
  '-0.25',
  '-42',
  '-1234.56',
];

function dates(locale) {
  const field = fieldOf('date', {}, locale);
  for (const dateStyle of styles) {
    const format = new Intl.DateTimeFormat(locale, { dateStyle, timeZone: 'UTC' });
    for (const day of days) read('dates', field, format.format(at(`${day}T12:00`)), day);
  }
}

function timesOfDay(locale) {
  for (const clock of [12, 24]) {
    const field = fieldOf('time', { clock }, locale);
    for (const given of [{}, { hourCycle: 'h12' }, { hourCycle: 'h23' }]) {
      const format = new Intl.DateTimeFormat(locale, { timeStyle: 'short', timeZone: 'UTC', ...given });
      for (const time of times) {
        // Without a.m. or p.m. a text can be two times.
        const other = `${`${(+time.slice(0, 2) + 12) % 24}`.padStart(2, '0')}${time.slice(2)}`;
        const said = (one) => format.format(at(`2027-02-03T${one}`));
        read('times', field, said(time), time, [said(other)]);
      }
    }
  }
}

function moments(locale) {
  const field = fieldOf('date-time', {}, locale);
  for (const dateStyle of styles)
    for (const timeStyle of ['short', 'medium']) {
      const format = new Intl.DateTimeFormat(locale, { dateStyle, timeStyle, timeZone: 'UTC' });
      for (const [i, day] of days.entries()) {
        const time = times[(i * 7) % times.length];
        const other = `${`${(+time.slice(0, 2) + 12) % 24}`.padStart(2, '0')}${time.slice(2)}`;
        const said = (one) => format.format(at(`${day}T${one}`));
        read('dates with times', field, said(time), `${day}T${time}`, [said(other)]);
      }
    }
}

function numbers(locale) {
  const value = (text, digits) =>
    Number(text)
      .toFixed(digits)
      .replace(/^-(?=[0.]+$)/, '');
  const plain = fieldOf('number', { decimals: { min: 2, max: 2 }, negative: true }, locale);
  const format = new Intl.NumberFormat(locale, { minimumFractionDigits: 2 });
  for (const text of amounts) read('numbers', plain, format.format(Number(text)), value(text, 2));
  const percent = fieldOf('percent', { decimals: { min: 2, max: 2 }, negative: true }, locale);
  const share = new Intl.NumberFormat(locale, { style: 'percent', minimumFractionDigits: 2 });
  for (const text of amounts) read('percentages', percent, share.format(Number(text) / 100), value(text, 2));
  for (const [currency, digits] of [['EUR', 2], ['USD', 2], ['GBP', 2], ['CHF', 2], ['INR', 2], ['JPY', 0], ['KWD', 3], ['SEK', 2], ['BRL', 2]]) {
    const field = fieldOf('currency', { currency, negative: true }, locale);
    for (const currencyDisplay of ['symbol', 'narrowSymbol', 'code', 'name'])
      for (const currencySign of ['standard', 'accounting']) {
        const format = new Intl.NumberFormat(locale, { style: 'currency', currency, currencyDisplay, currencySign });
        for (const text of amounts) {
          const whole = digits === 0 ? `${Math.trunc(Number(text))}` : text;
          read('amounts', field, format.format(Number(whole)), value(whole, digits));
        }
      }
  } // biome-ignore format: a table
}

const locales =
  values.locale ?? everyLocale().filter((_, i) => i % Number(values.every) === Number(values.from));
const sorts = { dates, times: timesOfDay, moments, numbers };
for (const [i, locale] of locales.entries()) {
  for (const sort of values.only ?? Object.keys(sorts)) sorts[sort](locale);
  if (process.stdout.isTTY) process.stdout.write(`\r${i + 1} of ${locales.length} locales`);
}
let all = 0;
for (const [sort, { read, refused, wrong }] of Object.entries(found)) {
  all += read + refused + wrong;
  process.stdout.write(`${sort}: ${read} read, ${refused} refused, ${wrong} wrong\n`);
}
process.stdout.write(`${all} texts of ${locales.length} locales\n${wrong.join('\n')}\n`);
process.exit(wrong.length > 0 ? 1 : 0);
