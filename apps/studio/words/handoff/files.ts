// Texts of `screens/handoff/files.tsx`.

export const files = 'Files';
export const filesOfTheHandOff = 'Files of the hand-off';
export const root = '(root)';
