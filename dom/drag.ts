import type { Body, FieldEvent, OpenField } from '@arbeit/engine/field';
import { type Bound, carryOut } from './bound.ts';
import type { Range } from './replaced.ts';

/** How many characters of the content a selection from the beginning up to an offset would take with it. */
function contentLeft(field: OpenField, body: Body, offset: number): number {
  const { erase } = field.kind;
  return body.content.length - erase(field.plan, body, 0, offset, 'selection').body.content.length;
}

/**
 * Text moved inside the field, as events: taken out where it was, put in where it was dropped. `at` is where it was dropped
 * in the text without it. Offsets are found again by the content left of them, since the field closes up in between.
 */
export function moved(field: OpenField, body: Body, { text, start, end }: Range, at: number): FieldEvent[] {
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
    { type: 'insert', text: text.slice(start, end) },
  ];
}

/**
 * Text dragged inside the field: the browser takes it out and puts it in itself, since its place to drop is one in the
 * text it sees. Where it was dropped the browser has it selected.
 */
export function endMove(bound: Bound, inputType: string): void {
  const range = bound.dragged;
  if (inputType !== 'insertFromDrop' || !range) return;
  bound.dragged = null;
  const { input, store } = bound;
  const at = input.selectionStart ?? 0;
  bound.shown = input.value;
  carryOut(bound, moved(store.field, store.state().body, range, at), { inputType });
}

/** Dragged out of the field: what is gone from the input goes from the field. */
export function endDrag(bound: Bound): void {
  const range = bound.dragged;
  bound.dragged = null;
  if (!range || bound.input.value === range.text) return;
  bound.shown = bound.input.value;
  const { start, end } = range;
  carryOut(bound, [{ type: 'select', start, end }, { type: 'cut' }], { inputType: 'deleteByDrag' });
}
