import { strToU8, type Zippable, zipSync } from 'fflate';
import type { Made } from './made.ts';

/**
 * The time of all files in the archive, so that the same files give the same archive: the first day a ZIP
 * file can hold (MS-DOS time).
 */
const noTime = new Date(1980, 0, 1);

/** The files of a hand-off as one archive, in a folder named after the set. */
export function zipped(set: string, files: Made['files']): Uint8Array<ArrayBuffer> {
  const entries: Zippable = {};
  for (const [path, text] of files) entries[`${set}/${path}`] = [strToU8(text), { mtime: noTime, level: 9 }];
  return zipSync(entries) as Uint8Array<ArrayBuffer>;
}
