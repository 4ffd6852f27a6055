/**
 * Fields and forms without a page: everything a platform without DOM needs to draw and drive them.
 */
export { refill, type ServerAnswer } from './answered.ts';
export { type AskElsewhere, askByFetch, driveAsks, driveFormAsks } from './asking.ts';
export { attributesOf } from './attributes.ts';
export { type Box, boxesOf } from './boxes.ts';
export { evaluateOn, localToday } from './clock.ts';
export { type Day, dayAfterKey, openDay, weeksOf, withDay } from './days.ts';
export { carryOver, createFormStore, type FormStore } from './form-store.ts';
export { type Recording, record } from './record.ts';
export { findRegions, type RegionChoice, regionChoices, regionEvent, regionIn } from './regions.ts';
export { isConcealed } from './secret.ts';
export { driveSending, type SendRecord } from './sending.ts';
export { type ControlShape, shapeOf } from './shape.ts';
export { type States, statesOf } from './states.ts';
export { createStore, type Evaluate, type FieldStore } from './store.ts';
export { type TakenText, takeText } from './take-text.ts';
