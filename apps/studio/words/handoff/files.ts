// Texts of `screens/handoff/files.tsx`.

export { downloadZip } from '../later.ts';

export const files = 'Files';
export const filesOfTheHandOff = 'Files of the hand-off';
export const root = '(root)';
