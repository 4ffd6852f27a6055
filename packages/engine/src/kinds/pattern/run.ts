import type { HydratedField, Kind } from '../../field/kind.ts';
import type { InsertResult, Reason } from '../../field/text-state.ts';
import { boundaryAt, graphemes, worthTelling } from '../../values/graphemes.ts';
import { boundaryNear } from '../../values/long-text.ts';
import { align } from './align.ts';
import { withAlternatives } from './alternatives.ts';
import { type Bulk, bulk } from './append.ts';
import type { Edited, PatternBody } from './body.ts';
import { cellsFor, notStanding } from './content.ts';
import { eraseDense, insertDense } from './dense.ts';
import { cellBeside, clear, erase, withoutPassed, wordLeft } from './erase.ts';
import { hasAhead, hasAlternatives, hasDoubt, hasFixed, hasMany, hasText } from './features.ts';
import { insertOne } from './insert.ts';
import { contentEnd, ghostOf, lay, rawOf, written } from './layout.ts';
import type { PatternPlan } from './plan.ts';

const empties = new WeakMap<PatternPlan, PatternBody>();

function emptyOf(plan: PatternPlan): PatternBody {
  let body = empties.get(plan);
  if (!body) {
    body = lay(
      plan,
      plan.cells.map(() => ''),
      undefined,
    );
    empties.set(plan, body);
  }
  return body;
}

/** Below this many characters a paste is inserted one by one: nothing would be gained. */
const enough = 64;

/**
 * Inserts several characters one by one, and reports those that are rejected. More than `enough` are first
 * given to the bulk handlers.
 */
export function insertAll(
  plan: PatternPlan,
  start: Edited,
  text: string,
  many: readonly Bulk[] = [],
  few = enough,
): InsertResult<PatternBody> {
  let { body, caret } = start;
  let leftOut = '';
  let met = '';
  let refusal: Reason | null = null;
  let taken = false;
  const characters = graphemes(text.normalize('NFC'));
  for (let i = 0; i < characters.length; i++) {
    for (const one of many) {
      const done = characters.length - i > few && one(plan, { body, caret }, characters, i);
      if (!done) continue;
      taken ||= done.taken;
      leftOut += done.leftOut;
      met += done.met ?? '';
      refusal = done.refusal ?? refusal;
      i += done.count;
      ({ body, caret } = done);
    }
    if (i >= characters.length) break;
    const character = characters[i]!;
    const edited =
      (hasMany && insertDense(body, caret, character)) || insertOne(plan, body, caret, character);
    if (typeof edited !== 'string') {
      taken ||= edited.body !== body || edited.caret !== caret;
      if (edited.body.content === body.content && worthTelling.test(character)) met += character;
      ({ body, caret } = edited);
    } else if (worthTelling.test(character)) {
      leftOut += character;
      refusal = edited;
    }
  }
  return { body, caret, leftOut: leftOut + notStanding(body, met), rejected: taken ? null : refusal };
}

/**
 * The text state whose raw value is `raw`; `undefined` if there is none. Each character must be accepted by a
 * cell; fixed text is not passed.
 */
function readRaw(plan: PatternPlan, raw: string): PatternBody | undefined {
  if ((hasText || hasFixed) && (plan.raw !== 'content' || plan.positions === 'fixed'))
    return align(plan, raw, 'raw');
  const cells = cellsFor(plan, raw);
  if (!cells) return undefined;
  const body = lay(plan, cells, undefined);
  return rawOf(plan, body) === raw ? body : hasDoubt ? align(plan, raw, 'raw') : undefined;
}

/** Whether a text contains any of the fixed text. Without it, the text is not a display and is typed. */
const hasSome = (plan: PatternPlan, text: string): boolean =>
  plan.before.some((fixed) => [...written(fixed)].some((c) => text.includes(c))) ||
  (hasFixed && plan.positions === 'fixed' && text.includes(plan.filler));

/** A field whose kind is known to be `pattern`. */
export type PatternField = HydratedField<PatternPlan, PatternBody>;

/** Inserts a text over the selection. Into an empty field, a whole display is read as one. */
function insert(
  plan: PatternPlan,
  body: PatternBody,
  start: number,
  end: number,
  text: string,
): InsertResult<PatternBody> {
  const cleared = clear(plan, body, start, end);
  const typed = insertAll(plan, cleared, text, hasMany ? bulk : undefined);
  const same = typed.body.display === text;
  if (cleared.body.display !== emptyOf(plan).display || (same && !typed.leftOut)) return typed;
  const aligned =
    hasDoubt && hasSome(plan, text) ? (align(plan, text) ?? align(plan, text.trim())) : undefined;
  return aligned ? { ...caretAtEnd(plan, aligned), leftOut: '', rejected: null } : typed;
}

function caretAtEnd(plan: PatternPlan, body: PatternBody): Edited {
  const { last, at, cells, display, passed } = body;
  if (passed) return { body, caret: display.length };
  if (last < 0) return { body, caret: at[0] ?? 0 };
  // The end of the content; with `ahead`, where the next character would be.
  const next = at[last + 1];
  const end = contentEnd(body);
  if (hasFixed && plan.positions === 'fixed') return { body, caret: end };
  if (next !== undefined && next > end) return { body, caret: next };
  return hasAhead && plan.literals === 'ahead' && last === cells.length - 1
    ? { body, caret: display.length }
    : { body, caret: end };
}

/** Fields defined by one pattern. */
const single: Kind<PatternPlan, PatternBody> = {
  empty: emptyOf,
  raw: rawOf,
  ...(hasText ? { rawAs: (plan, body, raw) => rawOf({ ...plan, raw }, body) } : {}),
  value: (plan, body) => (body.complete ? rawOf(plan, body) : null),
  hasRoom: (_, { last, content, cells }) =>
    content.length === last + 1 ? last + 1 < cells.length : cells.includes(''),

  key(plan, body, start, end, character) {
    if (start === end) {
      const plainly = hasMany && insertDense(body, start, character);
      if (plainly) return plainly;
    }
    const cleared = clear(plan, body, start, end);
    return insertOne(plan, cleared.body, cleared.caret, character.normalize('NFC'));
  },

  insert,

  parse(plan, text) {
    const raw = readRaw(plan, text);
    if (raw) return { ...caretAtEnd(plan, raw), leftOut: '', rejected: null };
    const { body, caret } = caretAtEnd(plan, emptyOf(plan));
    return this.insert(plan, body, caret, caret, text);
  },

  erase(plan, body, start, end, extent) {
    if (start < end) return clear(plan, body, start, end);
    if ((extent === 'character-left' || extent === 'word-left') && start > contentEnd(body)) {
      const taken = withoutPassed(plan, body, start);
      if (taken) return taken;
    }
    if (extent === 'character-left' || extent === 'character-right') {
      const plainly = hasMany && eraseDense(body, start, extent === 'character-left' ? 'left' : 'right');
      if (plainly) return plainly;
    }
    switch (extent) {
      case 'character-left':
        return erase(plan, body, cellBeside(body, start, 'left'), start);
      case 'character-right':
        return erase(plan, body, cellBeside(body, start, 'right'), start);
      case 'word-left':
        return erase(plan, body, wordLeft(plan, body, start), start);
      case 'selection':
        return { body, caret: start };
    }
  },

  caretAtEnd,
  guideText: ghostOf,
  boundaryAt: hasMany ? boundaryNear : boundaryAt,
};

/** Fields defined by a pattern, or by several (`docs/contract/patterns.md`). */
export const pattern: Kind<PatternPlan, PatternBody> = hasAlternatives ? withAlternatives(single) : single;
