// Texts of `app/sets/[set]/revisions/page.tsx`.

export { revisions } from '../shared.ts';
