import { besideLimit } from '@arbeit/engine/check-words';
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

/** Most examples of a rule: those that decide, and as many stored values as there is room for. */
const most = 8;

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

/** A limit between the values directly below and above it, as states. */
function around(field: HydratedField, limit: string): readonly (FieldState | undefined)[] {
  const [below, above] = besideLimit(limit);
  return [below, limit, above].map((text) => (text === undefined ? undefined : withText(field, text)));
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
 * What a rule says at its limit and next to it, or to a right and a wrong text, then to values stored with
 * it. Nothing for checks by a server or by code that has not run. `finished` is a complete text of the field,
 * `today` the clock (ISO 8601).
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
    // What a server or code would answer is not known here, for none of the texts.
    if (finding?.code === 'unanswered') return [];
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
