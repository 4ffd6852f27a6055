export {
  type BuiltIn,
  builtIns,
  type Matter,
  type Node,
  type Notation,
  parseNotation,
  printNotation,
  rangesOf,
  type Takes,
} from '../editing/notation.ts';
export type { PatternBody } from './body.ts';
export { partOf } from './cells.ts';
export { needsText } from './define.ts';
export { pattern } from './entry.ts';
export { inRaw, lay, rawOf, standing, textBefore, written } from './layout.ts';
export { inWords, readAloud } from './plain-words.ts';
export type { Part, PatternPlan } from './plan.ts';
export { type Proposal, type Proposed, propose } from './propose.ts';
export type { PatternField } from './run.ts';
export { sampleCells } from './sample.ts';
