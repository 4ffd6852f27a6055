export type { OwnBody, OwnPlan, ShapeProblem } from './body.ts';
export { own } from './entry.ts';
export { ownBy } from './run.ts';
export { shapeWords } from './words.ts';
