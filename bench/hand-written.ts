/**
 * The usual hand-written phone formatter: strip with a regular expression, slice, rebuild with template
 * strings.
 */
export function byHand(text: string): string {
  const digits = text.replace(/\D/g, '').slice(0, 10);
  if (digits.length === 0) return '';
  if (digits.length <= 3) return `(${digits}`;
  if (digits.length <= 6) return `(${digits.slice(0, 3)}) ${digits.slice(3)}`;
  return `(${digits.slice(0, 3)}) ${digits.slice(3, 6)}-${digits.slice(6)}`;
}

/** The same way for longer patterns: groups of three with spaces between. */
export function byHandInGroups(text: string, cells: number): string {
  const digits = text.replace(/\D/g, '').slice(0, cells);
  const groups: string[] = [];
  for (let i = 0; i < digits.length; i += 3) groups.push(digits.slice(i, i + 3));
  return groups.join(' ');
}
