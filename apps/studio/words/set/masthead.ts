// Texts of `screens/set/masthead.tsx`.

export { handOff, revisions, translations, trials } from '../shared.ts';

export const arbeit = 'Arbeit';
export const breadcrumb = 'Breadcrumb';
export const setPages = 'Set pages';
