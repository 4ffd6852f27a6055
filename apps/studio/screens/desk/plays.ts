import type { FieldEvent, HydratedField } from '@arbeit/engine/field';
import { keysOf } from '@arbeit/engine/field';
import { graphemes } from '@arbeit/engine/values';
import * as words from '../../words/desk/plays.ts';

/** Something to play on a field that nobody has typed into yet. */
export interface Play {
  readonly label: string;
  readonly events: readonly FieldEvent[];
}

/**
 * Three demonstrations with a finished text of the field: typing, a correction in the middle, a paste. For a
 * field with options: the first, the last, and clearing.
 */
export function playsFor(field: HydratedField, finished: string, isPicked: boolean): readonly Play[] {
  const { kind, plan } = field;
  const { body } = kind.parse(plan, finished);
  const set = (text: string): FieldEvent => ({ type: 'set', text });
  if (isPicked)
    return [
      { label: words.pick(finished), events: [set(finished)] },
      { label: words.selectAndClear, events: [set(finished), { type: 'backspace' }] },
      { label: words.pickItAndUndo, events: [set(finished), { type: 'undo' }] },
    ];
  const typed = keysOf(body.content);
  const at = middleOf(body.display);
  const mended: readonly FieldEvent[] = [
    ...typed,
    { type: 'select', start: at, end: at },
    { type: 'backspace' },
    ...typed.slice(-1),
  ];
  return [
    { label: words.typeASample, events: typed },
    { label: words.editInTheMiddle, events: mended },
    { label: words.pasteASample, events: [{ type: 'paste', text: finished }] },
  ];
}

/** The offset after the middle character of a text. */
function middleOf(text: string): number {
  const characters = graphemes(text);
  return characters.slice(0, Math.ceil(characters.length / 2)).join('').length;
}
