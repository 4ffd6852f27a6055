/** The stores of fields and forms in components, for a page or a platform without DOM. */
export { type FieldStoreOptions, useFieldStore } from './use-field-store.ts';
export { type FormInUse, type FormStoreOptions, useFormStore } from './use-form-store.ts';
