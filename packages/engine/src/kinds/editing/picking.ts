import type { Plan } from '../../field/compiled.ts';
import type { Kind } from '../../field/kind.ts';
import type { EditResult, InsertResult, Reason, TextState } from '../../field/text-state.ts';
import type { Offer } from '../../options/option.ts';

/**
 * What all kinds share whose value is picked from a list rather than typed: a key is refused, a whole text is
 * searched for the options it names by value or by label, and a deletion removes everything. The display is
 * the labels; the caret is after them.
 */
export interface PickingParts<P extends Plan, B extends TextState> {
  empty(plan: P): B;
  raw(plan: P, body: B): string;
  value(plan: P, body: B): string | null;
  /** What a text names, together with what is picked; `null` if it names nothing. */
  named(plan: P, text: string, beside: B | null): { readonly body: B; readonly leftOut: string } | null;
  /** What remains after deleting the display from `start` to `end`. */
  without(plan: P, body: B, start: number, end: number): B;
  /** Whether something more can be picked. */
  hasRoom(plan: P, body: B): boolean;
}

/** A kind made of these functions. */
export function picking<P extends Plan, B extends TextState>(parts: PickingParts<P, B>): Kind<P, B> {
  const { empty, raw, value, named, without, hasRoom } = parts;
  const edited = (body: B): EditResult<B> => ({ body, caret: body.display.length });
  const take = (plan: P, text: string, body: B, beside: B | null, reason: Reason): InsertResult<B> => {
    const found = named(plan, text, beside);
    if (found && found.body.content !== body.content)
      return { ...edited(found.body), leftOut: found.leftOut, rejected: null };
    const leftOut = found ? found.leftOut : lettersOf(text);
    return { ...edited(body), leftOut, rejected: leftOut ? reason : null };
  };
  return {
    empty,
    raw,
    value,
    hasRoom,
    key: () => 'not-accepted',
    insert(plan, body, start, end, text) {
      if (!text)
        return {
          ...edited(start < end ? without(plan, body, start, end) : body),
          leftOut: '',
          rejected: null,
        };
      const kept = start < end ? without(plan, body, start, end) : body;
      return take(plan, text, body, kept, hasRoom(plan, kept) ? 'not-accepted' : 'full');
    },
    parse(plan, text) {
      const none = empty(plan);
      return text.trim() === ''
        ? { ...edited(none), leftOut: '', rejected: null }
        : take(plan, text, none, null, 'not-accepted');
    },
    erase(plan, body, start, end, extent) {
      if (start < end) return edited(without(plan, body, start, end));
      const isLeft = extent === 'character-left' || extent === 'word-left';
      // The caret is after the last option: Backspace removes it, and Delete has nothing to its right.
      return isLeft && body.display ? edited(without(plan, body, start - 1, start)) : { body, caret: start };
    },
    caretAtEnd: (_, body) => edited(body),
    clampCaret: (_, body) => body.display.length,
  };
}

const lettersOf = (text: string): string => [...text].filter((c) => /[\p{L}\p{N}]/u.test(c)).join('');

/** The option a text names: its value or label, in any case. */
export function pickNamed<T extends Offer>(offered: readonly T[], text: string): T | undefined {
  const said = text.trim();
  const small = said.toLowerCase();
  return (
    offered.find(({ value }) => value === said) ??
    offered.find(({ label }) => label === said) ??
    offered.find(({ value, label }) => value.toLowerCase() === small || label.trim().toLowerCase() === small)
  );
}

/** The text state of one picked option: the content is its value, the display its label. */
const picked = ({ value, label }: Offer): TextState => ({ content: value, display: label, complete: true });
export const nonePicked: TextState = { content: '', display: '', complete: false };

/** The functions of a kind with one picked option. */
export const one: PickingParts<Plan & { readonly options: readonly Offer[] }, TextState> = {
  empty: () => nonePicked,
  raw: (_, { content }) => content,
  value: (_, { content }) => content || null,
  named({ options }, text) {
    const found = pickNamed(options, text);
    return found ? { body: picked(found), leftOut: '' } : null;
  },
  without: () => nonePicked,
  hasRoom: (_, { content }) => !content,
};

/**
 * The option an arrow key moves to; `by` is 1 for up and -1 for down. Radio buttons form a ring: down from
 * the last leads to the first (WAI-ARIA, radio group). A list starts with nothing picked and stops at its
 * ends, as in browsers. `undefined` if nothing changes.
 */
export function stepAmong(
  options: readonly Offer[],
  content: string,
  by: 1 | -1,
  stand: 'ring' | 'list',
): EditResult | undefined {
  const at = options.findIndex(({ value }) => value === content);
  if (stand === 'list') {
    const to = Math.max(-1, Math.min(options.length - 1, at - by));
    return to === at ? undefined : edited(options[to]);
  }
  const first = by < 0 ? 0 : options.length - 1;
  return edited(options[at < 0 ? first : (at - by + options.length) % options.length]);
}

const edited = (found: Offer | undefined): EditResult =>
  found ? { body: picked(found), caret: found.label.length } : { body: nonePicked, caret: 0 };
