export type { Offer } from '../options/option.ts';
export {
  type Definition,
  definitionIn,
  type KindEntry,
  type KindTable,
  kindIn,
  type Limits,
  type PlanContext,
} from './contract/definition.ts';
export type { Piece, SpecimenRenderer } from './contract/specimen-renderer.ts';
export { escaped, type ValueForm } from './contract/value-form.ts';
export type { PartsBody, PartsPlan } from './editing/parts.ts';
export { type AllKinds, type KindName, kinds, type PlanOf } from './registry.ts';
export { unusedFeaturesIn as unusedFeaturesOfKinds } from './unused-features.ts';
