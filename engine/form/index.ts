export {
  applyToForm,
  type FormEvent,
  type FormState,
  fieldOf,
  type OpenForm,
  openForm,
  placeOf,
  reachOf,
  startForm,
} from './form.ts';
export { readInForm } from './form-reading.ts';
export type { FormRule } from './form-rule.ts';
