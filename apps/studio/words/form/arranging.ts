// Texts of `screens/form/arranging.tsx`, `field-tools.tsx` and `section-tools.tsx`.

export { addField } from '../later.ts';

export const moveThisField = 'Move this field: arrow keys, or drag';
export const moveThisSection = 'Move this section: arrow keys, or drag';
export const addAFieldHere = 'Add after this field';
export const newField = 'New field…';
export const moreForThisField = 'More for this field';
export const moreForThisSection = 'More for this section';
export const openTheDeskOf = (label: string) => `Open the desk of “${label}”`;
export const showOnlyWhen = (label: string) => `Show “${label}” only when…`;
export const compareWithAnotherField = (label: string) => `Compare “${label}” with another field`;
export const removeFromTheForm = (label: string) => `Remove “${label}” from the form`;
export const notShownNow = 'Not shown now:';
export const titleOfSection = (at: number) => `Title of section ${at}`;
export const noTitle = 'no title';
export const inTwoColumns = 'In two columns';
export const inOneColumn = 'In one column';
export const addASection = 'Add a section after this one';
export const startASection = 'Start a section after this field';
export const removeTheHeading = 'Remove this heading, keep the fields';
