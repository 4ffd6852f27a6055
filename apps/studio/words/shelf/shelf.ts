// Texts of `screens/shelf/shelf.tsx`.

import { plural } from '../plural.ts';

export {
  downloadJson,
  findAField,
  importLabel,
  newSet,
  restore,
  shelf,
  tourInFourSteps,
} from '../shared.ts';

export const newFieldInTheFirst = 'New field in the first set';
export const aSetHolds =
  'A set holds the fields and forms of one project. Type into a field to try it; click its name to define it.';
export const noSetsYet =
  'No sets yet. Create one with “New set”, or import a file. A set holds the fields and forms of one project.';
export const findAFieldPlaceholder = 'Find a field  /';
export const wasDeletedWithTitle = (title: string) => `“${title}” was deleted.`;
export const set = (id: string) => `Set ${id}`;
export const thisSetCannotBeShown = (faults: number) =>
  `This set cannot be shown: its document has ${plural(faults, '1 error', `${faults} errors`)}.`;
