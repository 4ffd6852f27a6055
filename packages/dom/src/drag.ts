import { apply, type FieldEvent, type HydratedField, type TextState } from '@arbeit/engine/field';
import { type Bound, carryOut } from './bound.ts';
import type { Range } from './replaced.ts';

/** Number of characters of the content left of an offset. */
function contentLeft(field: HydratedField, body: TextState, offset: number): number {
  const { erase } = field.kind;
  return body.content.length - erase(field.plan, body, 0, offset, 'selection').body.content.length;
}

/**
 * A text dragged inside the field, as events: a move removes it where it was and inserts it where it was
 * dropped; a copy only inserts it. `at` is where it was dropped, for a move in the text without it. Offsets
 * are found again by the content to their left, because the field closes up in between.
 */
export function dropped(
  field: HydratedField,
  body: TextState,
  { text, start, end }: Range,
  { at, isMove }: Drop,
): readonly FieldEvent[] {
  const insert: FieldEvent = { type: 'insert', text: text.slice(start, end) };
  if (!isMove) return [{ type: 'select', start: at, end: at }, insert];
  const target = at <= start ? at : at + end - start;
  const taken = field.kind.erase(field.plan, body, start, end, 'selection');
  const gone =
    contentLeft(field, body, Math.min(target, end)) - contentLeft(field, body, Math.min(target, start));
  const left = contentLeft(field, body, target) - gone;
  let offset = 0;
  while (offset < taken.body.display.length && contentLeft(field, taken.body, offset) < left) offset++;
  return [
    { type: 'select', start, end },
    { type: 'cut' },
    { type: 'select', start: offset, end: offset },
    insert,
  ];
}

/** Where a text was dropped, and whether it was removed from its old place. */
interface Drop {
  readonly at: number;
  readonly isMove: boolean;
}

/** The one stretch whose removal from `text` leaves `rest`, if there is one. */
function gone(text: string, rest: string): readonly [from: number, to: number] | undefined {
  const length = text.length - rest.length;
  let from = 0;
  while (from < rest.length && text[from] === rest[from]) from++;
  for (let at = from; at >= 0 && length >= 0; at--)
    if (text.slice(0, at) + text.slice(at + length) === rest) return [at, at + length];
  return undefined;
}

/**
 * Where the browser put a text that was dragged inside its field, found from the resulting text: browsers
 * differ in the selection they leave and in the events they send, and WebKit may remove only a part of the
 * dragged text. If several places give the same text, the one at the selection is taken.
 */
export function dropIn(
  { text, start, end }: Range,
  now: string,
  selection: readonly [number | null, number | null],
): Drop | undefined {
  const own = text.slice(start, end);
  let found: Drop | undefined;
  for (let at = 0; at + own.length <= now.length; at++) {
    if (!now.startsWith(own, at)) continue;
    const taken = gone(text, now.slice(0, at) + now.slice(at + own.length));
    if (!taken) continue;
    const [from, to] = taken;
    const isMove = from < to;
    if (isMove && (from < start || to > end)) continue;
    // First the offset in the whole text, then that in the text without the dragged part.
    const place = at <= from ? at : at + to - from;
    const left = place <= start ? place : Math.max(start, place - (end - start));
    const drop: Drop = { at: isMove ? left : at, isMove };
    if (at === selection[0] || at + own.length === selection[1]) return drop;
    found ??= drop;
  }
  return found;
}

/**
 * Ends a drag inside the field. The browser moves the text itself, because the drop position refers to the
 * text it shows. A drop that the field refuses changes nothing.
 */
export function endMove(bound: Bound, inputType: string): void {
  const range = bound.dragged;
  if (inputType !== 'insertFromDrop' || !range) return;
  bound.dragged = null;
  const { input, store } = bound;
  const before = store.state();
  const drop = dropIn(range, input.value, [input.selectionStart, input.selectionEnd]);
  bound.shown = input.value;
  const events = drop ? dropped(store.field, before.body, range, drop) : [];
  let after = before;
  for (const event of events) after = apply(store.field, after, event);
  const isRefused = after.rejected !== null || after.leftOut !== '' || after.body === before.body;
  const stay: FieldEvent = { type: 'select', start: range.start, end: range.end };
  carryOut(bound, isRefused ? [stay] : events, { inputType });
}

/** Ends a drag out of the field: what is gone from the input is removed from the field. */
export function endDrag(bound: Bound): void {
  const range = bound.dragged;
  bound.dragged = null;
  if (!range || bound.input.value === range.text) return;
  bound.shown = bound.input.value;
  const { start, end } = range;
  carryOut(bound, [{ type: 'select', start, end }, { type: 'cut' }], { inputType: 'deleteByDrag' });
}
