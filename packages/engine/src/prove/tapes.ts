import type { HydratedField } from '../field/kind.ts';
import type { KindTable } from '../kinds/contract/definition.ts';
import type { Action } from '../tape/script.ts';
import { random } from './random.ts';
import { charactersOf, textsFor } from './texts.ts';

/** What random tapes of a field are made of. */
export interface TapeIngredients {
  /** Characters worth typing, and which of them the field accepts. */
  readonly characters: readonly string[];
  readonly own: readonly string[];
  /** Whole texts that mean something to the field. */
  readonly texts: readonly string[];
}

/** The ingredients of tapes for a field: its own characters and texts, and similar ones. */
export function tapeIngredientsOf(field: HydratedField, kinds: KindTable, today: string): TapeIngredients {
  const known = textsFor(field, kinds, today);
  const characters = charactersOf(field, known);
  const texts = [...known.raws, ...known.texts].filter((text) => text.length < 60).slice(0, 60);
  return { characters, own: characters.slice(0, 20), texts };
}

/** Characters that no keyboard should send and some do. */
const odd = [
  'é',
  'ß',
  '٣',
  '７',
  'ｘ',
  '漢',
  '👍🏽',
  '1\u0301',
  '\u0301',
  '\u200d',
  '\ud83d',
  '\0',
  '\r\n',
  '½',
  ' ',
  '’',
];

/**
 * Returns a function that makes a random tape per seed: mostly typing, with some pastes, corrections in the
 * middle, blurs and returns.
 */
export function tapeMakerOf({
  characters,
  own,
  texts,
}: TapeIngredients): (seed: number) => readonly Action[] {
  return (seed) => {
    const { below, pick } = random(seed);
    const character = (): string => pick(below(24) === 0 ? odd : below(6) === 0 ? characters : own);
    const typed = (most: number): string => Array.from({ length: 1 + below(most) }, character).join('');
    // A meaningful text, sometimes with a mistake in it.
    const text = (): string => {
      if (texts.length === 0 || below(3) === 0) return typed(below(6) ? 10 : 60);
      const whole = pick(texts);
      const at = below(whole.length + 1);
      return below(3) ? whole : whole.slice(0, at) + character() + whole.slice(at + below(2));
    };
    const action = (): Action => {
      const of = below(32);
      if (of < 10) return { do: 'type', text: typed(6) };
      if (of < 12) return { do: 'type', text: text() };
      if (of < 15) { const at = below(18); return { do: 'select', start: at, end: at }; }
      if (of < 17) return { do: 'select', start: below(18), end: below(18) };
      if (of < 22) return { do: pick(['backspace', 'delete']), times: 1 + below(3) };
      if (of < 24) return { do: pick(['left', 'right', 'up', 'down']), times: 1 + below(2) };
      if (of < 25) return { do: 'word-backspace', times: 1 };
      if (of < 27) return { do: pick(['paste', 'insert', 'set', 'autofill']), text: text() };
      if (of < 29) return { do: pick(['undo', 'redo', 'cut']) };
      return { do: pick(['home', 'end', 'select-all', 'leave', 'focus', 'submit', 'leave', 'reset']) };
    };
    return Array.from({ length: 20 + below(60) }, action);
  }; // biome-ignore format: an action a line
}
