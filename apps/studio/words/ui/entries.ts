// Texts of `ui/entries.ts`.

export {
  addField,
  addLanguage,
  compare,
  compareBehaviour,
  coverage,
  crossFieldRules,
  downloadCsv,
  downloadZip,
  glossary,
  lawCheck,
  livePreview,
  messageTiming,
  mutationTests,
  newCondition,
  newTrial,
  run,
  runAgain,
  runMutationTests,
  simulatedServices,
  submission,
  submittedData,
  testYourOwnFormatter,
} from '../later.ts';
export {
  addRule,
  changeId,
  changeKind,
  characterClasses,
  clearTape,
  conflictingSaves,
  copyDocumentAsJson,
  copyTheTapeAsText,
  deleteLabel,
  deleteSet,
  desk,
  downloadDocumentArbeitJson,
  downloadJson,
  duplicate,
  duplicateSet,
  editPatternText,
  findAField,
  goToField,
  goToSpecimen,
  goToTape,
  handOff,
  hint,
  htmlAttributes,
  importLabel,
  initialValue,
  inOtherLocales,
  locale,
  moveDown,
  moveUp,
  newField,
  newForm,
  newSet,
  placeholder,
  redo,
  revisions,
  saveTapeAsTrial,
  shelf,
  translations,
  trials,
  undoLastChange,
} from '../shared.ts';
export { appearance } from './shared.ts';

export const runTrials = 'Run trials';
export const runLawCheck = 'Run law check';
export const downloadTextsAsCsv = 'Download texts as CSV';
export const downloadTextsAsJson = 'Download texts as JSON';
export const previewTheHandOff = 'Preview the hand-off';
export const compareRevisions = 'Compare revisions';
export const openASetFirst = 'Open a set first';
export const set = 'Set';
export const actionsForWithTitle = (title: string | undefined) => `Actions for ${title}`;
export const pages = 'Pages';
export const help = 'Help';
export const edit = 'Edit';
export const nothingToUndo = 'Nothing to undo on this page';
export const openAFieldFirst = 'Open a field first';
export const form = 'Form';
export const openAFormFirst = 'Open a form first';
