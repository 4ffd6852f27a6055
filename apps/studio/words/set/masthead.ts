// Texts of `screens/set/masthead.tsx`.

export { breadcrumb, handOff, revisions, setPages, translations, trials } from '../shared.ts';

export const arbeit = 'Arbeit';
export const menu = 'Menu';
