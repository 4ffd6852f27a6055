/** How an ambiguous paste was read (`TextState.assumed`), in words. */
export function assumedInWords(assumed: string): string {
  const [what, sign] = assumed.split(' ');
  switch (what) {
    case 'group':
      return `“${sign}” as a separator of groups`;
    case 'decimal':
      return `“${sign}” as the decimal point`;
    case 'order':
      return 'a date in another order';
    case 'code':
      return 'a message with one code in it';
    default:
      return assumed;
  }
}
