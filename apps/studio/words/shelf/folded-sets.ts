// Texts of `screens/shelf/folded-sets.tsx`.

export { fieldCount } from '../shared.ts';
export const olderSets = 'Older sets';
export const furtherSetsWithThisTitle = 'Further sets with this title';
export const showOfMoreSets = (min: number, left: number) => `Show ${min} of ${left} more sets`;
export const theSetsCould = 'The sets could not be listed: no response from the server. Try again.';
export const theSetCould = 'The set could not be opened: no response from the server. Try again.';
export const openWithTitle = (title: string) => `Open ${title}`;
export const open = 'Open';
