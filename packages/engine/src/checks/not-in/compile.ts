import type { Compiler } from '../compiling.ts';

export const notAmong: Compiler<'not-in'> = { codes: ['not-allowed'] };
