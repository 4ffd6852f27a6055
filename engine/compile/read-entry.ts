import { graphemes } from '../run/graphemes.ts';
import { isCurrency } from './currencies.ts';
import type { KindName } from './document.ts';
import { parseNotation } from './notation.ts';
import { isRegion } from './phone.ts';
import { nameOf, type Spot } from './spot.ts';

function readPattern(at: Spot, classes: readonly string[]): void {
  if (!at.object(['pattern', 'positions', 'literals', 'filler', 'raw', 'ghost'], ['pattern'])) return;
  if (at.has('positions')) at.get('positions').oneOf(['flow', 'fixed']);
  if (at.has('literals')) at.get('literals').oneOf(['behind', 'ahead']);
  if (at.has('raw')) at.get('raw').oneOf(['content', 'text']);
  if (at.has('ghost') && typeof at.get('ghost').value !== 'boolean')
    at.get('ghost').fault('Expected true or false.');
  if (at.has('filler')) {
    const filler = at.get('filler').string();
    if (filler !== undefined && (graphemes(filler).length !== 1 || /[\p{L}\p{N}\s]/u.test(filler)))
      at.get('filler').fault('The filler is one sign that is neither letter, digit nor space.', {
        suggestion: '_',
      });
  }
  if (!at.has('pattern')) return;
  const spot = at.get('pattern');
  const text = spot.string();
  for (const { message, column, suggestion } of text === undefined ? [] : parseNotation(text, classes).faults)
    spot.fault(message, { column, suggestion });
}

function readText(at: Spot): void {
  if (!at.object(['trim', 'collapse', 'case', 'max'], [])) return;
  at.yesNo('trim');
  at.yesNo('collapse');
  at.choice('case', ['as-typed', 'upper', 'lower']);
  if (at.has('max')) at.get('max').wholeFrom(1, 10_000);
}

function readNumber(at: Spot, kind: 'number' | 'currency' | 'percent'): void {
  const own = { number: ['unit'], currency: ['currency', 'sign'], percent: [] }[kind];
  const all = [...own, 'fill', 'grouping', 'pad', 'negative', 'decimals'];
  if (!at.object(all, kind === 'currency' ? ['currency'] : [])) return;
  at.choice('sign', ['symbol', 'code', 'none']);
  at.choice('fill', ['left', 'right']);
  at.choice('grouping', ['typing', 'leave', 'never']);
  at.choice('negative', ['no', 'minus', 'parentheses']);
  at.yesNo('pad');
  if (at.has('unit')) {
    const unit = at.get('unit').filled();
    if (unit !== undefined && /[\d<>]/.test(unit))
      at.get('unit').fault('A unit has no digits and no "<" or ">".');
  }
  if (at.has('currency')) {
    const code = at.get('currency').string();
    if (code !== undefined && !isCurrency(code))
      at.get('currency').fault(`"${code}" is no currency code (ISO 4217).`, {
        suggestion: isCurrency(code.toUpperCase()) ? code.toUpperCase() : 'EUR',
      });
  }
  if (!at.has('decimals')) return;
  const decimals = at.get('decimals');
  if (!decimals.object(['min', 'max'], [])) return;
  for (const key of ['min', 'max']) if (decimals.has(key)) decimals.get(key).wholeFrom(0, 100);
  const { min = 0, max } = decimals.value as { min?: number; max?: number };
  if (max !== undefined && max < min)
    decimals.get('max').fault(`"max" is below "min" (${min}).`, { suggestion: String(min) });
}

function readDate(at: Spot): void {
  if (!at.object(['order', 'separator', 'resting', 'pivot'], [])) return;
  at.choice('order', ['locale', 'dmy', 'mdy', 'ymd']);
  at.choice('resting', ['same', 'medium', 'long', 'full']);
  if (at.has('pivot')) at.get('pivot').wholeFrom(0, 100);
  if (!at.has('separator')) return;
  const separator = at.get('separator').string();
  if (
    separator !== undefined &&
    (separator === '' || separator.length > 3 || /[\p{L}\p{N}]/u.test(separator))
  )
    at.get('separator').fault('A separator is one to three signs, no letters or digits.', {
      suggestion: '/',
    });
}

function readTime(at: Spot): void {
  if (!at.object(['clock', 'seconds'], [])) return;
  const clock = at.has('clock') ? at.get('clock') : undefined;
  if (clock && clock.value !== 12 && clock.value !== 24)
    clock.fault(`Expected 12 or 24, found ${nameOf(clock.value)}.`, { suggestion: '24' });
  at.yesNo('seconds');
}

function readDuration(at: Spot): void {
  if (!at.object(['units', 'bare'], [])) return;
  at.choice('bare', ['h', 'min']);
  const all = (at.value as { units?: unknown }).units;
  const { bare } = at.value as { bare?: unknown };
  if (Array.isArray(all) && typeof bare === 'string' && !all.includes(bare))
    at.get('bare').fault(`The field shows no "${bare}": a number alone is in a unit it shows.`, {
      suggestion: String(all[0] ?? 'min'),
    });
  if (!at.has('units')) return;
  const units = at.get('units').items();
  for (const unit of units) unit.oneOf(['h', 'min']);
  const given = units.map(({ value }) => value).join();
  if (Array.isArray(at.get('units').value) && !['h', 'min', 'h,min'].includes(given))
    at.get('units').fault('Expected ["h"], ["min"] or ["h", "min"].', { suggestion: '["h", "min"]' });
}

function readPhone(at: Spot): void {
  if (!at.object(['home', 'regions', 'style', 'types', 'extension'], ['home'])) return;
  const region = (spot: Spot): void => {
    const code = spot.string();
    if (code !== undefined && !isRegion(code))
      spot.fault(`"${code}" is no region with a calling code (ISO 3166-1, two capital letters).`, {
        suggestion: isRegion(code.toUpperCase()) ? code.toUpperCase() : 'GB',
      });
  };
  if (at.has('home')) region(at.get('home'));
  if (at.has('regions') && at.get('regions').value !== 'any') {
    const regions = at.get('regions').items();
    for (const item of regions) region(item);
    if (Array.isArray(at.get('regions').value) && regions.length === 0)
      at.get('regions').fault('Expected at least one region, or "any".', { suggestion: 'any' });
  }
  at.choice('style', ['national', 'international']);
  if (at.has('types')) for (const type of at.get('types').items()) type.oneOf(['mobile', 'fixed']);
  at.yesNo('extension');
}

function readBoxes(at: Spot, kind: 'pin' | 'one-time-code'): void {
  if (!at.object(['length', 'accept', kind === 'pin' ? 'conceal' : 'groups'], [])) return;
  at.choice('accept', ['digit', 'alnum']);
  at.yesNo('conceal');
  const length = at.has('length') ? at.get('length').wholeFrom(3, 12) : kind === 'pin' ? 4 : 6;
  if (!at.has('groups')) return;
  const groups = at.get('groups').items();
  const sizes = groups.map((group) => group.wholeFrom(1, 12) ?? 0);
  const sum = sizes.reduce((total, size) => total + size, 0);
  if (sizes.every(Boolean) && length !== undefined && sum !== length)
    at.get('groups').fault(`The groups hold ${sum} boxes, the code has ${length}.`, {
      suggestion: `[${length}]`,
    });
}

/** The reader of each kind's entry options: one fault for each mistake, told through the spot. */
export const entryReaders: Readonly<Record<KindName, (at: Spot, classes: readonly string[]) => void>> = {
  pattern: readPattern,
  text: readText,
  number: (at) => readNumber(at, 'number'),
  currency: (at) => readNumber(at, 'currency'),
  percent: (at) => readNumber(at, 'percent'),
  date: readDate,
  time: readTime,
  duration: readDuration,
  phone: readPhone,
  pin: (at) => readBoxes(at, 'pin'),
  'one-time-code': (at) => readBoxes(at, 'one-time-code'),
};
export const kindNames = Object.keys(entryReaders);
