import { incomplete, passed } from '../run/finding.ts';
import { countOf } from '../run/graphemes.ts';
import { type Body, kindOf } from '../run/kind.ts';
import type { Check, CompiledField } from '../run/plan.ts';
import { match } from './automaton.ts';
import { rotated, schemes } from './checksum.ts';
import type { Finding, Verdict } from './verdict.ts';

const none: Readonly<Record<string, string>> = {};
const missing: Finding = { verdict: 'open', code: 'required', data: none };

/**
 * What one check says of what the field holds. An empty field passes every check but `required`, which blanks alone do not meet either. `today` is the
 * clock, an ISO 8601 date.
 */
export function check(field: CompiledField, body: Body, what: Check, today: string): Finding {
  if (!body.content) return what.type === 'required' ? missing : passed;
  if (what.type === 'required') return body.content.trim() ? passed : missing;
  if (what.type === 'complete' || what.type === 'range') {
    const own = kindOf(field).judge?.(field.plan, body, what, today);
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
export function isTrivial(text: string): boolean {
  const codes = [...text].map((c) => c.codePointAt(0)!);
  if (codes.length < 3) return false;
  const steps = codes.slice(1).map((code, i) => code - codes[i]!);
  const isRun = steps.every((step) => step === steps[0]) && Math.abs(steps[0]!) <= 1;
  const isPair = codes.length >= 4 && codes.every((code, i) => code === codes[i % 2]);
  return isRun || isPair;
}

const rawOf = (field: CompiledField, body: Body): string => kindOf(field).raw(field.plan, body);
const hasRoom = (field: CompiledField, body: Body): boolean => kindOf(field).hasRoom(field.plan, body);

const finding = (verdict: Verdict, code: string, data = none): Finding =>
  verdict === 'pass' ? passed : { verdict, code, data };

function length(field: CompiledField, body: Body, min: number, max: number): Finding {
  const count = countOf(rawOf(field, body));
  const data = { min: String(min), max: String(max), length: String(count) };
  if (count > max) return finding('fail', 'too-long', data);
  return finding(count >= min ? 'pass' : hasRoom(field, body) ? 'open' : 'fail', 'too-short', data);
}

function among(field: CompiledField, body: Body, values: readonly string[]): Finding {
  const raw = rawOf(field, body);
  if (values.includes(raw)) return passed;
  const open = values.some((value) => value.startsWith(raw));
  const shown = values.map((value) => shownAs(field, value)).join(', ');
  return finding(open ? 'open' : 'fail', 'not-allowed', { allowed: shown });
}

function notAmong(field: CompiledField, body: Body, values: readonly string[]): Finding {
  const raw = rawOf(field, body);
  if (!values.includes(raw)) return passed;
  return finding(hasRoom(field, body) ? 'open' : 'fail', 'not-allowed', { value: body.display });
}

/** A raw value as the field would show it. */
function shownAs(field: CompiledField, raw: string): string {
  const kind = kindOf(field);
  const { body } = kind.read(field.plan, raw);
  return (kind.rest?.(field.plan, body) ?? body).display || raw;
}
