/** How an ambiguous paste was read (`TextState.assumed`), in words. */
export function assumedInWords(assumed: string): string {
  const [what, sign] = assumed.split(' ');
  switch (what) {
    case 'group':
      return `“${sign}” as the thousands separator`;
    case 'decimal':
      return `“${sign}” as the decimal point`;
    case 'order':
      return 'a date in a different order';
    case 'code':
      return 'a message with one code in it';
    default:
      return assumed;
  }
}
