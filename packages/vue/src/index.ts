export {
  askByFetch,
  driveAsks,
  driveFormAsks,
  type FieldStore,
  type FormStore,
  type Recording,
  record,
  type SendRecord,
} from '@arbeit/dom';
export { type Field, type FieldOptions, useField } from './use-field.ts';
export { type Form, type FormOptions, useForm } from './use-form.ts';
