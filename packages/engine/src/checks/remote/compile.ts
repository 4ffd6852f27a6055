import type { Compile } from '../compiling.ts';
import { patience } from './patience.ts';

export const remote: Compile<'remote'> = ({
  type,
  ask,
  timeout = patience,
  on = 'leave',
  with: others = [],
}) => ({ type, ask, timeout, on, with: others });
