// Texts of `screens/shelf/field-row.tsx`.

import { plural } from '../plural.ts';

export { actionsFor } from '../shared.ts';

export const reorder = (name: string) => `Reorder ${name}. Use the arrow keys or drag.`;
export const tryLabel = (name: string) => `Try ${name}`;
export const trialResults = (results: string, isOld: boolean) =>
  isOld ? `Trials: ${results} (before the latest changes).` : `Trials: ${results}.`;
export const trialsOf = (name: string, inWords: string, isOld: boolean) =>
  `Trials of ${name}: ${inWords}${isOld ? ' (before the latest changes)' : ''}`;
export const openDesk = 'Open desk';
export const passed = (held: number) => `${held} passed`;
export const failed = (missed: number) => `${missed} failed`;
export const passedFailed = (held: number, missed: number) => `${held} passed, ${missed} failed`;
export const ruleCount = (count: number) => plural(count, '1 rule', `${count} rules`);
