/**
 * A text of the studio in which every number of nines stands for any number, and every asterisk for any text:
 * for what differs from run to run.
 *
 * @example
 * withAny(words.trials.allPassedInMs(2, 9)); // /^All 2 passed in \d[\d,]* ms\.$/
 */
export const withAny = (text: string): RegExp =>
  new RegExp(
    `^${text
      .replace(/[.+?^${}()|[\]\\]/g, '\\$&')
      .replaceAll('*', '.*')
      .replace(/\b9[9,]*/g, '\\d[\\d,]*')}$`,
  );
