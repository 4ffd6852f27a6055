export { type Recording, record } from '@arbeit/dom';
export { type Field, useField } from './use-field.ts';
export { type Form, useForm } from './use-form.ts';
