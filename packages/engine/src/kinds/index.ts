export type { Offer } from '../options/option.ts';
export {
  type Around,
  type Definition,
  type KindEntry,
  type KindTable,
  kindIn,
  type Limits,
} from './contract/definition.ts';
export type { Drawing, Piece } from './contract/drawing.ts';
export { escaped, type ValueForm } from './contract/value-form.ts';
export type { PartsBody, PartsPlan } from './editing/parts.ts';
export { lacks as lacksOfKinds } from './lacks.ts';
export { type AllKinds, type KindName, kinds, type PlanOf } from './registry.ts';
