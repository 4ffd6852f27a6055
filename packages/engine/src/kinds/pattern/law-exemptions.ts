import { isIn } from '../../values/characters.ts';
import { graphemes } from '../../values/graphemes.ts';
import type { LawExemptions } from '../contract/law-exemptions.ts';
import type { PatternBody } from './body.ts';
import { exists } from './cells.ts';
import { planOf } from './content.ts';
import { contentEnd, written } from './layout.ts';
import type { PatternPlan } from './plan.ts';

/** Whether a part before the last character is incomplete or has a gap, or a word is incomplete. */
function isToldInCells(plan: PatternPlan, { cells, last, passed }: PatternBody): boolean {
  // Text after a stretch could begin it, and fixed text typed after the content could be content.
  if ((passed || doesRunOn(plan)) && isAmbiguous(plan)) return false;
  const isShort = plan.parts.some(({ first, size, min, stretch, takes, words }) => {
    if (!exists(plan, cells, stretch) || last < first) return false;
    const own = cells.slice(first, first + size);
    const filled = own.filter(Boolean).length;
    const isHalf = takes === 'words' && filled > 0 && !words!.includes(own.join(''));
    return isHalf || own.slice(0, filled).includes('') || (filled < min && last >= first + size);
  });
  if (isShort) return false;
  // A stretch that was passed could accept the text after it.
  return !(cells.slice(0, last).includes('') && doesRunOn(plan));
}

/** Whether an optional part is followed by another with no fixed text between them. */
const doesRunOn = ({ parts, stretches, before, cells }: PatternPlan): boolean =>
  stretches.length > 0 ||
  parts.some(
    ({ first, size, min }) => min < size && first + size < cells.length && before[first + size] === '',
  );

/**
 * Whether some cell accepts a character of the fixed text: `<digit><0-1 any>-` displays `0-` for two
 * contents.
 */
function isAmbiguous(plan: PatternPlan): boolean {
  const all = plan.alternatives ?? [plan];
  const [before, parts] = [all.flatMap((one) => one.before), all.flatMap((one) => one.parts)];
  const fixed = [...new Set(graphemes(before.map(written).join('')))];
  return parts.some(({ takes, set, manner }) =>
    fixed.some(
      (c) =>
        isIn(takes === 'set' ? set! : takes === 'number' ? 'digit' : 'any', c) ||
        (manner && fixed.some((d) => /\p{L}/u.test(d))),
    ),
  );
}

export const lawExemptions: LawExemptions<PatternPlan, PatternBody> = {
  flags: ({ cells, passed, which = 0 }) =>
    `${which} ${cells.join('\u0001')}${passed ? `\u0002${passed.cell} ${passed.shown}` : ''}`,
  atoms: ({ cells, at }) => cells.flatMap((c, i) => (c ? [{ c, at: at[i]! }] : [])),
  // What a deletion left and no pattern accepts is not read back from its text.
  isTold: (plan, body) => {
    const own = planOf(plan, body);
    return own !== undefined && isToldInCells(own, body) && !(plan.alternatives && isAmbiguous(plan));
  },
  isAmbiguous,
  brought: ({ owed }) => graphemes(owed).length,
  doesOverwrite: ({ positions }) => positions === 'fixed',
  hasPassed: (body, offset) => body.passed !== undefined && offset > contentEnd(body),
  fixed: ({ before, alternatives }) =>
    (alternatives?.flatMap((one) => one.before) ?? before).map(written).join(''),
};
