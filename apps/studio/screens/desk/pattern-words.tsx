'use client';

import * as words from '../../words/desk/pattern-words.ts';

/** What a raw value means where a part of the pattern can be ended early. */
const lossWords = {
  'as-needed': words.theRawValueIncludesThe,
  text: '',
  content: words.warningOf,
  compact: words.aPartOfThisPattern,
} as const;

/** What a raw value means for a pattern with a part that can be ended early. */
export const Loss = ({ raw }: { readonly raw: 'content' | 'text' | 'compact' | undefined }) => (
  <p className="text-sm">{lossWords[raw ?? 'as-needed']}</p>
);

/** The notation on a few lines, as help while typing it. */
export function PatternHelp({ classes }: { readonly classes: readonly string[] }) {
  const lines: readonly (readonly [written: string, means: string])[] = [
    ['<3 digit>', words.threeDigits],
    ['<2-4 digit>', words.twoDigitsUpToFour],
    ['<2 latin upper>', words.twoLettersInUpperCase],
    ['<2 "0-9A-F">', words.onlyTheseCharacters],
    ['<00..23>', words.aNumberWithinBounds],
    ['<AM|PM>', words.oneOfTheseWords],
    ['<? ext. <1-5 digit>>', words.optionalGroup],
    ['<<', words.aLessThanSign],
  ];
  return (
    <dl className="grid grid-cols-[auto_1fr] gap-x-4">
      {lines.map(([written, means]) => (
        <div key={written} className="contents">
          <dt className="value whitespace-nowrap">{written}</dt>
          <dd className="text-faint">{means}</dd>
        </div>
      ))}
      {classes.length > 0 && (
        <div className="contents">
          <dt className="value">{classes.map((name) => `<${name}>`).join(' ')}</dt>
          <dd className="text-faint">{words.classesOfThisSet}</dd>
        </div>
      )}
    </dl>
  );
}
