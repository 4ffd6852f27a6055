import type { Body } from '../field/body.ts';
import type { Plan } from '../field/compiled.ts';
import { isIn } from '../values/characters.ts';
import { graphemes } from '../values/graphemes.ts';
import type { DatePlan } from './date/run.ts';
import type { DurationPlan } from './duration/run.ts';
import type { PartsBody, PartsPlan } from './editing/parts.ts';
import type { NumberPlan } from './number/run.ts';
import type { OwnBody, OwnPlan } from './own/body.ts';
import { shapeWords } from './own/words.ts';
import type { PatternBody } from './pattern/body.ts';
import { exists } from './pattern/cells.ts';
import { contentEnd, written } from './pattern/layout.ts';
import type { PatternPlan } from './pattern/plan.ts';
import type { PhonePlan } from './phone/plan.ts';
import { hasPlace, type PhoneBody } from './phone/run.ts';
import type { KindName } from './registry.ts';

/** A character the user contributed, and the offset where it stands in the display (UTF-16 units). */
export interface Atom {
  readonly c: string;
  readonly at: number;
}

/**
 * Where a law (`engine.md`, section 1) asks something else of a kind than of all others, and why. Whoever proves a definition reads it; it ships to no
 * page. What is left out holds of the kind as of any.
 */
export interface Leeway<P extends Plan = Plan, B extends Body = Body> {
  /** What beside the content and the focus decides the display: the flags of law 1. */
  flags?(body: B): string;
  /** The user's characters; where left out, how the kind is drawn tells them from the fixed ones. */
  atoms?(body: B): readonly Atom[];
  /** Whether the display tells all of what the field holds (2, 8, 12): a part left short in the middle it does not tell. */
  isTold?(plan: P, body: B): boolean;
  /** Whether two contents can have one display; then typing and pasting rightly differ (2, 8). */
  isAmbiguous?(plan: P): boolean;
  /** Whether a display, pasted, is read as something else on purpose (2). */
  isReadOtherwise?(plan: P, body: B): boolean;
  /** Characters arrive from the right: none stands where it is typed, and zeros in front go by themselves (3, 4, 6). */
  isFromRight?(plan: P): boolean;
  /** What a developer's own code does that it may not, and the law that asks otherwise. */
  problem?(body: B): { readonly law: 2 | 11; readonly reason: string } | undefined;
  /** The characters that stand as they are typed (3); any letter and digit, where it is left out. */
  readonly typed?: RegExp;
  /** How many characters the last key brought beside itself (3). */
  brought?(body: B): number;
  /** It has no way to tell what it did not take: then everything has to be taken (6). */
  readonly isSilent?: true;
  /** Whether a key types over the character at the caret (6). */
  doesOverwrite?(plan: P): boolean;
  /** Whether typed fixed text stands at the left of an offset, behind the content: it is taken back first (4, 5). */
  hasPassed?(body: B, offset: number): boolean;
  /** The fixed text that a paste may meet, where it is more than what then shows (6). */
  fixed?(plan: P): string;
  /** Whether a pasted text is converted as a whole, and not taken character by character (6). */
  doesConvert?(text: string): boolean;
  /** The texts that come to the same typed and pasted (8); any, where it is left out. */
  readonly alike?: RegExp;
}

/** A part with fewer digits than it has, before one that has some; or a lone digit that typing would have completed: what was before it is gone. */
function isToldInParts({ parts }: PartsPlan, { texts }: PartsBody, isOfAnyLength: boolean): boolean {
  const last = texts.findLastIndex(Boolean);
  if (last < 0) return true;
  const { size, high, words } = parts[last]!;
  const text = texts[last]!;
  if (words && !words.includes(text)) return false;
  if (!isOfAnyLength && size === 2 && text.length === 1 && Number(text) * 10 > high) return false;
  return texts.every((one, i) => i >= last || one.length >= (isOfAnyLength ? 1 : parts[i]!.size));
}

/** What is typed stands where its part stands, beside what else the content has of closed ones. */
const atomsInParts = ({ texts, at }: PartsBody): readonly Atom[] =>
  texts.flatMap((text, part) => [...text].map((c, i) => ({ c, at: at[part]! + i })));

const partsLeeway: Leeway<PartsPlan, PartsBody> = {
  atoms: atomsInParts,
  // A letter is a unit, or the beginning of a word.
  typed: /^\d$/,
  isTold: (plan, body) => isToldInParts(plan, body, false),
};

const numberLeeway: Leeway<NumberPlan> = {
  isFromRight: ({ fill }) => fill === 'right',
  fixed: ({ around, own }) => [...around, ...own].join(''),
  alike: /^[1-9]\d{0,8}$/,
};

/** A part with fewer characters than it needs, or with a hole in it, that something stands behind; half a word. */
function isToldInCells(plan: PatternPlan, { cells, last, passed }: PatternBody): boolean {
  // What stands behind a stretch could begin it; fixed text that was typed behind the content could be content.
  if ((passed || doesRunOn(plan)) && isAmbiguous(plan)) return false;
  const isShort = plan.parts.some(({ first, size, min, stretch, takes, words }) => {
    if (!exists(plan, cells, stretch) || last < first) return false;
    const own = cells.slice(first, first + size);
    const filled = own.filter(Boolean).length;
    const isHalf = takes === 'words' && filled > 0 && !words!.includes(own.join(''));
    return isHalf || own.slice(0, filled).includes('') || (filled < min && last >= first + size);
  });
  if (isShort) return false;
  // A stretch that was passed by could take what stands behind it.
  return !(cells.slice(0, last).includes('') && doesRunOn(plan));
}

/** Whether a part that may stay out is followed by another with no fixed text between them. */
const doesRunOn = ({ parts, stretches, before, cells }: PatternPlan): boolean =>
  stretches.length > 0 ||
  parts.some(
    ({ first, size, min }) => min < size && first + size < cells.length && before[first + size] === '',
  );

/** Whether some cell takes a character of the fixed text: `<digit><0-1 any>-` shows `0-` for two contents. */
function isAmbiguous({ before, parts }: PatternPlan): boolean {
  const fixed = [...new Set(graphemes(before.map(written).join('')))];
  return parts.some(({ takes, set, manner }) =>
    fixed.some(
      (c) =>
        isIn(takes === 'set' ? set! : takes === 'number' ? 'digit' : 'any', c) ||
        (manner && fixed.some((d) => /\p{L}/u.test(d))),
    ),
  );
}

const patternLeeway: Leeway<PatternPlan, PatternBody> = {
  flags: ({ cells, passed }) =>
    `${cells.join('\u0001')}${passed ? `\u0002${passed.cell} ${passed.shown}` : ''}`,
  atoms: ({ cells, at }) => cells.flatMap((c, i) => (c ? [{ c, at: at[i]! }] : [])),
  isTold: isToldInCells,
  isAmbiguous,
  brought: ({ owed }) => graphemes(owed).length,
  doesOverwrite: ({ positions }) => positions === 'fixed',
  hasPassed: (body, offset) => body.passed !== undefined && offset > contentEnd(body),
  fixed: ({ before }) => before.map(written).join(''),
};

const leeways = {
  pattern: patternLeeway,
  number: { ...numberLeeway, alike: /^\d{1,8}$/ },
  currency: numberLeeway,
  percent: { ...numberLeeway, alike: /^\d{1,4}$/ },
  date: {
    ...partsLeeway,
    // Where another calendar is in use, a year far from ours is taken for one of that.
    isReadOtherwise: ({ gregorian, year }, { texts }) => {
      const written = texts[year];
      return !gregorian && !!written && (+written < 1850 || +written > 2250);
    },
    alike: /^[0-9]{0,7}$/,
  } satisfies Leeway<DatePlan, PartsBody>,
  // A time or a duration is converted as a whole: `2 pm`, `1:30`.
  time: { ...partsLeeway, doesConvert: (text) => /[a-z:.]/i.test(text), alike: /^[0-9]{0,6}$/ },
  duration: {
    ...partsLeeway,
    // Hours passed by without a number (`h `) are a state of their own.
    flags: ({ content, display }) => (content === '' && display !== '' ? 'passed' : ''),
    // Hours that begin with their point have lost what stood before it.
    isTold: (plan, body) =>
      isToldInParts(plan, body, true) && body.texts.every((text) => !text.startsWith('.')),
    // Zeros in front of a number say nothing.
    doesConvert: (text) => /[a-z:.,]|^\D*0/i.test(text),
    alike: /^(?:[1-9][0-9]{0,13})?$/,
  } satisfies Leeway<DurationPlan, PartsBody>,
  phone: {
    // An extension behind what has become no number, and more digits than there is room for: deleting at the head alone can lead there.
    isTold: (plan, { content, complete, read }) =>
      (complete || !content.includes('x')) && hasPlace(plan, read),
    // `(0)` stands in an international number for a digit that is dialled at home alone.
    doesConvert: (text) => /\(\s*0\s*\)/.test(text),
    alike: /^\+?[0-9]{0,14}$/,
  } satisfies Leeway<PhonePlan, PhoneBody>,
  pin: { alike: /^[0-9a-z]{0,3}$/ },
  'one-time-code': { alike: /^[0-9]{0,3}$/ },
  // What is picked is named as a whole, and a key names nothing.
  choice: { alike: /^$/ },
  choices: { alike: /^$/ },
  'yes-no': { doesConvert: () => true, alike: /^$/ },
  text: {},
  own: {
    // Fixed text in front that was typed before any content.
    flags: ({ characters, display }) => (characters.length === 0 ? display : ''),
    hasPassed: ({ characters, display }) => characters.length === 0 && display !== '',
    atoms: ({ characters, places }) => characters.map((c, i) => ({ c, at: places[i]! })),
    problem: ({ problem }) => problem && { law: problem.of === 'text' ? 2 : 11, reason: shapeWords(problem) },
  } satisfies Leeway<OwnPlan, OwnBody>,
} satisfies Readonly<Record<KindName, Leeway<never, never>>>;

const none: Leeway = {};

/** Where the laws ask something else of a field, by its plan. Nothing of a kind that does not come with the package. */
export function leewayOf(plan: Plan): Leeway {
  return Object.hasOwn(leeways, plan.kind)
    ? // Each is asked about plans and bodies of its own kind alone, by whose name it was found.
      (leeways[plan.kind as KindName] as unknown as Leeway)
    : none;
}
