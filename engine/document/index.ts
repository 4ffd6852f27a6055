export { type CompiledSet, compile, compileField } from './compile.ts';
export type { CheckDocument, FieldDocument, FormDocument, RuleDocument, SetDocument } from './document.ts';
export { capped, type DocumentResult, readDocument } from './read-document.ts';
export { dataOfMessage, problemWithCheck, problemWithMessage } from './read-rules.ts';
export { documentSchema } from './schema.ts';
