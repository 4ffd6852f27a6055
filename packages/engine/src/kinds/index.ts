export type { Offer } from '../options/option.ts';
export {
  type Around,
  type Definition,
  type KindEntry,
  type KindTable,
  kindIn,
  type Limits,
} from './definition.ts';
export type { Drawing, Piece } from './drawing.ts';
export { lacks as lacksOfKinds } from './lacks.ts';
export type { PartsBody, PartsPlan } from './parts.ts';
export { type AllKinds, type KindName, kinds, type PlanOf } from './table.ts';
export { escaped, type ValueForm } from './value-form.ts';
