// Texts of `ui/keys.ts`.

export { esc } from '../shared.ts';
