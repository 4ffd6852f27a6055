import type { Kind } from '../../field/kind.ts';
import type { Extent, InsertResult, Reason } from '../../field/text-state.ts';
import type { Finding } from '../../rules/finding.ts';
import { graphemes, worthTelling } from '../../values/graphemes.ts';
import { taken } from '../editing/takes.ts';
import type { Edited, PatternBody } from './body.ts';
import { cellsFor, notStanding, planOf } from './content.ts';
import { contentEnd, indexIn, lay, rawOf, written } from './layout.ts';
import type { PatternPlan } from './plan.ts';

/**
 * Several patterns in one field (`docs/contract/patterns.md`): the content is laid out by the first that
 * accepts it as a beginning, so the text changes shape as it grows. Each edit is made by the pattern in use,
 * and what it leads to is laid out anew.
 */
type Single = Kind<PatternPlan, PatternBody>;

/** Characters of a paste that are looked at after nothing more can be accepted. */
const mostSpare = 500;

const marked = (body: PatternBody, which: number): PatternBody =>
  (body.which ?? 0) === which
    ? body
    : {
        // Written out, because a dense text state computes its members.
        content: body.content,
        display: body.display,
        complete: body.complete,
        cells: body.cells,
        at: body.at,
        last: body.last,
        passed: body.passed,
        owed: body.owed,
        which,
      };

/** A content that no pattern accepts, as it is. `owed`: letters that completing a word brought just now. */
function bare(content: string, owed = ''): PatternBody {
  const cells = graphemes(content);
  const at: number[] = [];
  let offset = 0;
  for (const character of cells) {
    at.push(offset);
    offset += character.length;
  }
  const last = cells.length - 1;
  return {
    content,
    display: content,
    complete: false,
    cells,
    at,
    last,
    passed: undefined,
    owed,
    which: -1,
  };
}

/**
 * The text state of a content, by the first pattern that accepts it. `present` is kept if it is that already:
 * it may have fixed text that was typed, or a part that was ended early. Letters that completing a word
 * brought stay known.
 */
function laidOut(plan: PatternPlan, content: string, present?: PatternBody): PatternBody {
  for (const [which, own] of plan.alternatives!.entries()) {
    const cells = cellsFor(own, content);
    // The pattern must accept the content exactly, without folding or changing case.
    if (!cells || cells.join('') !== content) continue;
    if (present && (present.which ?? 0) === which) return present;
    return marked(lay(own, cells, undefined, present?.owed), which);
  }
  return bare(content, present?.owed);
}

/** How many characters of the content are left of an offset. */
function countLeft({ cells, at }: PatternBody, caret: number): number {
  let count = 0;
  for (const [i, character] of cells.entries()) if (character && at[i]! < caret) count++;
  return count;
}

/** The offsets between which the caret is after `count` characters of the content. */
function around({ cells, at, display }: PatternBody, count: number): readonly [low: number, high: number] {
  const filled = [...cells.keys()].filter((i) => cells[i]);
  const before = filled[count - 1];
  const after = filled[count];
  return [
    before === undefined ? 0 : at[before]! + cells[before]!.length,
    after === undefined ? display.length : at[after]!,
  ];
}

/** What an edit of the pattern in use led to, laid out anew. `isTyped`: the caret is behind a character. */
function settled(single: Single, plan: PatternPlan, { body, caret }: Edited, isTyped: boolean): Edited {
  const laid = laidOut(plan, body.content, body);
  if (laid === body) return { body, caret };
  const count = countLeft(body, caret);
  const own = planOf(plan, laid);
  const isLast = count === laid.content.length || count > laid.last;
  if (isTyped && own && isLast) return { body: laid, caret: single.caretAtEnd(own, laid).caret };
  const [low, high] = around(laid, count);
  return { body: laid, caret: isTyped ? low : Math.max(low, Math.min(caret, high)) };
}

/** The state without the selection, still laid out by the same pattern. */
function cut(single: Single, plan: PatternPlan, body: PatternBody, start: number, end: number): Edited {
  if (start === end) return { body, caret: start };
  const own = planOf(plan, body);
  if (!own) return eraseBare(body, start, end, 'selection');
  const erased = single.erase(own, body, start, end, 'selection');
  return { body: marked(erased.body, body.which ?? 0), caret: erased.caret };
}

/** The content with a character after its first `count` ones, in the first pattern that accepts it. */
function entered(
  single: Single,
  plan: PatternPlan,
  body: PatternBody,
  count: number,
  character: string,
): Edited | undefined {
  const all = body.cells.filter(Boolean);
  const [before, after] = [all.slice(0, count).join(''), all.slice(count).join('')];
  for (const [which, own] of plan.alternatives!.entries()) {
    if (after === '') {
      const cells = cellsFor(own, before);
      const laid = cells && lay(own, cells, undefined);
      if (!laid) continue;
      // Typed by the pattern itself, which may complete a word.
      const { caret } = single.caretAtEnd(own, laid);
      const typed = single.key(own, laid, caret, caret, character);
      if (typeof typed === 'string' || typed.body.content === laid.content) continue;
      return settled(single, plan, { body: marked(typed.body, which), caret: typed.caret }, true);
    }
    const cells = cellsFor(own, before + character + after);
    if (!cells) continue;
    const laid = marked(lay(own, cells, undefined), which);
    return { body: laid, caret: around(laid, count + 1)[0] };
  }
  return undefined;
}

/**
 * A letter that completing a word brought already, typed all the same into a content that no pattern accepts.
 */
function owedBy({ body, caret }: Edited, character: string): Edited | undefined {
  const [next] = graphemes(body.owed);
  if (next?.toLowerCase() !== character.toLowerCase()) return undefined;
  // Elsewhere it would be a letter of its own.
  if (!body.display.slice(0, caret).endsWith(body.owed)) return undefined;
  return { body: bare(body.content, body.owed.slice(next.length)), caret };
}

function key(
  single: Single,
  plan: PatternPlan,
  body: PatternBody,
  start: number,
  end: number,
  character: string,
): Edited | Reason {
  const cleared = cut(single, plan, body, start, end);
  const { caret } = cleared;
  const which = cleared.body.which ?? 0;
  const own = planOf(plan, cleared.body);
  const typed = own
    ? single.key(own, cleared.body, caret, caret, character)
    : (owedBy(cleared, character) ?? 'not-accepted');
  const isTyped = typeof typed !== 'string';
  const isContent = isTyped && typed.body.content !== cleared.body.content;
  const isOwn = isTyped && (isContent || cleared.body.owed !== '' || !worthTelling.test(character));
  if (!isOwn) {
    const other = entered(
      single,
      plan,
      cleared.body,
      countLeft(cleared.body, caret),
      character.normalize('NFC'),
    );
    // A letter or digit of the fixed text is content where only another pattern goes on with it.
    if (other && !(isTyped && (other.body.which ?? 0) === which)) return other;
  }
  if (isTyped)
    return settled(single, plan, { body: marked(typed.body, which), caret: typed.caret }, isContent);
  return typed === 'full' && hasRoom(single, plan, cleared.body) ? 'not-accepted' : typed;
}

/** Whether some pattern accepts the content and more. */
function hasRoom(single: Single, plan: PatternPlan, body: PatternBody): boolean {
  const own = planOf(plan, body);
  if (!own || single.hasRoom(own, body)) return true;
  return plan.alternatives!.some((other) => cellsFor(other, body.content)?.at(-1) === '');
}

/** Whether a cell or the fixed text of some pattern has the character. */
const knows = ({ alternatives }: PatternPlan, character: string): boolean =>
  alternatives!.some(
    ({ parts, before }) =>
      parts.some((part) => taken(part, character) !== undefined) ||
      before.some((fixed) => indexIn(written(fixed), character) >= 0),
  );

/** The characters of a text as keys, one by one. */
function byKeys(single: Single, plan: PatternPlan, from: Edited, text: string): InsertResult<PatternBody> {
  let { body, caret } = from;
  let [leftOut, met, isTaken, spare] = ['', '', false, mostSpare];
  let refusal: Reason | null = null;
  const known = new Map<string, boolean>();
  for (const character of graphemes(text.normalize('NFC'))) {
    if (!known.has(character)) known.set(character, knows(plan, character));
    if (spare > 0 && !hasRoom(single, plan, body)) spare--;
    const edited =
      known.get(character) && spare > 0 ? key(single, plan, body, caret, caret, character) : 'not-accepted';
    if (typeof edited !== 'string') {
      isTaken ||= edited.body !== body || edited.caret !== caret;
      if (edited.body.content === body.content && worthTelling.test(character)) met += character;
      ({ body, caret } = edited);
    } else if (worthTelling.test(character)) {
      leftOut += character;
      refusal = edited;
    }
  }
  return { body, caret, leftOut: leftOut + notStanding(body, met), rejected: isTaken ? null : refusal };
}

function insert(
  single: Single,
  plan: PatternPlan,
  body: PatternBody,
  start: number,
  end: number,
  text: string,
): InsertResult<PatternBody> {
  const cleared = cut(single, plan, body, start, end);
  const from = settled(single, plan, cleared, false);
  const typed = byKeys(single, plan, from, text);
  const isIt = ({ display }: PatternBody): boolean => display === text || display === text.trim();
  const isOwn = typed.leftOut === '' && isIt(typed.body);
  if (from.body.content !== '' || isOwn) return typed;
  // What keys would not lead to may be the display of one of the patterns.
  for (const [which, own] of plan.alternatives!.entries()) {
    const read = single.insert(own, single.empty(own), 0, 0, text);
    if (read.leftOut !== '' || read.rejected || !isIt(read.body)) continue;
    const laid = laidOut(plan, read.body.content, marked(read.body, which));
    if ((laid.which ?? 0) === which) return { ...read, body: laid };
  }
  return typed;
}

/** The state whose raw value is `raw`; `undefined` if there is none. */
function readRaw(single: Single, plan: PatternPlan, raw: string): PatternBody | undefined {
  for (const [which, own] of plan.alternatives!.entries()) {
    const { body, leftOut, rejected } = single.parse(own, raw);
    if (leftOut !== '' || rejected || rawOf(own, body) !== raw) continue;
    const laid = laidOut(plan, body.content, marked(body, which));
    if ((laid.which ?? 0) === which) return laid;
  }
  // What a deletion left: no pattern accepts it, and each of its characters is one of some pattern.
  const characters = graphemes(raw);
  const most = Math.max(...plan.alternatives!.map(({ cells }) => cells.length));
  const isOurs = (character: string): boolean =>
    plan.alternatives!.some(({ parts }) => parts.some((part) => taken(part, character) === character));
  if (characters.length === 0 || characters.length > most || !characters.every(isOurs)) return undefined;
  const laid = laidOut(plan, raw);
  return laid.which === -1 ? laid : undefined;
}

const atEnd = (single: Single, plan: PatternPlan, body: PatternBody): Edited => {
  const own = planOf(plan, body);
  return own ? { body, caret: single.caretAtEnd(own, body).caret } : { body, caret: body.display.length };
};

/** The functions of the kind for lists of patterns, made of those for one. */
export function withAlternatives(single: Single): Single {
  const { rawAs, guideText } = single;
  // Without a list every member does what it does for one pattern, at the same cost.
  return {
    ...single,
    raw(plan, body) {
      if (!plan.alternatives) return single.raw(plan, body);
      const own = planOf(plan, body);
      return own ? rawOf(own, body) : body.content;
    },
    ...(rawAs && {
      rawAs(plan, body, raw) {
        const own = planOf(plan, body);
        return own ? rawAs(own, body, raw) : body.content;
      },
    }),
    value(plan, body) {
      if (!plan.alternatives) return single.value(plan, body);
      const own = planOf(plan, body);
      return own ? single.value(own, body) : null;
    },
    hasRoom: (plan, body) => (plan.alternatives ? hasRoom(single, plan, body) : single.hasRoom(plan, body)),
    key: (plan, body, start, end, character) =>
      plan.alternatives
        ? key(single, plan, body, start, end, character)
        : single.key(plan, body, start, end, character),
    insert: (plan, body, start, end, text) =>
      plan.alternatives
        ? insert(single, plan, body, start, end, text)
        : single.insert(plan, body, start, end, text),
    parse(plan, text) {
      if (!plan.alternatives) return single.parse(plan, text);
      const raw = readRaw(single, plan, text);
      if (raw) return { ...atEnd(single, plan, raw), leftOut: '', rejected: null };
      const { body, caret } = atEnd(single, plan, single.empty(plan));
      return insert(single, plan, body, caret, caret, text);
    },
    erase(plan, body, start, end, extent) {
      if (!plan.alternatives) return single.erase(plan, body, start, end, extent);
      const own = planOf(plan, body);
      const erased = own ? single.erase(own, body, start, end, extent) : eraseBare(body, start, end, extent);
      const left = marked(erased.body, body.which ?? 0);
      const laid = laidOut(plan, left.content, left);
      if (laid === left) return { body: left, caret: erased.caret };
      // The caret does not move past fixed text that the new pattern shows here.
      const count = countLeft(left, erased.caret);
      const [low, high] = around(laid, count);
      const gone = around(body, count)[1];
      return { body: laid, caret: Math.max(low, Math.min(start, gone, high)) };
    },
    caretAtEnd: (plan, body) =>
      plan.alternatives ? atEnd(single, plan, body) : single.caretAtEnd(plan, body),
    guideText(plan, body) {
      const own = planOf(plan, body);
      return own && guideText ? guideText(own, body) : '';
    },
    validate: (_, body, check) => (check.type === 'complete' && body.which === -1 ? noMatch : undefined),
  };
}

const noMatch: Finding = { verdict: 'fail', code: 'no-match', data: {} };

/** A deletion in a content that no pattern accepts. */
function eraseBare(body: PatternBody, start: number, end: number, extent: Extent): Edited {
  const { cells, at } = body;
  const caret = Math.min(start, contentEnd(body));
  let [from, to] = [countLeft(body, start), countLeft(body, end)];
  if (start === end) {
    if (extent === 'character-left') from = Math.max(0, from - 1);
    else if (extent === 'character-right') to = Math.min(cells.length, to + 1);
    else if (extent === 'word-left') from = 0;
  }
  if (from === to) return { body, caret };
  return { body: bare([...cells.slice(0, from), ...cells.slice(to)].join('')), caret: at[from]! };
}
