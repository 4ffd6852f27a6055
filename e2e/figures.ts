/**
 * A text of the studio in which every number of nines stands for any number: for counts that differ from run to
 * run.
 *
 * @example
 * anyNumberFor9(words.trials.allPassedInMs(2, 9)); // /^All 2 passed in \d[\d,]* ms\.$/
 */
export const anyNumberFor9 = (text: string): RegExp =>
  new RegExp(`^${text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&').replace(/\b9[9,]*/g, '\\d[\\d,]*')}$`);
