export type { Answer } from '../rules/checks.ts';
export type { Ask, Question, Questions } from '../rules/questions.ts';
export { conceals } from '../rules/said.ts';
export type { Appearance } from './appearance.ts';
export { apply, keysOf, start } from './apply.ts';
export type { CompiledField, Plan } from './compiled.ts';
export { type Evaluation, evaluate, type Flags, toMessage, type VisibleMessage } from './evaluation.ts';
export { fieldName, reservedNames } from './field-name.ts';
export type { FieldEvent, FieldState, Refused } from './field-state.ts';
export { attributeNames, mayStand } from './html.ts';
export {
  type AdornmentName,
  type ControlName,
  dehydrate,
  type FieldOf,
  type HydratedField,
  hydrate,
  hydrateAny,
  type Kind,
  type Kinds,
  type TextStateOf,
  type ValueOf,
  withFormat,
} from './kind.ts';
export { joinValues, pickedValues } from './picked.ts';
export { refusalAfter } from './refusing.ts';
export { sampleVerdict } from './sample-verdict.ts';
export type { Ahead, RunShape, Shaped } from './shape.ts';
export { sharedEvent, sharedText } from './shared-text.ts';
export type { EditResult, Extent, InsertResult, Reason, TextState } from './text-state.ts';
export { unusedFeatures as unusedFeaturesOfFields } from './unused-features.ts';
