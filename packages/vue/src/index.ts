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
export { type Field, type FieldOptions, useField } from './use-field.ts';
export { type Form, type FormOptions, useForm } from './use-form.ts';
export { usePicker } from './use-picker.ts';
