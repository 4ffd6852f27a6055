export {
  askByFetch,
  calendar,
  carryOver,
  type Day,
  dayAfterKey,
  driveAsks,
  driveFormAsks,
  type FieldStore,
  type FormStore,
  findRegions,
  problemWith,
  type Recording,
  type RegionChoice,
  record,
  regionChoices,
  regionList,
  type SendRecord,
  type ServerAnswer,
  type Week,
  weeksOf,
} from '@arbeit/dom';
export { Boxes } from './boxes.tsx';
export type { ClassNames } from './class-names.ts';
export { type ControlComponent, controlOf } from './control.tsx';
export { Counter } from './counter.tsx';
export { Frame } from './frame.tsx';
export { Hint } from './hint.tsx';
export { Label } from './label.tsx';
export { Line } from './line.tsx';
export { Message } from './message.tsx';
export { chooseDay, Month } from './month.tsx';
export { PartLabels } from './part-labels.tsx';
export { pickerWith } from './picker.tsx';
export { isGroup, Picks } from './picks.tsx';
export { chooseRegion, RegionList, regionOf } from './region-list.tsx';
export { Resting } from './resting.tsx';
export { type Field, type FieldOptions, useField } from './use-field.ts';
export { type Form, type FormOptions, useForm } from './use-form.ts';
