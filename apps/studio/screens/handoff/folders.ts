import type { Made } from './made.ts';

/** A folder of a hand-off and the files in it, subfolders included. */
export interface Folder {
  /** Empty for files outside all folders. */
  readonly folder: string;
  readonly files: readonly { readonly path: string; readonly name: string }[];
  readonly bytes: number;
}

/** Files by their top folder; files outside all folders first. */
export function foldersOf(files: Made['files']): readonly Folder[] {
  const folders = new Map<string, { files: { path: string; name: string }[]; bytes: number }>();
  for (const [path, text] of files) {
    const at = path.indexOf('/');
    const folder = at < 0 ? '' : path.slice(0, at);
    const found = folders.get(folder) ?? { files: [], bytes: 0 };
    found.files.push({ path, name: path.slice(at + 1) });
    found.bytes += text.length;
    folders.set(folder, found);
  }
  return [...folders]
    .map(([folder, found]) => ({ folder, ...found }))
    .sort((a, b) => (a.folder < b.folder ? -1 : 1));
}
