import type { LawExemptions } from '../contract/law-exemptions.ts';
import type { OwnBody, OwnPlan } from './body.ts';
import { shapeWords } from './words.ts';

export const lawExemptions: LawExemptions<OwnPlan, OwnBody> = {
  // Fixed text in front that was typed before any content.
  flags: ({ characters, display }) => (characters.length === 0 ? display : ''),
  hasPassed: ({ characters, display }) => characters.length === 0 && display !== '',
  atoms: ({ characters, places }) => characters.map((c, i) => ({ c, at: places[i]! })),
  problem: ({ problem }) => problem && { law: problem.of === 'text' ? 2 : 11, reason: shapeWords(problem) },
};
