// Texts of `app/sets/[set]/hand-off/page.tsx`.

export { handOff } from '../shared.ts';
