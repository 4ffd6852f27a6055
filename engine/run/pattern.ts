import { align } from './align.ts';
import { fit, type Reason } from './cells.ts';
import { eraseDense, insertDense } from './dense.ts';
import { cellBeside, cellsIn, erase, wordLeft } from './erase.ts';
import { graphemes, worthTelling } from './graphemes.ts';
import { type Edited, insertOne } from './insert.ts';
import type { Kind } from './kind.ts';
import { lay, type PatternBody, rawOf } from './layout.ts';
import type { PatternPlan } from './plan.ts';

const empties = new WeakMap<PatternPlan, PatternBody>();

function emptyOf(plan: PatternPlan): PatternBody {
  let body = empties.get(plan);
  if (!body) {
    body = lay(
      plan,
      plan.cells.map(() => ''),
      0,
    );
    empties.set(plan, body);
  }
  return body;
}

/** Several characters one after the other, keeping what is taken and telling what is not. */
function insertAll(
  plan: PatternPlan,
  start: Edited,
  text: string,
): Edited & { leftOut: string; rejected: Reason | null } {
  let { body, caret } = start;
  let leftOut = '';
  let refusal: Reason | null = null;
  let taken = false;
  for (const character of graphemes(text.normalize('NFC'))) {
    const edited = insertOne(plan, body, caret, character);
    if (typeof edited !== 'string') {
      taken ||= edited.body !== body || edited.caret !== caret;
      ({ body, caret } = edited);
    } else if (worthTelling.test(character)) {
      leftOut += character;
      refusal ??= edited;
    }
  }
  return { body, caret, leftOut, rejected: taken ? null : refusal };
}

/** A raw value of fixed positions: one character a cell, a space for a blank. */
function readPositions(plan: PatternPlan, raw: string): PatternBody | undefined {
  if (plan.positions !== 'fixed' || plan.raw !== 'content') return undefined;
  const characters = graphemes(raw);
  if (characters.length > plan.cells.length) return undefined;
  const cells = plan.cells.map(() => '');
  for (const [cell, character] of characters.entries()) {
    if (character === ' ') continue;
    const as = fit(plan, cells, cell, character);
    if (typeof as === 'string') return undefined;
    cells[cell] = as.as;
  }
  return lay(plan, cells, 0);
}

/** Fields defined by a pattern (`engine.md`, section 2). */
export const pattern: Kind<PatternPlan, PatternBody> = {
  empty: emptyOf,
  raw: rawOf,
  value: (plan, body) => (body.complete ? rawOf(plan, body) : null),
  hasRoom: (_, { last, content, cells }) =>
    content.length === last + 1 ? last + 1 < cells.length : cells.includes(''),

  key(plan, body, start, end, character) {
    if (start === end) {
      const plainly = insertDense(plan, body, start, character);
      if (plainly) return plainly;
    }
    const cleared = erase(plan, body, cellsIn(body, start, end), start);
    return insertOne(plan, cleared.body, cleared.caret, character.normalize('NFC'));
  },

  insert(plan, body, start, end, text) {
    const cleared = erase(plan, body, cellsIn(body, start, end), start);
    const typed = insertAll(plan, cleared, text);
    const same = typed.body.display === text;
    if (cleared.body.last >= 0 || (same && !typed.leftOut)) return typed;
    const aligned = align(plan, text) ?? align(plan, text.trim());
    return aligned ? { ...this.whole(plan, aligned), leftOut: '', rejected: null } : typed;
  },

  read(plan, text) {
    const positions = readPositions(plan, text);
    if (positions) return { ...this.whole(plan, positions), leftOut: '', rejected: null };
    const { body, caret } = this.whole(plan, emptyOf(plan));
    return this.insert(plan, body, caret, caret, text);
  },

  erase(plan, body, start, end, extent) {
    if (start < end) return erase(plan, body, cellsIn(body, start, end), start);
    if (extent === 'character-left' || extent === 'character-right') {
      const plainly = eraseDense(plan, body, start, extent === 'character-left' ? 'left' : 'right');
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

  whole(plan, body) {
    const { last, at, cells, display, passed } = body;
    if (last < 0) return { body, caret: at[0] ?? 0 };
    // The end of the content; with `ahead`, or a part closed by hand, where the next character would stand.
    const next = at[Math.max(passed, last + 1)];
    const end = at[last]! + cells[last]!.length;
    if (plan.positions === 'fixed') return { body, caret: end };
    if (next !== undefined && next > end) return { body, caret: next };
    return { body, caret: plan.literals === 'ahead' && last === cells.length - 1 ? display.length : end };
  },
};
