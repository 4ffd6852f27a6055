import type { Compiler } from '../compiling.ts';
import { patience } from './patience.ts';

export const remote: Compiler<'remote'> = {
  codes: ['unreachable', 'not-allowed'],
  compile: ({ type, ask, timeout = patience, on = 'leave', with: others = [] }) => ({
    type,
    ask,
    timeout,
    on,
    with: others,
  }),
  reads: (check) => check.with,
};
