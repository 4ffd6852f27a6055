// Texts of `app/sets/[set]/fields/[field]/page.tsx`.

export { notFound } from './shared.ts';
