import type { Compiler } from '../compiling.ts';

export const notTrivial: Compiler<'not-trivial'> = { codes: ['trivial'] };
