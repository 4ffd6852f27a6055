import type { Matter } from '@arbeit/engine/kinds/pattern';
import * as texts from '../words/model/new-parts.ts';

/** Parts to begin with. Each is valid. */
export const newParts: readonly { readonly label: string; readonly part: Matter }[] = [
  {
    label: texts.cellsThatTakeACharacter,
    part: { type: 'cells', min: 3, max: 3, takes: { type: 'built-in', name: 'digit' } },
  },
  { label: texts.fixedText, part: { type: 'text', text: '-' } },
  { label: texts.aNumberWithBounds, part: { type: 'number', low: '00', high: '59' } },
  { label: texts.oneOfSeveralWords, part: { type: 'words', words: ['AM', 'PM'] } },
];
