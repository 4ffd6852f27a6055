// Texts of `screens/trials/suggested-trials.tsx`.

import { plural } from '../plural.ts';

export { close } from '../shared.ts';

export const suggestedTrials = 'Suggested trials';
export const addTrials = (count: number) => plural(count, 'Add 1 trial', `Add ${count} trials`);
