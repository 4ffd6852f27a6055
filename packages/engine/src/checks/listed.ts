/** The first three of a list in words, and how many more. */
export function listed(values: readonly string[]): string {
  const first = values.slice(0, 3).join(', ');
  return values.length > 3 ? `${first} and ${values.length - 3} more` : first;
}
