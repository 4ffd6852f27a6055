import type { Compiler } from '../compiling.ts';

export const required: Compiler<'required'> = { codes: ['required'], isWordedByKinds: true };
