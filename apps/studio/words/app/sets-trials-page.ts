// Texts of `app/sets/[set]/trials/page.tsx`.

export { trials } from '../shared.ts';
