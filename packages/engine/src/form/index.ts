export { applyToForm, type FieldFinding, type FormEvent, reachOf } from './apply.ts';
export { type Asker, type CheckedRecord, checkRecord } from './check-record.ts';
export { countsInForm, evaluateInForm } from './evaluate-form.ts';
export {
  type FormManner,
  type FormState,
  fieldOf,
  type HydratedForm,
  hydrateAlone,
  hydrateForm,
  idOf,
  placeOf,
  startForm,
  withField,
} from './form.ts';
export type { FormRule } from './form-rule.ts';
export { type JsonType, jsonRecord } from './json-record.ts';
export { recordOf } from './record.ts';
export type { FormRecord, Sending, Values } from './sending.ts';
export {
  type AtServer,
  type RawRecord,
  type ServerForm,
  type StandardForm,
  type StandardResult,
  serverForm,
} from './server-form.ts';
export { type LanguageTexts, type Patch, patchBetween, translateField, translateForm } from './translate.ts';
