import type { Kind } from '../../field/kind.ts';
import { reduceResting } from '../../field/resting.ts';
import type { EditResult, TextState } from '../../field/text-state.ts';
import { isIn, recase } from '../../values/characters.ts';
import { characterAt, graphemes } from '../../values/graphemes.ts';
import { boundaryNear, countOf } from '../../values/long-text.ts';

/** A text field, ready to run: one line or several. */
export interface TextPlan {
  readonly kind: 'text';
  /** Whether white space at both ends is removed on blur; raw never contains it. */
  readonly trim: boolean;
  /** Whether several spaces in a row become one, on blur and in raw. */
  readonly collapse: boolean;
  readonly case: 'as-typed' | 'upper' | 'lower';
  /** Visible lines; with more than one, line breaks (`\n`) are text. */
  readonly lines: number;
  /** Maximum length in characters (grapheme clusters), 0 for none. */
  readonly max: number;
  /** Whether it is concealed, with a control that reveals. */
  readonly conceal: boolean;
}

const empty: TextState = { content: '', display: '', complete: false };

const lay = (text: string): TextState => (text ? { content: text, display: text, complete: true } : empty);

/** The raw value of a text: in order, without what the plan drops. */
function tidy(plan: TextPlan, text: string): string {
  const several = plan.lines > 1 ? /[^\S\n]+/gu : /\s+/gu;
  // Nothing but white space is nothing, also where it is kept at the ends of a text.
  if (!/\S/u.test(text)) return '';
  const collapsed = plan.collapse ? text.replace(several, ' ') : text;
  // A mark on a space is removed with it: alone it would not be a character.
  return plan.trim ? collapsed.trim().replace(/^(?:[\p{M}\u200c\u200d]\s*)+/u, '') : collapsed;
}

/**
 * Line breaks as the field has them: spaces on one line, `\n` on several. Tabs become spaces; invisible
 * characters are dropped.
 */
const onLines = ({ lines }: TextPlan, text: string): string =>
  text
    .normalize('NFC')
    .replace(/\t/g, ' ')
    .replace(/\r\n|[\r\n\u2028\u2029]/g, lines > 1 ? '\n' : ' ');

/** White space as in ECMAScript, tested per UTF-16 unit: an expression each time costs ten times as much. */
const isBlank = (unit: number): boolean =>
  unit <= 32
    ? unit === 32 || (unit > 8 && unit < 14)
    : unit >= 0xa0 &&
      (unit === 0xa0 ||
        unit === 0x3000 ||
        unit === 0xfeff ||
        (unit < 0x3000 && unit > 0x167f && /\s/.test(String.fromCharCode(unit))));

/** Whether a text can contain a character: a joiner is part of the character before it, and nothing alone. */
function isSeen(character: string): boolean {
  const bare = character.replace(/\u200d+$/, '');
  return bare !== '' && isIn('any', bare);
}

/**
 * The text with a character that joins its last one, as an accent typed after its letter does, composed
 * (NFC) as in a paste; `undefined` if it does not join.
 */
function joined(before: string, character: string): string | undefined {
  if (before === '') return undefined;
  const at = boundaryNear(before, before.length - 1);
  const last = before.slice(at);
  const isOne = graphemes(last + character).length === graphemes(last).length;
  return isOne ? before.slice(0, at) + (last + character).normalize('NFC') : undefined;
}

function put(plan: TextPlan, body: TextState, start: number, end: number, text: string) {
  let before = body.content.slice(0, start);
  const after = body.content.slice(end);
  // Counted only if it may matter: no text has more characters than units.
  const isNear = plan.max > 0 && before.length + after.length + text.length > plan.max;
  const room = isNear ? plan.max - countOf(before + after) : Number.POSITIVE_INFINITY;
  let added = '';
  let leftOut = '';
  let count = 0;
  let unseen = false;
  let hasJoined = false;
  for (const character of graphemes(onLines(plan, text))) {
    const one = added === '' ? joined(before, character) : undefined;
    if (one !== undefined) {
      before = one;
      hasJoined = true;
      continue;
    }
    // A line break is not a symbol; on a single line it was replaced by a space before.
    if (character !== '\n' && !isSeen(character)) {
      unseen = true;
      continue;
    }
    if (count >= room) leftOut += /\s/u.test(character) ? '' : character;
    else {
      added += plan.case === 'as-typed' ? character : recase(character, plan.case);
      count++;
    }
  }
  const isChanged = added !== '' || hasJoined;
  const next = isChanged || start < end ? lay(before + added + after) : body;
  const refused = !isChanged && text !== '';
  return {
    body: next,
    caret: before.length + added.length,
    leftOut,
    rejected: !refused ? null : unseen && !leftOut ? ('not-accepted' as const) : ('full' as const),
  };
}

/** Reads a whole text without the spaces that the plan removes. */
const whole = (plan: TextPlan, text: string) => put(plan, empty, 0, 0, tidy(plan, onLines(plan, text)));

function insert(plan: TextPlan, body: TextState, start: number, end: number, text: string) {
  const inserted = put(plan, body, start, end, text);
  const isAlone = start <= 0 && end >= body.display.length;
  // Spaces that will be trimmed must not use up the maximum length.
  return inserted.leftOut && isAlone ? whole(plan, text) : inserted;
}

function without(body: TextState, from: number, to: number, caret: number): EditResult {
  if (from >= to) return { body, caret };
  return { body: lay(body.content.slice(0, from) + body.content.slice(to)), caret: from };
}

export const text: Kind<TextPlan, TextState> = {
  adornments: () => ['counter'],
  // A character may have several units. A text without a maximum may have any length.
  extraLength: ({ max }) => (max ? 32 * max : Number.POSITIVE_INFINITY),
  empty: () => empty,
  raw: (plan, body) => tidy(plan, body.content),
  value: (plan, body) => tidy(plan, body.content) || null,
  hasRoom: (plan, { content }) => !plan.max || content.length < plan.max || countOf(content) < plan.max,
  key(plan, body, start, end, character) {
    const { rejected, ...edited } = put(plan, body, start, end, character);
    return rejected ?? edited;
  },
  insert,
  readText: (plan, given) => insert(plan, empty, 0, 0, given),
  // A value set by a program is trimmed immediately, because nobody is typing.
  parse: whole,
  erase(_, body, start, end, extent) {
    if (start < end) return without(body, start, end, start);
    const { content } = body;
    switch (extent) {
      case 'character-left':
        return without(body, start > 0 ? boundaryNear(content, start - 1) : 0, start, start);
      case 'character-right':
        return without(body, start, start + characterAt(content, start).length, start);
      case 'word-left': {
        let from = start;
        while (from > 0 && isBlank(content.charCodeAt(from - 1))) from--;
        while (from > 0 && !isBlank(content.charCodeAt(from - 1))) from--;
        return without(body, from, start, start);
      }
      case 'selection':
        return { body, caret: start };
    }
  },
  caretAtEnd: (_, body) => ({ body, caret: body.display.length }),
  boundaryAt: boundaryNear,
  reduce: reduceResting,
  normalizeOnBlur(plan, body) {
    const tidied = tidy(plan, body.content);
    return tidied === body.content ? body : lay(tidied);
  },
  facts: (plan, body): Record<string, string> => {
    const count = countOf(body.content);
    return plan.max ? { length: `${count}`, left: `${plan.max - count}` } : { length: `${count}` };
  },
};
