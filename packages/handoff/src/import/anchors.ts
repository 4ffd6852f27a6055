/** What an expression that may match anywhere comes to as one that has to match as a whole. */
export interface Whole {
  readonly expression: string;
  /** It asks nothing of what stands before or behind. */
  readonly isAnywhere: boolean;
}

const anything = '[\\s\\S]*';

/**
 * An expression as JSON Schema reads it, which matches anywhere in a text (2020-12, "pattern"), as one that matches the whole: of each of its
 * alternatives `^` and `$` at its ends tell where it has to begin and end.
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

/** The alternatives of an expression that are in no group. */
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
