import type { Matter } from '@arbeit/engine/kinds/pattern';

/** Parts to begin with. Each is valid. */
export const newParts: readonly { readonly label: string; readonly part: Matter }[] = [
  {
    label: 'Cells that take a character',
    part: { type: 'cells', min: 3, max: 3, takes: { type: 'built-in', name: 'digit' } },
  },
  { label: 'Fixed text', part: { type: 'text', text: '-' } },
  { label: 'A number with bounds', part: { type: 'number', low: '00', high: '59' } },
  { label: 'One of several words', part: { type: 'words', words: ['AM', 'PM'] } },
];
