export * from '../checks/check-documents.ts';
export { comparisonsFor } from '../checks/compare/define.ts';
export { type CheckEntry, type CheckTable, checkEntry } from '../checks/contract.ts';
export { type CompiledSet, compile, hasCustomCode, type RunCustomCode, withCustomCode } from './compile.ts';
export { compileField } from './compile-field.ts';
export { compileCondition } from './condition.ts';
export {
  type CheckDocument,
  type ConditionDocument,
  type FieldDocument,
  type FormDocument,
  type FormRuleDocument,
  fieldIdsOf,
  type RuleDocument,
  type SectionDocument,
  type SetDocument,
} from './document.ts';
export * from './entries.ts';
export { languageOf } from './language.ts';
export {
  capped,
  type DocumentResult,
  isDeeper,
  mostDeep,
  type ReadOptions,
  readDocument,
  withEntries,
} from './read-document.ts';
export { problemsOfEntry } from './read-entry.ts';
export { dataOfMessage, optionsOfCheck, problemWithCheck, problemWithMessage } from './read-rules.ts';
export { documentSchema } from './schema.ts';
export {
  type CatalogueText,
  inLanguage,
  languagesOf,
  missingIn,
  textsOf,
  unusedIn,
  withTextAt,
  withTranslation,
} from './texts.ts';
export { documentVersion, type Migration, migrated, migrationsOf, readableVersions } from './versions.ts';
