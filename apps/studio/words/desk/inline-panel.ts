// Texts of `screens/desk/inline-panel.tsx`.

export { esc } from '../shared.ts';

export const done = 'Done';
