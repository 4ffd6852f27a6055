// Texts of `app/sets/[set]/texts/page.tsx`.

export { texts } from '../later.ts';
