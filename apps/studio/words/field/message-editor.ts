// Texts of `field/message-editor.tsx`.

export const theLowerLimit = 'the lower limit';
export const theUpperLimit = 'the upper limit';
export const theDays = 'the days';
export const forNone = 'for none';
export const forOne = 'for one';
export const forTwo = 'for two';
export const forFew = 'for few';
export const forMany = 'for many';
export const forAllOthers = 'for all others';
export const message = 'Message';
export const addPluralForms = 'Add plural forms';
export const pluralDepends = 'Plural depends on';
export const messageWithCategorie = (categorie: string) => `Message ${categorie}`;
export const thisFormIsRequired = 'This plural form is required.';
export const removePluralForms = 'Remove plural forms';
export const insertPlaceholder = (name: string) => `Insert {${name}} into the message`;
