import { strToU8, type Zippable, zipSync } from 'fflate';
import type { Made } from './made.ts';

/**
 * No file of a hand-off has a time: the same files are the same archive. The first day such an archive can
 * tell (ZIP, MS-DOS time).
 */
const noTime = new Date(1980, 0, 1);

/** The files of a hand-off in one archive, in a folder of the set's name. */
export function zipped(set: string, files: Made['files']): Uint8Array<ArrayBuffer> {
  const entries: Zippable = {};
  for (const [path, text] of files) entries[`${set}/${path}`] = [strToU8(text), { mtime: noTime, level: 9 }];
  return zipSync(entries) as Uint8Array<ArrayBuffer>;
}
