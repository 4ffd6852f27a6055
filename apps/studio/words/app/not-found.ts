// Texts of `app/not-found.tsx`.

export { backToTheShelf } from '../every-page.ts';

export const pageNotFound = 'Page not found';
export const theSetOrFieldMay = 'The set or field may have been deleted or renamed, or the URL is wrong.';
