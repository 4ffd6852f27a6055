// Texts of `app/glossary/page.tsx`.

export { glossary } from '../later.ts';
