import { most } from '../faults/limits.ts';
import type { List } from '../options/option.ts';

/** The other fields that go along with a question. */
export const withOption = {
  is: 'list',
  label: 'Other fields that go along',
  at: [],
  of: { is: 'text' },
  least: 0,
  most: most.with,
} as const satisfies List;
