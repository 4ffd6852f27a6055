export { refill, type ServerAnswer } from './answered.ts';
export { type AppearanceAttributes, appearanceOf } from './appearance.ts';
export { type AskElsewhere, askByFetch, driveAsks, driveFormAsks } from './asking.ts';
export { attributesOf, controlAttributesOf } from './attributes.ts';
export { type BindOptions, bind, bindWithin } from './bind.ts';
export { bindControl } from './bind-control.ts';
export { bindPicks } from './bind-picks.ts';
export { type Box, boxesOf } from './boxes.ts';
export { calendar } from './calendar.ts';
export { evaluateOn, localToday } from './clock.ts';
export { onCompletion, onNextEdit } from './completion.ts';
export { type Day, dayAfterKey, openDay, problemWith, type Week, weeksOf, withDay } from './days.ts';
export { type BindFormOptions, bindForm } from './form.ts';
export { carryOver, createFormStore, type FormStore } from './form-store.ts';
export type { Host } from './host.ts';
export { type Picker, type PickerOptions, pickerOf } from './picker.ts';
export { pickerStyles } from './picker-styles.ts';
export { pressBoxes } from './press-boxes.ts';
export { type Recording, record } from './record.ts';
export { regionList } from './region-list.ts';
export {
  findRegions,
  type Region,
  type RegionChoice,
  regionChoices,
  regionEvent,
  regionIn,
} from './regions.ts';
export { isConcealed } from './secret.ts';
export type { SendRecord } from './sending.ts';
export { type Attributes, type ControlShape, type FieldParts, partsOf, shapeOf } from './shape.ts';
export { follow, share } from './share.ts';
export { showStates } from './show-states.ts';
export { rootAttributesOf, type States, statesOf } from './states.ts';
export { createStore, type Evaluate, type FieldStore } from './store.ts';
export type { TextControl } from './text-control.ts';
