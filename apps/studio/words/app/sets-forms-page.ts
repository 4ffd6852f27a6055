// Texts of `app/sets/[set]/forms/[form]/page.tsx`.

export { notFound } from './shared.ts';
