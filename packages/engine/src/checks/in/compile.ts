import type { Compiler } from '../compiling.ts';

export const among: Compiler<'in'> = { codes: ['not-allowed'] };
