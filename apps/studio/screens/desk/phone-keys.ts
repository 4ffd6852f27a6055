import * as words from '../../words/desk/phone-keys.ts';

/**
 * One key of a drawn phone keyboard: its label, and what it types; `backspace` and idle keys type nothing.
 */
export interface PhoneKey {
  readonly shows: string;
  readonly types?: string;
  readonly does?: 'backspace';
  /** Its width in ordinary keys. */
  readonly wide?: number;
}

const keys = (characters: string): PhoneKey[] => [...characters].map((c) => ({ shows: c, types: c }));
const back: PhoneKey = { shows: '⌫', does: 'backspace', wide: 1.5 };
const space: PhoneKey = { shows: words.space, types: ' ', wide: 5 };

const pad = (corner: PhoneKey): PhoneKey[][] => [
  keys('123'),
  keys('456'),
  keys('789'),
  [corner, { shows: '0', types: '0' }, { shows: '⌫', does: 'backspace' }],
];

const letters = (last: readonly PhoneKey[]): PhoneKey[][] => [
  keys('qwertyuiop'),
  keys('asdfghjkl'),
  [{ shows: '⇧', wide: 1.5 }, ...keys('zxcvbnm'), back],
  [...last],
];

/**
 * The keyboard that a phone shows for an `inputmode` (HTML Living Standard, 6.8.7), as rows of keys. `null`
 * for `none`: the page has its own.
 */
export function phoneKeys(inputmode: string): PhoneKey[][] | null {
  switch (inputmode) {
    case 'none':
      return null;
    case 'numeric':
      return pad({ shows: '' });
    case 'tel':
      return pad({ shows: '+*#', types: '+' });
    case 'decimal':
      return pad({ shows: '.', types: '.' });
    case 'email':
      return letters([
        { shows: '123', wide: 1.5 },
        { shows: '@', types: '@' },
        { ...space, wide: 3.5 },
        { shows: '.', types: '.' },
        { shows: words.returnLabel, wide: 2 },
      ]);
    case 'url':
      return letters([
        { shows: '123', wide: 1.5 },
        { shows: '/', types: '/' },
        { shows: '.', types: '.', wide: 3.5 },
        { shows: '.com', wide: 1.5 },
        { shows: words.go, wide: 2 },
      ]);
    case 'search':
      return letters([{ shows: '123', wide: 1.5 }, space, { shows: words.search, wide: 2.5 }]);
    default:
      return letters([{ shows: '123', wide: 1.5 }, space, { shows: words.returnLabel, wide: 2.5 }]);
  }
}
