import { countOf } from '../values/graphemes.ts';
import { match } from './automaton.ts';
import { rotated, schemes } from './checksum.ts';
import { type Finding, incomplete, passed, type Verdict } from './finding.ts';
import type { Check } from './rule.ts';

const none: Readonly<Record<string, string>> = {};
const missing: Finding = { verdict: 'open', code: 'required', data: none };

/** What a check asks about: something held, whatever its kind. */
export interface Held {
  /** The characters the user contributed, in order. */
  readonly content: string;
  readonly display: string;
  /** Nothing is missing: what stands there is a whole value, right or wrong. */
  readonly complete: boolean;
}

/** What a kind must be able to tell of what it holds, so that it can be checked. */
export interface Judged<P, B extends Held> {
  raw(plan: P, body: B): string;
  /** Whether typing on could still add a character. */
  hasRoom(plan: P, body: B): boolean;
  /** What a whole value from the program comes to. */
  read(plan: P, text: string): { readonly body: B };
  /** The same content as it shows away from the focus. */
  rest?(plan: P, body: B): B;
  /** The kind's own answer to a check; `undefined` leaves it to `check`. */
  judge?(plan: P, body: B, check: Check, given: Given): Finding | undefined;
}

/** What a check is given beside the value: all it may know of the world. */
export interface Given {
  /** The clock, an ISO 8601 date; empty where none is at hand. */
  readonly today: string;
  /** Values of the other fields of the form, by id; `null` for one that has none. */
  readonly others: Readonly<Record<string, string | null>>;
  /** What was answered about the value, by the rule's id. */
  readonly answers: Readonly<Record<string, unknown>>;
}

/** A field to be checked: its plan, its kind. */
interface Subject<P, B extends Held> {
  readonly plan: P;
  readonly kind: Judged<P, B>;
}

/**
 * What one check says of what the field holds. An empty field passes every check but `required`, which blanks alone do not meet either.
 */
export function check<P, B extends Held>(field: Subject<P, B>, body: B, what: Check, given: Given): Finding {
  if (!body.content) return what.type === 'required' ? missing : passed;
  if (what.type === 'required') return body.content.trim() ? passed : missing;
  if (what.type === 'complete' || what.type === 'range') {
    const own = field.kind.judge?.(field.plan, body, what, given);
    if (own) return own;
  }
  switch (what.type) {
    case 'complete':
      return body.complete ? passed : incomplete;
    case 'length':
      return length(field, body, what.min ?? 0, what.max ?? Number.POSITIVE_INFINITY);
    case 'matches':
      return finding(match(what.automaton, rawOf(field, body)), 'no-match');
    case 'in':
      return among(field, body, what.values);
    case 'not-in':
      return notAmong(field, body, what.values);
    case 'checksum':
      if (body.complete && schemes[what.scheme](rotated(rawOf(field, body), what.rotate ?? 0))) return passed;
      return finding(!body.complete || hasRoom(field, body) ? 'open' : 'fail', 'bad-checksum');
    case 'range':
      // Only kinds with an order have a range, and they answer themselves.
      return passed;
    case 'not-trivial':
      if (!body.complete || !isTrivial(rawOf(field, body))) return passed;
      return finding(hasRoom(field, body) ? 'open' : 'fail', 'trivial', { value: body.display });
  }
}

/** What is guessed first: one character over and over, a run up or down, a pair repeated. */
function isTrivial(text: string): boolean {
  const codes = [...text].map((c) => c.codePointAt(0)!);
  if (codes.length < 3) return false;
  const steps = codes.slice(1).map((code, i) => code - codes[i]!);
  const isRun = steps.every((step) => step === steps[0]) && Math.abs(steps[0]!) <= 1;
  const isPair = codes.length >= 4 && codes.every((code, i) => code === codes[i % 2]);
  return isRun || isPair;
}

const rawOf = <P, B extends Held>({ kind, plan }: Subject<P, B>, body: B): string => kind.raw(plan, body);
const hasRoom = <P, B extends Held>({ kind, plan }: Subject<P, B>, body: B): boolean =>
  kind.hasRoom(plan, body);

const finding = (verdict: Verdict, code: string, data = none): Finding =>
  verdict === 'pass' ? passed : { verdict, code, data };

function length<P, B extends Held>(field: Subject<P, B>, body: B, min: number, max: number): Finding {
  const count = countOf(rawOf(field, body));
  const data = { min: String(min), max: String(max), length: String(count) };
  if (count > max) return finding('fail', 'too-long', data);
  return finding(count >= min ? 'pass' : hasRoom(field, body) ? 'open' : 'fail', 'too-short', data);
}

function among<P, B extends Held>(field: Subject<P, B>, body: B, values: readonly string[]): Finding {
  const raw = rawOf(field, body);
  if (values.includes(raw)) return passed;
  const open = hasRoom(field, body) && values.some((value) => value.startsWith(raw));
  const shown = values.map((value) => shownAs(field, value)).join(', ');
  return finding(open ? 'open' : 'fail', 'not-allowed', { allowed: shown });
}

function notAmong<P, B extends Held>(field: Subject<P, B>, body: B, values: readonly string[]): Finding {
  const raw = rawOf(field, body);
  if (!values.includes(raw)) return passed;
  return finding(hasRoom(field, body) ? 'open' : 'fail', 'not-allowed', { value: body.display });
}

/** A raw value as the field would show it. */
function shownAs<P, B extends Held>(field: Subject<P, B>, raw: string): string {
  const { kind, plan } = field;
  const { body } = kind.read(plan, raw);
  return (kind.rest?.(plan, body) ?? body).display || raw;
}
