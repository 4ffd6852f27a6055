import type { FieldEvent, Reason } from '@arbeit/engine/field';

/** An action in words. The tape's text says the same in its own language. */
export function keyInWords(event: FieldEvent): string {
  switch (event.type) {
    case 'key':
      return event.text === ' ' ? 'space' : event.text === '\n' ? 'return' : event.text;
    case 'insert':
      return `inserted: ${event.text}`;
    case 'paste':
      return `pasted: ${event.text}`;
    case 'autofill':
      return `autofilled: ${event.text}`;
    case 'set':
      return `set to ${event.text || 'nothing'}`;
    case 'select':
      return event.start === event.end
        ? `caret to ${event.start}`
        : `selected ${event.start} to ${event.end}`;
    case 'answer':
      return 'server check answered';
    default:
      return plain[event.type];
  }
}

const plain = {
  focus: 'focus',
  leave: 'blur',
  cut: 'cut',
  undo: 'undo',
  redo: 'redo',
  submit: 'submit',
  reset: 'reset',
  up: '↑',
  down: '↓',
  backspace: '⌫ backspace',
  delete: '⌦ delete',
  'word-backspace': '⌫ word',
  ask: 'server check started',
  'ask-again': 'asked again',
  invalidate: 're-evaluated',
  refuse: 'cleared by a rule',
} as const;

/** Why a key was rejected, as a sentence. */
export function refusalInWords(reason: Reason, event: FieldEvent): string {
  const text = 'text' in event ? event.text : '';
  const what = /^\p{L}\p{M}*$/u.test(text)
    ? 'letters are'
    : /^\p{N}$/u.test(text)
      ? 'digits are'
      : /^\s$/.test(text)
        ? 'spaces are'
        : [...text].length === 1
          ? `“${text}” is`
          : 'this is';
  switch (reason) {
    case 'full':
      return 'the field is full';
    case 'not-accepted':
      return `${what} not allowed here`;
    case 'out-of-bounds':
      return 'outside the allowed range';
    case 'too-many-decimals':
      return 'no more decimals';
  }
}
