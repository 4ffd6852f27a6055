import type { FieldEvent, FieldState } from '@arbeit/engine/field';
import { graphemes } from '@arbeit/engine/values';

/** Input types that are one event, whatever the field contains. */
const plain: Readonly<Record<string, 'backspace' | 'delete' | 'word-backspace' | 'cut' | 'undo' | 'redo'>> = {
  deleteContentBackward: 'backspace',
  deleteContentForward: 'delete',
  deleteWordBackward: 'word-backspace',
  deleteByCut: 'cut',
  deleteByDrag: 'cut',
  deleteContent: 'cut',
  historyUndo: 'undo',
  historyRedo: 'redo',
};

/**
 * The event of an edit that the browser announces (Input Events Level 2, `inputType`). `undefined` for edits
 * that are left to the browser and taken over afterwards, and for those a field ignores.
 */
export function eventFor(event: InputEvent, state: FieldState): readonly FieldEvent[] | undefined {
  const { inputType } = event;
  const type = plain[inputType];
  if (type) return [{ type }];
  const line = /^delete\w+Line(Back|For)ward$/.exec(inputType);
  if (line) {
    const [start, end] = line[1] === 'Back' ? [0, state.start] : [state.end, state.body.display.length];
    const isSelected = state.start < state.end;
    return [...(isSelected ? [] : [{ type: 'select', start, end } as const]), { type: 'cut' }];
  }
  if (inputType === 'deleteWordForward') {
    const { start, end, body } = state;
    if (start < end) return [{ type: 'cut' }];
    const word = /^\s*(?:[\p{L}\p{N}\p{M}_]+|[^\p{L}\p{N}\p{M}_\s]+)?/u.exec(body.display.slice(start))![0];
    return [{ type: 'select', start, end: start + word.length }, { type: 'cut' }];
  }
  // Return in an input submits the form, which is left to the browser.
  if (/^insert(?:LineBreak|Paragraph)$/.test(inputType))
    return (event.target as Element).localName === 'textarea' ? [{ type: 'key', text: '\n' }] : undefined;
  const text = event.data ?? event.dataTransfer?.getData('text/plain');
  if (text === undefined) return undefined;
  if (inputType.startsWith('insertFrom')) return [{ type: 'paste', text }];
  if (inputType !== 'insertText') return undefined;
  return [{ type: graphemes(text).length === 1 ? 'key' : 'insert', text }];
}
