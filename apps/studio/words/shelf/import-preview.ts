// Texts of `screens/shelf/import-preview.ts`.

export const noFormControlsFound = 'No form controls found in this HTML.';
export const noColumnNamesFound = 'No column names found. Put them in the first row or the first column.';
export const thisIsNotAValid = (message: string) => `This is not a valid table: ${message}`;
