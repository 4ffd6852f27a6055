import type { FieldEvent, Reason } from '@arbeit/engine/field';
import * as words from '../words/model/key-words.ts';

/** An action in words. The tape's text says the same in its own language. */
export function keyInWords(event: FieldEvent): string {
  switch (event.type) {
    case 'key':
      return event.text === ' ' ? words.space : event.text === '\n' ? words.returnLabel : event.text;
    case 'insert':
      return words.inserted(event.text);
    case 'paste':
      return words.pasted(event.text);
    case 'autofill':
      return words.autofilled(event.text);
    case 'set':
      return words.setTo(event.text || words.nothing);
    case 'select':
      return event.start === event.end
        ? words.caretTo(event.start)
        : words.selectedTo(event.start, event.end);
    case 'answer':
      return words.serverCheckAnswered;
    default:
      return plain[event.type];
  }
}

const plain = {
  focus: words.focus,
  leave: words.blur,
  cut: words.cut,
  undo: words.undo,
  redo: words.redo,
  submit: words.submit,
  reset: words.reset,
  up: '↑',
  down: '↓',
  backspace: words.backspace,
  delete: words.deleteKey,
  'word-backspace': words.word,
  ask: words.serverCheckStarted,
  'ask-again': words.askedAgain,
  invalidate: words.reEvaluated,
  refuse: words.clearedByARule,
} as const;

function notAllowedInWords(text: string): string {
  if (/^\p{L}\p{M}*$/u.test(text)) return words.lettersNotAllowed;
  if (/^\p{N}$/u.test(text)) return words.digitsNotAllowed;
  if (/^\s$/.test(text)) return words.spacesNotAllowed;
  return [...text].length === 1 ? words.characterNotAllowed(text) : words.textNotAllowed;
}

/** Why a key was rejected, as a sentence. */
export function refusalInWords(reason: Reason, event: FieldEvent): string {
  const text = 'text' in event ? event.text : '';
  switch (reason) {
    case 'full':
      return words.theFieldIsFull;
    case 'not-accepted':
      return notAllowedInWords(text);
    case 'out-of-bounds':
      return words.outsideTheAllowedRange;
    case 'too-many-decimals':
      return words.noMoreDecimals;
  }
}
