import * as words from '../words/model/assumed.ts';

/** How an ambiguous paste was read (`TextState.assumed`), in words. */
export function assumedInWords(assumed: string): string {
  const [what, sign] = assumed.split(' ');
  switch (what) {
    case 'group':
      return words.asTheThousandsSeparator(sign);
    case 'decimal':
      return words.asTheDecimalPoint(sign);
    case 'order':
      return words.aDateInADifferent;
    case 'code':
      return words.aMessageWithOneCode;
    default:
      return assumed;
  }
}
