export { type Recording, record } from '@arbeit/dom';
export { type ActionResult, type Field, field } from './field.ts';
export { type Form, form } from './form.ts';
