import type { Compiler } from '../compiling.ts';

export const checksum: Compiler<'checksum'> = { codes: ['bad-checksum'] };
