import type { Compiler } from '../compiling.ts';

export const complete: Compiler<'complete'> = { codes: ['incomplete'], isWordedByKinds: true };
