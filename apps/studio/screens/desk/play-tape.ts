import type { FieldStore } from '@arbeit/dom';
import type { FieldEvent } from '@arbeit/engine/field';
import { fieldEvents, type Hand, hands, parseTape, byHand as playedBy, type Tape } from '@arbeit/engine/tape';
import * as words from '../../words/desk/play-tape.ts';
import { byHand } from './use-bench.ts';

/**
 * Plays a tape on the desk with one kind of input. Returns the row at a line, as the desk records it: an
 * event that changes nothing has no row unless it is a key, and consecutive caret moves are one.
 */
function playOn(
  store: FieldStore,
  tape: Tape,
  hand: Hand,
  line = Number.POSITIVE_INFINITY,
): number | undefined {
  const { steps } = playedBy({ fields: [store.field], forms: [] }, tape, hand, tape.today);
  let count = 0;
  let here: number | undefined;
  let last = '';
  const dispatch = (event: FieldEvent): void => {
    const before = store.state();
    if (store.dispatch(event) === before && !byHand.test(event.type)) return;
    if (event.type !== 'select' || last !== 'select') count++;
    last = event.type;
  };
  for (const step of steps) {
    if (step.do === 'expect' || step.do === 'wait' || step.do === 'answer' || step.do === 'sent') continue;
    const isWhole = step.do === 'focus' || step.do === 'leave' || step.do === 'submit' || step.do === 'reset';
    if (!store.state().focused && !isWhole && step.do !== 'set' && step.do !== 'autofill')
      dispatch({ type: 'focus' });
    const events = isWhole ? [{ type: step.do } as const] : fieldEvents(step, store.state(), store.field);
    for (const event of events) dispatch(event);
    if (step.line <= line) here = count - 1;
  }
  return here;
}

/**
 * Plays a tape on the desk up to `line`, with the input that `hand` names. Returns the row at that line;
 * `undefined` if the text is not a tape.
 */
export function playNamed(
  store: FieldStore,
  text: string,
  hand: string | null,
  line: string | null,
): { readonly row: number | undefined } | undefined {
  const read = parseTape(text);
  if (!read.ok) return undefined;
  const known = hands.find((one) => one === hand) ?? 'keys';
  return { row: playOn(store, read.tape, known, line === null ? undefined : Number(line)) };
}

/**
 * Plays the text of a tape, for example one recorded in a page, after `begin` has replaced the present one.
 * If it cannot be played, returns why, in a sentence.
 */
export function playText(store: FieldStore, text: string, begin: () => void): string {
  const read = parseTape(text);
  if (!read.ok) {
    const [first] = read.faults;
    return first ? words.lineColumn(first.line, first.column, first.message) : words.itCannotBeRead;
  }
  const { target } = read.tape;
  if (target.type !== 'field' || target.id !== store.field.id)
    return words.thisTape(target.type, target.id, store.field.id);
  store.dispatch({ type: 'reset' });
  begin();
  playOn(store, read.tape, 'keys');
  return '';
}
