// Texts of `model/edited.ts`.

export { arbeitCouldNotBeReached } from './shared.ts';
