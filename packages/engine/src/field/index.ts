export type { Answer } from '../rules/checks.ts';
export type { Ask, Question, Questions } from '../rules/questions.ts';
export type { Body, Edited, Extent, Reason, Taken } from './body.ts';
export type { CompiledField, Plan } from './compiled.ts';
export { attributeNames, mayStand } from './html.ts';
export {
  type BodyOf,
  type ControlName,
  closed,
  type FieldOf,
  type Kind,
  type Kinds,
  type OpenField,
  open,
  openAny,
  type ValueOf,
  withShape,
} from './kind.ts';
export { lacks as lacksOfFields } from './lacks.ts';
export type { Look } from './look.ts';
export type { FieldEvent, FieldState, Refused } from './moment.ts';
export { type Flags, type Reading, read, type Shown, told } from './reading.ts';
export { refusalAfter } from './refusing.ts';
export { sampleVerdict } from './sample-verdict.ts';
export type { Ahead, RunShape, Shaped } from './shape.ts';
export { apply, keysOf, start } from './state.ts';
