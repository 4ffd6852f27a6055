import type { Compiler } from '../compiling.ts';

export const custom: Compiler<'custom'> = {
  codes: ['check-broken', 'incomplete', 'no-match'],
  compile: ({ type, code, with: others = [] }) => ({ type, code, with: others }),
  reads: (check) => check.with,
};
