export { type Recording, record } from '@arbeit/dom';
export { type Field, field, type Tied } from './field.ts';
export { type Form, form } from './form.ts';
