export type { CustomPlan, CustomText, ShapeProblem } from './body.ts';
export { custom } from './entry.ts';
export { customFormatBy } from './run.ts';
export { shapeWords } from './words.ts';
