'use client';

import { Month as Bare, type Field } from '@arbeit/react';

const classNames = {
  root: 'w-80 max-w-full',
  head: 'flex items-baseline justify-between gap-2',
  turn: 'word-button',
  name: 'flex gap-1 font-semibold',
  said: 'sr-only',
  table: 'mt-2 w-full text-center',
  names: 'caption',
  heading: 'font-normal [&_abbr]:no-underline',
  week: 'caption border-r pr-1 font-normal',
  cell: 'p-0',
  day: 'value w-full py-1 data-wrong:text-line data-wrong:line-through not-data-wrong:hover:bg-wash data-outside:opacity-60 aria-pressed:bg-oxide aria-pressed:text-on-oxide aria-[current=date]:underline',
  problem: 'min-h-10 pt-1 text-sm text-brick',
};

/** The month itself, in the studio's classNames. */
export const Month = (props: {
  readonly field: Field;
  readonly today: string | undefined;
  readonly onPick: (date: string) => void;
}) => <Bare {...props} classNames={classNames} />;
