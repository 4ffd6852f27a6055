import type { ShapeProblem } from './body.ts';
import { mostShown } from './placed.ts';

/**
 * A problem of a custom format as a sentence for its developer. No page carries this text.
 *
 * @example
 * const sentence = (problem: ShapeProblem) => shapeWords(problem);
 */
export function shapeWords({ of, what, about }: ShapeProblem): string {
  if (of === 'run') return about;
  const subject = of === 'value' ? 'Its “value”' : 'It';
  switch (what) {
    case 'type':
      return `${subject} answered ${about === 'undefined' ? 'nothing' : `a ${about}`}: expected ${of === 'value' ? 'a text, or null' : 'the text to show'}.`;
    case 'list':
      return 'It answered a list of something else than texts.';
    case 'pieces':
      return `The user’s pieces of its list come to “${about}”, which is not the content.`;
    case 'long':
      return `It answered more than ${mostShown} characters.`;
    case 'sign':
      return 'It answered a line break or another sign no line can show.';
    case 'apart':
      return 'It answered letters and accents apart: a text is shown composed (NFC).';
    case 'left-out':
      return `It left “${about}” out.`;
    case 'order':
      return `It put “${about}” in another order.`;
    case 'otherwise': {
      const [was = '', is = ''] = about.split(' ');
      return `It showed “${was}” as “${is}”: letters are shown as they are taken, which “Takes” decides.`;
    }
    case 'empty':
      return 'Its “value” answered an empty text: what is no value is null.';
  }
}
