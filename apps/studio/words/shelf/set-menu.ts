// Texts of `screens/shelf/set-menu.tsx`.

export {
  changeId,
  characterClasses,
  conflictingSaves,
  copied,
  copyDocumentAsJson,
  deleteSet,
  downloadDocumentArbeitJson,
  duplicateSet,
  handOff,
  locale,
  newForm,
  noneYet,
  revisions,
  theBrowserBlockedCopying,
  translations,
} from '../shared.ts';

export const copyWithTitle = (title: string) => `${title} (copy)`;
export const actionsForWithTitle = (title: string) => `Actions for ${title}`;
export const proofSheet = 'Proof sheet (to print)';
export const severalFields = 'Several fields…';
