import { type Said, say } from '@arbeit/engine/faults';
import { cliTexts } from './words.ts';

/** Where output goes: the streams of the process, or a test's. */
export interface Output {
  /** Writes a line to standard output. */
  out(line: string): void;
  /** Writes a line to standard error. */
  err(line: string): void;
}

/**
 * An error as the command line prints it: where it is (a file with line and column, or nothing), what is
 * wrong, and its code in brackets, by which `docs/errors.md` lists it.
 */
const errorLine = (where: string, { code, message }: Said): string =>
  `${where}${where ? ': ' : ''}${message.replace(/(?=\n)|$/, ` [${code}]`)}`;

/** Writes an error to standard error. */
export const report = (output: Output, where: string, said: Said): void => output.err(errorLine(where, said));

/** Reports that a file or folder cannot be written. */
export const reportUnwritten = (output: Output, path: string, error: unknown): void =>
  report(
    output,
    path,
    say(cliTexts, 'cannot-write', { reason: String((error as NodeJS.ErrnoException).code) }),
  );

/** What an exception says; `misuse` gives it a code. */
export const saidOf = (error: Error & { readonly code?: string }): Said => ({
  code: error.code ?? 'failed',
  message: error.message,
});
