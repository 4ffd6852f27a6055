import type { Compile } from '../compiling.ts';

export const custom: Compile<'custom'> = ({ type, code, with: others = [] }) => ({
  type,
  code,
  with: others,
});
