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
} from '@arbeit/dom/stores';
export type { NativeControl } from './controls.ts';
export type { NativeOpenerProps } from './opener.ts';
export type { AutoComplete, KeyboardProps } from './text-input.ts';
export {
  type NativeCalendar,
  type NativeDay,
  type NativeMonth,
  type NativePressProps,
  useCalendar,
} from './use-calendar.ts';
export {
  type NativeField,
  type NativeInputProps,
  type NativePickProps,
  type NativeSelection,
  useNativeField,
} from './use-native-field.ts';
export { type NativeForm, type NativeFormOptions, useNativeForm } from './use-native-form.ts';
export { type NativeRegion, type NativeRegions, useRegions } from './use-regions.ts';
