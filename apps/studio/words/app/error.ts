// Texts of `app/error.tsx`.

export { tryAgain } from '../every-page.ts';

export const thisPageCould = 'This page could not be loaded.';
export const yourSavedWorkIsSafe = (digest: string | undefined) =>
  `Your saved work is safe. See the terminal running Arbeit for details${digest ? ` (look for ${digest})` : ''}.`;
