import type { CheckDocument, RuleDocument } from '@arbeit/engine/document';
import { apply, evaluate, type FieldState, type HydratedField, start, toMessage } from '@arbeit/engine/field';
import type { Verdict } from '@arbeit/engine/rules';
import { graphemes, resolve } from '@arbeit/engine/values';

/** A text in the field, and what a rule says to it. */
export interface RuleExample {
  /** As the field shows it after blur; '' for the empty field. */
  readonly display: string;
  readonly verdict: Verdict;
  /** The message as somebody will read it; '' if it passes. */
  readonly message: string;
}

/** Most examples of a rule. */
const most = 6;

/** The field with a text in it, as a program would set it; `undefined` if the field cannot have it. */
function withText(field: HydratedField, text: string): FieldState | undefined {
  const empty = apply(field, apply(field, start(field), { type: 'focus' }), { type: 'set', text: '' });
  if (text === '') return empty;
  for (const type of ['set', 'paste'] as const) {
    const state = apply(field, empty, { type, text });
    if (!state.rejected && !state.leftOut && state.body.content !== '') return state;
  }
  return undefined;
}

/** A value as a number to compare: itself, or a day or time in milliseconds. */
function asNumber(value: string): number {
  const number = Number(value);
  if (!Number.isNaN(number)) return number;
  return Date.parse(/^\d\d:/.test(value) ? `1970-01-01T${value}` : value);
}

/** The next whole number or minute; `undefined` for values of other kinds. */
function beside(value: string, step: 1 | -1): string | undefined {
  const [, hour, minute] = /^(\d\d):(\d\d)/.exec(value) ?? [];
  if (hour === undefined) return Number.isNaN(Number(value)) ? undefined : String(Number(value) + step);
  const at = Number(hour) * 60 + Number(minute) + step;
  const two = (part: number) => String(part).padStart(2, '0');
  return at < 0 || at >= 24 * 60 ? undefined : `${two(Math.floor(at / 60))}:${two(at % 60)}`;
}

/** How far two values are from each other. */
const distance = (one: string, other: string): number => Math.abs(asNumber(one) - asNumber(other));

/** A limit and the values next to it, as states. */
function around(field: HydratedField, limit: string): readonly (FieldState | undefined)[] {
  const at = withText(field, limit);
  const own = at && field.kind.value(field.plan, at.body);
  if (!at || own === null || own === undefined) return [];
  const next = (type: 'up' | 'down'): FieldState | undefined => {
    // What a step changes depends on the caret: the day of a date at its start or its end.
    const steps = [0, at.body.display.length].map((offset) =>
      apply(field, apply(field, at, { type: 'select', start: offset, end: offset }), { type }),
    );
    // A step ends at the limit of the rule, or at the end of its part.
    const beyond = beside(own, type === 'up' ? 1 : -1);
    const all = [...steps, beyond === undefined ? undefined : withText(field, beyond)].flatMap((state) => {
      const value = state && field.kind.value(field.plan, state.body);
      return state && value && value !== own ? [{ state, far: distance(own, value) || Infinity }] : [];
    });
    return all.sort((a, b) => a.far - b.far)[0]?.state;
  };
  return [next('down'), at, next('up')];
}

/** Texts that decide about a check: at its limit and next to it, or right and wrong. */
function statesFor(
  field: HydratedField,
  check: CheckDocument,
  finished: string,
  today: string,
): readonly (FieldState | undefined)[] {
  const text = (one: string) => withText(field, one);
  const cut = graphemes(finished).slice(0, -1).join('');
  switch (check.type) {
    case 'required':
      return [text(''), text(finished)];
    case 'complete':
      return [text(cut), text(finished)];
    case 'range':
      return [check.min, check.max].flatMap((limit) =>
        limit === undefined ? [] : around(field, resolve(String(limit), today) ?? String(limit)),
      );
    case 'length': {
      const { min, max } = check;
      const whole = withText(field, finished);
      const raw = (whole && field.kind.raw(field.plan, whole.body)) || 'x';
      const letters = graphemes(raw.repeat(1 + Math.ceil(((max ?? min ?? 1) + 1) / graphemes(raw).length)));
      return [min, max].flatMap((limit) =>
        limit === undefined
          ? []
          : [limit - 1, limit, limit + 1].map((count) => text(letters.slice(0, Math.max(0, count)).join(''))),
      );
    }
    case 'matches':
      return [text(finished), text(graphemes(finished).slice(0, 3).join(''))];
    case 'in':
    case 'not-in':
      return [...check.values.slice(0, 2).map((value) => text(String(value))), text(finished)];
    case 'not-trivial':
      return [text('1234'), text('0000'), text('123456'), text('000000'), text(finished)];
    default:
      return [text(finished), text(cut)];
  }
}

/**
 * What a rule says at its limit and next to it, or to a right and a wrong text, and to the values stored with
 * it. `finished` is a complete text of the field, `today` the clock (ISO 8601).
 */
export function ruleExamples(
  field: HydratedField,
  rule: RuleDocument,
  finished: string,
  today: string,
): readonly RuleExample[] {
  const at = field.rules.findIndex(({ id }) => id === rule.id);
  const compiled = field.rules[at];
  if (!compiled) return [];
  const stored = [...(rule.samples?.fail ?? []), ...(rule.samples?.pass ?? [])];
  const states = [
    ...statesFor(field, rule.check, finished, today),
    ...stored.map((value) => withText(field, value)),
  ];
  const known = new Map<string, RuleExample>();
  for (const state of states) {
    if (!state) continue;
    const { display } = apply(field, state, { type: 'leave' }).body;
    const finding = evaluate(field, state, today).findings[at];
    if (!finding || known.has(display)) continue;
    const { verdict } = finding;
    known.set(display, {
      display,
      verdict,
      message: verdict === 'pass' ? '' : toMessage(field, compiled, finding).message,
    });
  }
  return [...known.values()].slice(0, most);
}
