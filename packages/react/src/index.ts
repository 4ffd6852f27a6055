export {
  askByFetch,
  carryOver,
  driveAsks,
  driveFormAsks,
  type FieldStore,
  type FormStore,
  type Recording,
  record,
  type SendRecord,
  type ServerAnswer,
} from '@arbeit/dom';
export { Boxes } from './boxes.tsx';
export type { ClassNames } from './class-names.ts';
export { type ControlComponent, controlOf } from './control.tsx';
export { Counter } from './counter.tsx';
export { type Day, dayAfterKey, problemWith, type Week, weeksOf } from './days.ts';
export { Frame } from './frame.tsx';
export { Hint } from './hint.tsx';
export { Label } from './label.tsx';
export { Line } from './line.tsx';
export { Message } from './message.tsx';
export { chooseDay, Month } from './month.tsx';
export { PartLabels } from './part-labels.tsx';
export { isGroup, Picks } from './picks.tsx';
export { chooseRegion, RegionList, regionOf } from './region-list.tsx';
export { findRegions, type RegionChoice, regionChoices } from './regions.ts';
export { Resting } from './resting.tsx';
export { type Field, type FieldOptions, useField } from './use-field.ts';
export { type Form, type FormOptions, useForm } from './use-form.ts';
