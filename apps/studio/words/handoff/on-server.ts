// Texts of `screens/handoff/on-server.ts`.

export { selectAtLeastOneField } from './shared.ts';
