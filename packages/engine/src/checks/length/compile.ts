import type { Compiler } from '../compiling.ts';

export const length: Compiler<'length'> = { codes: ['too-short', 'too-long'], counts: ['min', 'max'] };
