import { carryOut } from '../../field/apply.ts';
import type { FieldState } from '../../field/field-state.ts';
import type { Kind } from '../../field/kind.ts';
import type { RunShape } from '../../field/shape.ts';
import type { EditResult, Extent, InsertResult, Reason } from '../../field/text-state.ts';
import { type Finding, unanswered } from '../../rules/finding.ts';
import { graphemes, worthTelling } from '../../values/graphemes.ts';
import { taken } from '../editing/takes.ts';
import {
  bare,
  behind,
  type CustomPlan,
  type CustomText,
  countLeft,
  empty,
  endAt,
  endOf,
  gapAt,
} from './body.ts';
import { alphabetOf, type Layout, layoutBy, sampleOf } from './layout.ts';

/** Removes the characters from index `first` up to `end`; the caret is placed where they began. */
function without(
  { lay }: Layout,
  plan: CustomPlan,
  body: CustomText,
  [first, end]: readonly [first: number, end: number],
  caret: number,
): EditResult<CustomText> {
  if (first < 0 || first >= end || end > body.characters.length) return { body, caret };
  const aim = Math.min(caret, body.places[first]!);
  const rest = lay(plan, body.characters.toSpliced(first, end - first));
  const low = behind(rest, first);
  const high = rest.places[first] ?? endOf(rest);
  return { body: rest, caret: Math.max(Math.min(low, high), Math.min(aim, high)) };
}

/** The indices that a deletion without a selection removes. */
function reach(body: CustomText, count: number, extent: Extent): readonly [first: number, end: number] {
  if (extent === 'character-left') return [count - 1, count];
  if (extent === 'character-right') return [count, count + 1];
  // A word is a run of content without fixed text in it.
  let first = Math.max(0, count - 1);
  while (first > 0 && endAt(body, first - 1) === body.places[first]) first--;
  return [first, count];
}

/** Types over fixed text: it is passed if it comes next, and ignored if it is the text just placed. */
function passOver(
  { body, caret }: EditResult<CustomText>,
  at: number,
  character: string,
): EditResult<CustomText> | undefined {
  if (body.characters.length === 0) return undefined;
  const next = body.places[at] ?? body.display.length;
  const ahead = body.display.slice(caret, next).indexOf(character);
  if (ahead >= 0) return { body, caret: Math.min(endOf(body), caret + ahead + character.length) };
  const last = at ? endAt(body, at - 1) : 0;
  return body.display.slice(last, caret).includes(character) ? { body, caret } : undefined;
}

/**
 * A text without the fixed text it starts with, with or without its spaces, in either case. Unchanged if it
 * does not start with it.
 */
function withoutLead(given: readonly string[], lead: readonly string[]): readonly string[] {
  if (lead.length === 0) return given;
  let at = 0;
  const skip = (): void => {
    while (given[at] !== undefined && /^\s$/u.test(given[at]!)) at++;
  };
  for (const c of lead) {
    if (/^\s$/u.test(c)) continue;
    skip();
    if (given[at]?.toLowerCase() !== c.toLowerCase()) return given;
    at++;
  }
  skip();
  return given.slice(at);
}

/** The rejected characters that are not fixed text now displayed where they were given (law 6). */
function notFixed<P extends { readonly c: string; readonly index: number }>(
  body: CustomText,
  passed: readonly P[],
): readonly P[] {
  let [gap, index] = ['', -1];
  return passed.filter((one) => {
    if (one.index !== index) [gap, index] = [gapAt(body, one.index).toLowerCase(), one.index];
    const found = gap.indexOf(one.c.toLowerCase());
    if (found >= 0) gap = gap.slice(found + one.c.length);
    return found < 0;
  });
}

const cut = (
  layout: Layout,
  plan: CustomPlan,
  body: CustomText,
  start: number,
  end: number,
): EditResult<CustomText> =>
  without(layout, plan, body, [countLeft(body, start), countLeft(body, end)], start);

/** Inserts a whole text over the selection: what the field accepts of it, laid out once at the end. */
function insert(
  layout: Layout,
  plan: CustomPlan,
  body: CustomText,
  start: number,
  end: number,
  text: string,
): InsertResult<CustomText> {
  const at = countLeft(body, start);
  const kept = body.characters.toSpliced(at, countLeft(body, end) - at);
  const given = graphemes(text.normalize('NFC'));
  const lead = at === 0 && given.length > 1 ? layout.leadOf(plan) : [];
  if (
    kept.length === 0 &&
    taken(plan.takes, given[0] ?? '') === undefined &&
    isBegun(layout.leadOf(plan), given)
  )
    return { body: { ...empty, display: text }, caret: text.length, leftOut: '', rejected: null };
  const room = plan.most - kept.length;
  const put: string[] = [];
  /** Letters and digits that were not accepted, each with the number of characters before it. */
  const passed: { readonly c: string; readonly index: number; readonly why: Reason }[] = [];
  for (const c of withoutLead(given, lead ?? [])) {
    const own = taken(plan.takes, c);
    if (own !== undefined && put.length < room) put.push(own);
    else if (worthTelling.test(c))
      passed.push({ c, index: at + put.length, why: own === undefined ? 'not-accepted' : 'full' });
  }
  if (put.length === 0) {
    const rejected = passed.at(-1)?.why ?? null;
    return { ...cut(layout, plan, body, start, end), leftOut: passed.map(({ c }) => c).join(''), rejected };
  }
  const characters = kept.toSpliced(at, 0, ...put);
  // Usually nothing is rejected: then this is the display once it is known, and is requested together with
  // it.
  const laid = layout.lay(plan, characters);
  const next = lead ? laid : { ...bare(characters, 'waiting'), given: { text, count: put.length } };
  const left = notFixed(next, passed);
  return {
    body: next,
    caret: behind(next, at + put.length),
    leftOut: left.map(({ c }) => c).join(''),
    rejected: null,
  };
}

/**
 * A raw value as the field itself writes it: each character is accepted unchanged. `undefined` for any other
 * text, which is then read like a paste. The leading fixed text may contain such characters too (`0` before a
 * number); none of a raw value is dropped for that.
 */
function rawIn(layout: Layout, plan: CustomPlan, text: string): InsertResult<CustomText> | undefined {
  const characters = graphemes(text);
  const isRaw = characters.length <= plan.most && characters.every((c) => taken(plan.takes, c) === c);
  if (!isRaw) return undefined;
  const body = layout.lay(plan, characters);
  return { body, caret: endOf(body), leftOut: '', rejected: null };
}

/**
 * Types the first characters of the leading fixed text into an empty field. They are displayed from then on.
 * The first one must be a character that the field does not accept, because content has precedence. Spaces
 * may be left out.
 */
function leadTyped(
  { leadOf }: Layout,
  plan: CustomPlan,
  body: CustomText,
  key: string,
): EditResult<CustomText> | undefined {
  if (body.characters.length > 0) return undefined;
  const lead = leadOf(plan);
  if (!lead?.length) return undefined;
  const from = graphemes(body.display).length;
  const blanks = lead.slice(from).findIndex((c) => !/^\s$/u.test(c));
  const next = /^\s$/u.test(key) ? from : from + Math.max(0, blanks);
  if (lead[next]?.toLowerCase() !== key.toLowerCase()) return undefined;
  if (from === 0 && taken(plan.takes, key) !== undefined) return undefined;
  const display = lead.slice(0, next + 1).join('');
  return { body: { ...empty, display }, caret: display.length };
}

/** Whether a text is the beginning of the leading fixed text as displayed while it is typed. */
const isBegun = (lead: readonly string[] | undefined, given: readonly string[]): boolean =>
  lead !== undefined && given.length > 0 && given.every((c, i) => c === lead[i]);

/** Deletes from fixed text that was typed before any content: all of it is removed, as it was added. */
const withoutTyped = (body: CustomText): EditResult<CustomText> | undefined =>
  body.characters.length === 0 && body.display ? { body: empty, caret: 0 } : undefined;

/**
 * The state laid out again with what the code has returned meanwhile. The caret stays between the same
 * characters.
 */
function again(layout: Layout, plan: CustomPlan, state: FieldState<CustomText>): FieldState<CustomText> {
  const { characters, given } = state.body;
  if (given !== undefined) return givenAgain(layout, plan, state, given);
  const body = layout.lay(plan, characters);
  if (body.is === 'waiting') return state;
  const moved = (offset: number): number => behind(body, countLeft(state.body, offset));
  return { ...state, body, start: moved(state.start), end: moved(state.end) };
}

/** Inserts a text again now that its fixed parts are known. What was after it stays after it. */
function givenAgain(
  layout: Layout,
  plan: CustomPlan,
  state: FieldState<CustomText>,
  { text, count }: NonNullable<CustomText['given']>,
): FieldState<CustomText> {
  if (!layout.leadOf(plan)) return state;
  const { characters } = state.body;
  const { body, leftOut } = insert(layout, plan, bare(characters.slice(count), 'waiting'), 0, 0, text);
  const less = characters.length - body.characters.length;
  const moved = (offset: number): number => behind(body, Math.max(0, countLeft(state.body, offset) - less));
  // Text left out is reported only for the last event.
  return {
    ...state,
    body,
    start: moved(state.start),
    end: moved(state.end),
    leftOut: state.leftOut && leftOut,
  };
}

/** The findings of a field whose code has not finished, or does what it may not. */
function validate(
  _: CustomPlan,
  { is, problem }: CustomText,
  { type }: { readonly type: string },
): Finding | undefined {
  if (type !== 'complete') return undefined;
  if (is === 'waiting') return unanswered;
  if (!problem) return undefined;
  const { of, what, about, line } = problem;
  const reason = of === 'run' ? about : `${what} ${about}`.trim();
  return {
    verdict: 'fail',
    code: 'shape-broken',
    data: { reason, line: line === undefined ? '' : `${line}` },
  };
}

/** The contents that a key, Backspace or Delete would lead to from this state. */
function ahead(plan: CustomPlan, { characters }: CustomText, from: number, to: number): readonly string[] {
  const rest = characters.toSpliced(from, to - from);
  const keys = rest.length < plan.most ? alphabetOf(plan).map((c) => rest.toSpliced(from, 0, c)) : [];
  const gone =
    from < to
      ? [rest]
      : [from - 1, from].filter((at) => at in characters).map((at) => characters.toSpliced(at, 1));
  // Into an empty field, compare with the fixed text of a sample to recognise a pasted display.
  const sample = characters.length === 0 ? [sampleOf(plan)] : [];
  return [...sample, ...gone, ...keys].map((all) => all.join('')).filter((content) => content !== '');
}

/**
 * The kind `custom` with the function that runs its code.
 *
 * @example
 * const running = customFormatBy(runShape);
 */
export function customFormatBy(run: RunShape): Kind<CustomPlan, CustomText> {
  const layout = layoutBy(run);
  return {
    empty: () => empty,
    raw: (_, body) => body.content,
    value: (_, body) => body.value,
    hasRoom: ({ most }, { characters }) => characters.length < most,
    caretAtEnd: (_, body) => ({ body, caret: endOf(body) }),
    clampCaret: (_, body, offset) => Math.max(body.places[0] ?? endOf(body), Math.min(endOf(body), offset)),
    key(plan, body, start, end, character) {
      const at = countLeft(body, start);
      const selected = countLeft(body, end) - at;
      const left = selected && selected === body.characters.length ? empty : body;
      const typed = leadTyped(layout, plan, left, character);
      if (typed) return typed;
      const own = taken(plan.takes, character.normalize('NFC'));
      if (own === undefined)
        return passOver(cut(layout, plan, body, start, end), at, character) ?? 'not-accepted';
      if (body.characters.length - selected >= plan.most) return 'full';
      // The state without the selection is not laid out: only the result of the key is requested.
      const next = layout.lay(plan, body.characters.toSpliced(at, selected, own));
      return { body: next, caret: behind(next, at + 1) };
    },
    insert: (plan, body, start, end, text) => insert(layout, plan, body, start, end, text),
    parse: (plan, text) => rawIn(layout, plan, text) ?? insert(layout, plan, empty, 0, 0, text),
    erase(plan, body, start, end, extent) {
      const typed = end > 0 || extent === 'selection' ? withoutTyped(body) : undefined;
      if (typed) return typed;
      if (start < end || extent === 'selection') return cut(layout, plan, body, start, end);
      return without(layout, plan, body, reach(body, countLeft(body, start), extent), start);
    },
    validate,
    prefetch: (plan, body, start, end) => ({
      code: plan.code,
      contents: ahead(plan, body, countLeft(body, start), countLeft(body, end)),
    }),
    reduce(field, state, event) {
      const next = carryOut(field, state, event);
      // The result may have arrived: it is displayed from the next event on, also in states that are undone
      // and redone.
      return next.body.is === 'waiting' ? again(layout, field.plan, next) : next;
    },
    withFormat: customFormatBy,
  };
}

/**
 * Kind `custom`: formatted by the developer's own JavaScript. Where nothing runs the code, text is displayed
 * as typed.
 */
export const custom: Kind<CustomPlan, CustomText> = /*#__PURE__*/ customFormatBy(() => undefined);
