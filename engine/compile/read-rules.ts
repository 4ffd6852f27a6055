import { resolve } from '../run/calendar.ts';
import { canonical } from '../run/decimal.ts';
import type { DocumentFault, KindName } from './document.ts';
import { parseExpression } from './expression.ts';
import { nameOf, readId, Spot } from './spot.ts';

const checks = {
  required: [[], []],
  complete: [[], []],
  length: [['min', 'max'], []],
  matches: [['pattern', 'flags'], ['pattern']],
  in: [['values'], ['values']],
  'not-in': [['values'], ['values']],
  checksum: [['scheme'], ['scheme']],
  range: [['min', 'max', 'step'], []],
  'not-trivial': [[], []],
} as const;

/** The rules of a field of that kind. */
export function readRules(at: Spot, kind: KindName | undefined): void {
  const ids: string[] = [];
  for (const rule of at.items()) {
    if (!rule.object(['id', 'check', 'say', 'code', 'show', 'severity'], ['id', 'check'])) continue;
    if (rule.has('id')) readId(rule.get('id'), ids);
    if (rule.has('say')) rule.get('say').filled();
    if (rule.has('code') && !/^[a-z][\w-]*$/i.test(rule.get('code').string() ?? 'x'))
      rule.get('code').fault('A code is one word of letters, digits, "-" and "_".');
    if (rule.has('show')) rule.get('show').oneOf(['at-once', 'leave', 'submit']);
    if (rule.has('severity')) rule.get('severity').oneOf(['error', 'warning']);
    if (rule.has('check')) readCheck(rule.get('check'), kind);
  }
}

export function readCheck(at: Spot, kind: KindName | undefined): void {
  if (typeof at.value !== 'object' || at.value === null || Array.isArray(at.value)) {
    at.object([], []);
    return;
  }
  if (!at.has('type')) {
    at.get('type').fault('"type" is missing.');
    return;
  }
  const type = at.get('type').oneOf(Object.keys(checks)) as keyof typeof checks | undefined;
  if (!type) return;
  const [known, needed] = checks[type];
  at.object(['type', ...known], needed);
  if (type === 'range') readRange(at, kind);
  if (type === 'length') {
    if (at.has('min')) at.get('min').whole();
    if (at.has('max')) at.get('max').whole();
    readLength(at);
  }
  if (at.has('scheme') && type === 'checksum') at.get('scheme').oneOf(['luhn', 'mod97', 'mod11']);
  if (at.has('values') && (type === 'in' || type === 'not-in')) {
    const values = at.get('values').items();
    for (const value of values) value.string();
    if (Array.isArray(at.get('values').value) && values.length === 0)
      at.get('values').fault('Expected at least one value.');
  }
  if (type === 'matches') readMatches(at);
}

function readLength(at: Spot): void {
  const { min, max } = at.value as { min?: unknown; max?: unknown };
  if (min === undefined && max === undefined) at.fault('A length needs "min", "max" or both.');
  if (typeof min === 'number' && typeof max === 'number' && max < min)
    at.get('max').fault(`"max" is below "min" (${min}).`, { suggestion: String(min) });
}

/** What a limit looks like for each kind that has an order, and an example of it. */
const limits: Readonly<
  Partial<Record<KindName, readonly [isGood: (text: string) => boolean, example: string]>>
> = {
  number: [isDecimal, '12.5'],
  currency: [isDecimal, '12.50'],
  percent: [isDecimal, '5'],
  duration: [(text) => /^\d{1,6}$/.test(text), '90'],
  time: [(text) => /^(?:[01]\d|2[0-3]):[0-5]\d(?::[0-5]\d)?$/.test(text), '16:30'],
  date: [(text) => resolve(text, '2027-02-10') !== undefined, 'today+18m'],
};

function isDecimal(text: string): boolean {
  return text.length <= 100 && canonical(text) !== '';
}

function readRange(at: Spot, kind: KindName | undefined): void {
  if (kind === undefined) return;
  const form = limits[kind];
  if (!form) {
    at.get('type').fault(`A ${kind} field has no order, so it has no range.`, { suggestion: 'length' });
    return;
  }
  const given = ['min', 'max', 'step'].filter((key) => at.has(key));
  if (given.length === 0) at.fault('A range needs "min", "max", "step" or some of them.');
  for (const key of given) {
    const spot = at.get(key);
    const { value } = spot;
    const text = typeof value === 'number' && Number.isFinite(value) ? String(value) : value;
    const hasStep = kind !== 'date' && kind !== 'time';
    if (key === 'step' && !hasStep) spot.fault(`A ${kind} field has no steps: leave it out.`);
    else if (
      typeof text !== 'string' ||
      !form[0](text) ||
      (key === 'step' && !/[1-9]/.test(text.replace('-', '')))
    )
      spot.fault(`Expected a ${kind} such as "${form[1]}", found ${nameOf(value)}.`, { suggestion: form[1] });
    else if (key === 'step' && text.startsWith('-'))
      spot.fault('A step is above zero.', { suggestion: text.slice(1) });
  }
}

function readMatches(at: Spot): void {
  const flags = at.has('flags') ? at.get('flags').string() : '';
  if (flags && !/^[isu]*$/.test(flags))
    at.get('flags').fault('The flags that count here are i, s and u.', { suggestion: 'i' });
  if (!at.has('pattern')) return;
  const source = at.get('pattern').string();
  if (source === undefined) return;
  const parsed = parseExpression(source, flags);
  if ('message' in parsed)
    at.get('pattern').fault(parsed.message, { column: parsed.column, suggestion: parsed.suggestion });
}

/** What is wrong with one check of a field of that kind, in sentences; for screens that edit one. */
export function problemWithCheck(kind: KindName, check: unknown): readonly string[] {
  const faults: DocumentFault[] = [];
  readCheck(new Spot(check, '$', faults), kind);
  return faults.map(({ message }) => message);
}
