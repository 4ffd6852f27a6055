export {
  askByFetch,
  calendar,
  driveAsks,
  driveFormAsks,
  type FieldStore,
  type FormStore,
  type Picker,
  type PickerOptions,
  pickerOf,
  type Recording,
  record,
  regionList,
  type SendRecord,
} from '@arbeit/dom';
export { type Field, type FieldOptions, field } from './field.ts';
export { type Form, type FormOptions, form } from './form.ts';
