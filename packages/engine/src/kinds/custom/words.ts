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
  const subject = of === 'value' ? 'value()' : 'shape()';
  switch (what) {
    case 'type':
      return `${subject} returned ${about === 'undefined' ? 'nothing' : `a value of type ${about}`}. Expected ${of === 'value' ? 'a string or null' : 'a string'}.`;
    case 'list':
      return 'shape() returned a list with items that are not strings.';
    case 'pieces':
      return `The typed pieces in the list of shape() give “${about}”, which is not the content.`;
    case 'long':
      return `shape() returned more than ${mostShown} characters.`;
    case 'sign':
      return 'shape() returned a line break or a control character.';
    case 'apart':
      return 'shape() returned decomposed text. Return NFC-normalized text.';
    case 'left-out':
      return `shape() left out “${about}”. Return all typed characters.`;
    case 'order':
      return `shape() changed the order of “${about}”. Keep the typed order.`;
    case 'otherwise': {
      const [was = '', is = ''] = about.split(' ');
      return `shape() changed “${was}” to “${is}”. Convert letters with “Allowed characters”.`;
    }
    case 'empty':
      return 'value() returned an empty string. Return null for “no value”.';
  }
}
