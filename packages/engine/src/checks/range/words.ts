import type { WordsOf } from '../words-of.ts';

export const range: WordsOf<'range'> = {
  /** One a bound, so that each has a message of its own. */
  starts: (limits) =>
    limits
      ? [
          { id: 'least', label: 'Minimum', check: { type: 'range', min: limits.begin }, isApart: true },
          { id: 'most', label: 'Maximum', check: { type: 'range', max: limits.begin } },
          ...(limits.isGood('today-18y') ? [{ id: 'age', label: 'Minimum age', check: { type: 'range', max: 'today-18y' } } as const] : []),
          ...(limits.hasSteps ? [{ id: 'steps', label: 'Step', check: { type: 'range', step: '1' } } as const] : []),
        ]
      : [], // biome-ignore format: one rule a line
  inWords({ min, max, step }, limitInWords, limits) {
    // Messages about dates and times say "from" and "until".
    const isTime = limits !== undefined && (limits.isGood('today') || limits.isGood('09:00'));
    const words: string[] = [];
    if (min !== undefined)
      words.push(isTime ? `on or after ${limitInWords(min)}` : `at least ${limitInWords(min)}`);
    if (max !== undefined) words.push(`${isTime ? 'on or before' : 'at most'} ${limitInWords(max)}`);
    if (step !== undefined) words.push(`in steps of ${limitInWords(step)}`);
    return words.join(', ');
  },
  codeOf: ({ min, max }) => (min !== undefined ? 'below-min' : max !== undefined ? 'above-max' : 'off-step'),
  editor: 'limits',
};
