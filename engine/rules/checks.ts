import { graphemes } from '../run/graphemes.ts';
import { kindOf } from '../run/kind.ts';
import type { PatternBody } from '../run/layout.ts';
import type { Check, CompiledField } from '../run/plan.ts';
import { match } from './automaton.ts';
import { schemes } from './checksum.ts';
import type { Finding, Verdict } from './verdict.ts';

const none: Readonly<Record<string, string>> = {};
const passed: Finding = { verdict: 'pass', code: '', data: none };
const missing: Finding = { verdict: 'open', code: 'required', data: none };
const incomplete: Finding = { verdict: 'open', code: 'incomplete', data: none };

/** What one check says of what the field holds. An empty field passes every check but `required`. */
export function check(field: CompiledField, body: PatternBody, what: Check): Finding {
  if (body.last < 0) return what.type === 'required' ? missing : passed;
  switch (what.type) {
    case 'required':
      return passed;
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
      if (body.complete && schemes[what.scheme](rawOf(field, body))) return passed;
      return finding(!body.complete || hasRoom(field, body) ? 'open' : 'fail', 'bad-checksum');
  }
}

const rawOf = (field: CompiledField, body: PatternBody): string => kindOf(field).raw(field.plan, body);
const hasRoom = (field: CompiledField, body: PatternBody): boolean => kindOf(field).hasRoom(field.plan, body);

const finding = (verdict: Verdict, code: string, data = none): Finding =>
  verdict === 'pass' ? passed : { verdict, code, data };

function length(field: CompiledField, body: PatternBody, min: number, max: number): Finding {
  const count = graphemes(rawOf(field, body)).length;
  const data = { min: String(min), max: String(max), length: String(count) };
  if (count > max) return finding('fail', 'too-long', data);
  return finding(count >= min ? 'pass' : hasRoom(field, body) ? 'open' : 'fail', 'too-short', data);
}

function among(field: CompiledField, body: PatternBody, values: readonly string[]): Finding {
  const raw = rawOf(field, body);
  if (values.includes(raw)) return passed;
  const open = values.some((value) => value.startsWith(raw));
  const shown = values.map((value) => shownAs(field, value)).join(', ');
  return finding(open ? 'open' : 'fail', 'not-allowed', { allowed: shown });
}

function notAmong(field: CompiledField, body: PatternBody, values: readonly string[]): Finding {
  const raw = rawOf(field, body);
  if (!values.includes(raw)) return passed;
  return finding(hasRoom(field, body) ? 'open' : 'fail', 'not-allowed', { value: body.display });
}

/** A raw value as the field would show it. */
function shownAs(field: CompiledField, raw: string): string {
  const kind = kindOf(field);
  return kind.display(field.plan, kind.read(field.plan, raw).body) || raw;
}
