import { most } from '../faults/limits.ts';
import type { List } from '../options/option.ts';

/** The option `with`: other fields whose values are sent along. */
export const withOption = {
  is: 'list',
  label: 'Other fields that go along',
  at: [],
  of: { is: 'text' },
  least: 0,
  most: most.with,
} as const satisfies List;
