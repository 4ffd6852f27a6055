import type { LawExemptions } from '../contract/law-exemptions.ts';
import type { CustomPlan, CustomText } from './body.ts';
import { shapeWords } from './words.ts';

export const lawExemptions: LawExemptions<CustomPlan, CustomText> = {
  // Leading fixed text that was typed before any content.
  flags: ({ characters, display }) => (characters.length === 0 ? display : ''),
  hasPassed: ({ characters, display }) => characters.length === 0 && display !== '',
  atoms: ({ characters, places }) => characters.map((c, i) => ({ c, at: places[i]! })),
  problem: ({ problem }) => problem && { law: problem.of === 'text' ? 2 : 11, reason: shapeWords(problem) },
};
