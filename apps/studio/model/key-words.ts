import type { FieldEvent, Reason } from '@arbeit/engine/field';

/** An action in words. The tape's text says the same in its own language. */
export function keyInWords(event: FieldEvent): string {
  switch (event.type) {
    case 'key':
      return event.text === ' ' ? 'space' : event.text === '\n' ? 'return' : event.text;
    case 'insert':
      return `all at once: ${event.text}`;
    case 'paste':
      return `pasted: ${event.text}`;
    case 'autofill':
      return `filled in: ${event.text}`;
    case 'set':
      return `set to ${event.text || 'nothing'}`;
    case 'select':
      return event.start === event.end
        ? `caret to ${event.start}`
        : `selected ${event.start} to ${event.end}`;
    case 'answer':
      return 'an answer came';
    default:
      return plain[event.type];
  }
}

const plain = {
  focus: 'into the field',
  leave: 'out of the field',
  cut: 'cut',
  undo: 'undo',
  redo: 'redo',
  submit: 'sent',
  reset: 'reset',
  up: '↑',
  down: '↓',
  backspace: '⌫ backspace',
  delete: '⌦ delete',
  'word-backspace': '⌫ word',
  ask: 'a question went out',
  'ask-again': 'asked again',
  invalidate: 'looked at anew',
  refuse: 'taken out, as its rule says',
} as const;

/** Why a key was rejected, as a sentence. */
export function refusalInWords(reason: Reason, event: FieldEvent): string {
  const text = 'text' in event ? event.text : '';
  const what = /^\p{L}\p{M}*$/u.test(text)
    ? 'a letter'
    : /^\p{N}$/u.test(text)
      ? 'a digit'
      : /^\s$/.test(text)
        ? 'a blank'
        : [...text].length === 1
          ? `“${text}”`
          : 'this';
  switch (reason) {
    case 'full':
      return 'no room left';
    case 'not-accepted':
      return `${what} does not fit here`;
    case 'out-of-bounds':
      return 'would leave the bounds of its part';
    case 'too-many-decimals':
      return 'no more decimals';
  }
}
