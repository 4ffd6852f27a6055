// Texts of `app/sets/[set]/refused/page.tsx`.

export { conflictingSaves } from '../shared.ts';
