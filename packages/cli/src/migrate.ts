import { writeFileSync } from 'node:fs';
import { documentVersion } from '@arbeit/engine/document';
import { migratedText } from '@arbeit/handoff';
import { load, loadDocument } from './files.ts';
import { type Output, reportUnwritten } from './report.ts';

/**
 * `arbeit migrate`. Writes each document in the current version into its own file; with `check` it writes
 * nothing. Returns the exit code: 0 all have the current version, 1 (only with `check`) one has an older
 * version, 2 a file cannot be read or written.
 */
export function migrateDocuments(
  paths: readonly string[],
  { check, output }: { readonly check: boolean; readonly output: Output },
): number {
  let code = 0;
  const failed = (next: number): void => {
    code = Math.max(code, next);
  };
  for (const path of paths) {
    const text = load(path, output);
    // A document with faults stays unchanged, because its meaning is uncertain.
    if (text === undefined || !loadDocument(path, output)) {
      failed(2);
      continue;
    }
    const next = migratedText(text);
    if (next === text) output.out(`${path}: has version ${documentVersion} already`);
    else if (check) {
      output.out(`${path}: has an older version`);
      failed(1);
    } else
      try {
        writeFileSync(path, next);
        output.out(`${path}: version ${documentVersion}`);
      } catch (error) {
        reportUnwritten(output, path, error);
        failed(2);
      }
  }
  return code;
}
