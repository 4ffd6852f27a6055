/** An expression that may match anywhere, as one that must match the whole text. */
export interface Whole {
  readonly expression: string;
  /** Whether it does not ask for anything before or after. */
  readonly isAnywhere: boolean;
}

const anything = '[\\s\\S]*';

/**
 * A pattern of JSON Schema, which matches anywhere (2020-12, "pattern"), as one that matches the whole text:
 * `^` and `$` at the ends of its alternatives tell where each must begin and end.
 */
export function wholeOf(pattern: string): Whole {
  const ways = alternativesOf(pattern).map((way) => {
    const begins = way.startsWith('^');
    const ends = /(?:^|[^\\])(?:\\\\)*\$$/.test(way);
    const inside = way.slice(begins ? 1 : 0, ends ? -1 : undefined);
    return { text: `${begins ? '' : anything}${inside}${ends ? '' : anything}`, isWhole: begins && ends };
  });
  const [only] = ways;
  return {
    expression: ways.length === 1 ? (only?.text ?? '') : `(?:${ways.map(({ text }) => text).join('|')})`,
    isAnywhere: ways.some(({ isWhole }) => !isWhole),
  };
}

/** The alternatives of an expression outside of groups. */
function alternativesOf(pattern: string): readonly string[] {
  const ways = [''];
  let depth = 0;
  for (const [piece] of pattern.matchAll(/\\[\s\S]|\[(?:\\[\s\S]|[^\]\\])*\]|[\s\S]/g)) {
    if (piece === '(') depth++;
    else if (piece === ')') depth--;
    if (piece === '|' && depth === 0) ways.push('');
    else ways[ways.length - 1] += piece;
  }
  return ways;
}
