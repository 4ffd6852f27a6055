'use client';

/** What a raw value means where a part of the pattern can be ended early. */
const lossWords = {
  'as-needed': 'The raw value includes the fixed text, because this pattern has parts of variable length.',
  text: '',
  content:
    'Warning: this pattern has parts of variable length, so the typed characters alone are ambiguous. Use raw value “with fixed text” to keep it reversible.',
  compact:
    'A part of this pattern can be ended early, and without separators nothing tells where: with fixed text, raw brings the text back.',
} as const;

/** What a raw value means for a pattern with a part that can be ended early. */
export const Loss = ({ raw }: { readonly raw: 'content' | 'text' | 'compact' | undefined }) => (
  <p className="text-sm">{lossWords[raw ?? 'as-needed']}</p>
);

/** The notation on a few lines, as help while typing it. */
export function PatternHelp({ classes }: { readonly classes: readonly string[] }) {
  const lines: readonly (readonly [written: string, means: string])[] = [
    ['<3 digit>', 'three digits; also letter (any script), latin (A–Z), alnum (letter or digit), any'],
    ['<2-4 digit>', 'two digits, up to four'],
    ['<2 latin upper>', '2 letters, converted to upper case (or: lower)'],
    ['<2 "0-9A-F">', 'only these characters'],
    ['<00..23>', 'a number within bounds'],
    ['<AM|PM>', 'one of these words'],
    ['<? ext. <1-5 digit>>', 'optional group: appears when typed into'],
    ['<<', 'a less-than sign; everything else outside of < > is fixed text'],
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
          <dd className="text-faint">classes of this set</dd>
        </div>
      )}
    </dl>
  );
}
