// Texts of `screens/form/arrangement.tsx`.

export { remove } from '../later.ts';

export const arrangement = 'Arrangement';
export const sectionsAndFields = 'Sections and fields';
export const addAField = 'Add a field';
export const addASection = 'Add a section';
export const untitledSection = 'untitled section';
export const reorder = (words: string) => `Reorder ${words}. Use the arrow keys or drag.`;
export const removeFromTheForm = (words: string) => `Remove ${words} from the form`;
export const titleOfSection = (at: number) => `Title of section ${at}`;
export const noTitle = 'no title';
export const twoColumns = 'Two columns';
export const oneColumn = 'One column';
export const inLabel = (words: string) => `in ${words}; change it`;
export const removeTheSectionHeading = (words: string) => `Remove the section heading ${words}`;
