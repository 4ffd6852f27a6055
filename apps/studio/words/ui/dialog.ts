// Texts of `ui/dialog.tsx`.

export { close, esc } from '../shared.ts';
