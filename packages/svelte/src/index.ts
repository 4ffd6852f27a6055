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
export { type Field, type FieldOptions, field } from './field.ts';
export { type Form, type FormOptions, form } from './form.ts';
