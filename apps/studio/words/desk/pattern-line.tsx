// Texts of `screens/desk/pattern-line.tsx`.

import type { ReactNode } from 'react';

export { pattern } from '../shared.ts';

export const thePattern = 'the pattern';
export const readAloud = 'Read aloud:';
export const column = (column: number, message: string) => `Column ${column}: ${message}`;
export const didYouMean = (code: ReactNode) => <>Did you mean {code}?</>;
export const revertToTheLastValid = 'Revert to the last valid pattern';
export const typingBehaviour = 'Typing behaviour';
