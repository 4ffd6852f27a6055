import { compare as order } from '../values/decimal.ts';
import { countOf } from '../values/long-text.ts';
import { asking } from './asking.ts';
import { match } from './automaton.ts';
import type { Checks, Held, Judge, Subject } from './checks.ts';
import { rotated, schemes } from './checksum.ts';
import { clearing } from './clearing.ts';
import { type Finding, passed, unanswered, unrun, type Verdict } from './finding.ts';
import type { Comparison } from './rule.ts';

/** The checks a field carries where a rule asks for them, each by itself and all together. */

const none: Finding['data'] = {};

const finding = (verdict: Verdict, code: string, data = none): Finding =>
  verdict === 'pass' ? passed : { verdict, code, data };
const rawOf = <P, B extends Held>({ kind, plan }: Subject<P, B>, body: B): string => kind.raw(plan, body);
/** What does not hold, and still could where there is room to type on. */
const failing = <P, B extends Held>(
  { kind, plan }: Subject<P, B>,
  body: B,
  code: string,
  data = none,
): Finding => finding(kind.hasRoom(plan, body) ? 'open' : 'fail', code, data);

/** Whether the raw value has so many characters (grapheme clusters): codes `too-short`, `too-long`. */
export const length: Judge<'length'> = (field, body, { min = 0, max = Number.POSITIVE_INFINITY }) => {
  const count = countOf(rawOf(field, body));
  const data = { min: String(min), max: String(max), length: String(count) };
  if (count > max) return finding('fail', 'too-long', data);
  return count >= min ? passed : failing(field, body, 'too-short', data);
};

/** Whether the whole raw value is one of an expression (ECMAScript syntax), in time that grows with the text: code `no-match`. */
export const matches: Judge<'matches'> = (field, body, { automaton }) =>
  finding(match(automaton, rawOf(field, body)), 'no-match');

/** Whether the raw value is one of a list: code `not-allowed`. */
export const among: Judge<'in'> = (field, body, { values }) => {
  const raw = rawOf(field, body);
  if (values.includes(raw)) return passed;
  const { kind, plan } = field;
  const open = kind.hasRoom(plan, body) && values.some((value) => value.startsWith(raw));
  const shown = values.map((value) => shownAs(field, value)).join(', ');
  return finding(open ? 'open' : 'fail', 'not-allowed', { allowed: shown });
};

/** Whether the raw value is none of a list: code `not-allowed`. */
export const notAmong: Judge<'not-in'> = (field, body, { values }) =>
  values.includes(rawOf(field, body)) ? failing(field, body, 'not-allowed', { value: body.display }) : passed;

/** Whether the check character is right (Luhn, ISO 7064 MOD 97-10 and MOD 11-2): code `bad-checksum`. */
export const checksum: Judge<'checksum'> = (field, body, { scheme, rotate = 0 }) => {
  if (!body.complete) return finding('open', 'bad-checksum');
  return schemes[scheme](rotated(rawOf(field, body), rotate)) ? passed : failing(field, body, 'bad-checksum');
};

/** Whether the raw value is none that is guessed first, such as 1111, 1234 or 1212: code `trivial`. */
export const notTrivial: Judge<'not-trivial'> = (field, body) =>
  body.complete && isTrivial(rawOf(field, body))
    ? failing(field, body, 'trivial', { value: body.display })
    : passed;

/** Whether the value stands to another field's as it should: code `differs`. Without one of the two there is nothing to compare. */
export const compare: Judge<'compare'> = ({ kind, plan }, body, { op, field, days = 0, by }, { others }) => {
  const value = kind.value(plan, body);
  const other = others[field];
  if (value === null || !other || other.value === null) return passed;
  const side = by === 'number' ? order(value, other.value) : order8601(value, other.value);
  // Days of ISO 8601 alone are read as in UTC (ECMAScript, Date.parse), where each has 24 hours.
  const apart = (Date.parse(value) - Date.parse(other.value)) / 86_400_000;
  if (holdsFor[op](side, apart - days)) return passed;
  const data = { value: body.display, other: other.display, 'other-label': other.label, days: String(days) };
  return { verdict: 'fail', code: 'differs', data };
};

/** Below 0, 0 or above 0; of two times of which one has no seconds, it has none. */
function order8601(a: string, b: string): number {
  const [x, y] = [a, b].map((text) => (/^\d\d:\d\d$/.test(text) ? `${text}:00` : text)) as [string, string];
  return x < y ? -1 : x > y ? 1 : 0;
}

/** Whether a comparison holds, by which side of the other value this one is on, and by how many days it is further away than it may be. */
const holdsFor: Readonly<Record<Comparison, (side: number, further: number) => boolean>> = {
  same: (side) => side === 0,
  differs: (side) => side !== 0,
  after: (side) => side > 0,
  above: (side) => side > 0,
  before: (side) => side < 0,
  below: (side) => side < 0,
  'not-before': (side) => side >= 0,
  'not-after': (side) => side <= 0,
  'at-most-days': (_, further) => further <= 0,
  'at-least-days': (_, further) => further >= 0,
};

/** What a server answered about the value: the answer's own code, or `unreachable`. Until then it is open and says nothing. */
export const remote: Judge<'remote'> = ({ kind, plan }, body, _, { answers }, rule) => {
  if (kind.value(plan, body) === null) return passed;
  const answer = answers[rule];
  if (!answer) return unanswered;
  const { verdict, code, data = none, facts } = answer;
  if (verdict === 'unreachable') return { verdict: 'open', code: 'unreachable', data };
  const told = verdict === 'pass' ? passed : { verdict, code: code ?? 'not-allowed', data };
  return facts ? { ...told, facts } : told;
};

/** Where nothing runs the developer's own code the check says nothing and holds nothing back; `customBy` makes one that does. */
export const custom: Judge<'custom'> = () => unrun;

export { asking } from './asking.ts';
export { clearing } from './clearing.ts';
export { customBy } from './custom.ts';

/** All of them, and what goes with some rules beside them. */
export const checks = {
  length,
  matches,
  in: among,
  'not-in': notAmong,
  checksum,
  'not-trivial': notTrivial,
  compare,
  remote,
  custom,
  asking,
  clearing,
} satisfies Required<Checks>;

/** What is guessed first: one character over and over, a run up or down, a pair repeated. */
function isTrivial(text: string): boolean {
  const codes = Array.from(text, (c) => c.codePointAt(0) ?? 0);
  if (codes.length < 3) return false;
  const steps = codes.slice(1).map((code, i) => code - (codes[i] ?? 0));
  const [first = 0] = steps;
  const isRun = Math.abs(first) <= 1 && steps.every((step) => step === first);
  const isPair = codes.length >= 4 && codes.every((code, i) => code === codes[i % 2]);
  return isRun || isPair;
}

/** A raw value as the field would show it. */
function shownAs<P, B extends Held>({ kind, plan }: Subject<P, B>, raw: string): string {
  const { body } = kind.read(plan, raw);
  return (kind.rest?.(plan, body) ?? body).display || raw;
}
