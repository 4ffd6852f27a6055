import { graphemes } from '@arbeit/engine/values';
import { longText } from '../words/model/shortened.ts';

/** Most characters that are shown, and read aloud, of a text in a sentence. */
const most = 40;

/**
 * A text for a sentence: its beginning and its length if it is long.
 *
 * @example
 * shortened('1'.repeat(1200)); // '1111111111111111111111111111111111111111… (1,200 characters)'
 */
export function shortened(text: string): string {
  // A text without more units has no more characters.
  const characters = text.length > most ? graphemes(text) : [];
  return characters.length > most
    ? longText(characters.slice(0, most).join(''), characters.length.toLocaleString('en-GB'))
    : text;
}
