// Texts of `screens/handoff/use-made.ts`.

export { noResponseFromTheServerTry, selectAtLeastOneField } from './shared.ts';
