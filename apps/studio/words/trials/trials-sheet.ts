// Texts of `screens/trials/trials-sheet.tsx`.

export { trials } from '../shared.ts';

export const trialsOf = (title: string) => `Trials of ${title}`;
