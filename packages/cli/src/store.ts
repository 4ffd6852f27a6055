import { resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import type { Output } from './report.ts';

/** Where a store is: on a server, by its address, or in a data folder. */
interface Where {
  readonly url: string | undefined;
  readonly folder: string;
  readonly root: string;
}

/** The functions of `apps/studio/store/command.ts`. Each resolves to what went wrong. */
interface StoreCommands {
  backup(file: string, where: Where): Promise<string | undefined>;
  restore(
    file: string,
    where: Where,
    replaces: boolean,
    tell: (line: string) => void,
  ): Promise<string | undefined>;
}

/** The module beside the bundled command line. */
const commands = (): Promise<StoreCommands> => import(new URL('./store.js', import.meta.url).href);

/** The root of the project, two folders above the bundled command line. */
const root = (): string => fileURLToPath(new URL('../..', import.meta.url));

/** The store that is meant: `--data`, otherwise the studio's own. */
const whereIs = (data: string | undefined): Where => {
  const folder = data ?? process.env.ARBEIT_DATA ?? resolve(root(), '.data');
  return { url: data === undefined ? process.env.DATABASE_URL : undefined, folder, root: root() };
};

function told(problem: string | undefined, output: Output): number {
  if (problem === undefined) return 0;
  output.err(problem);
  return 2;
}

/**
 * `arbeit backup`. Writes the whole store to a file. Exit code 0, or 2 if the store does not open or the file
 * cannot be written.
 */
export async function backupStore(file: string, data: string | undefined, output: Output): Promise<number> {
  const { backup } = await commands();
  const problem = await backup(file, whereIs(data));
  if (problem === undefined) output.out(`${file} written.`);
  return told(problem, output);
}

/**
 * `arbeit restore`. Restores a backup. Exit code 0, or 2 if the file is no complete backup or the store has
 * sets that may not be replaced.
 */
export async function restoreStore(
  file: string,
  data: string | undefined,
  replaces: boolean,
  output: Output,
): Promise<number> {
  const { restore } = await commands();
  return told(await restore(file, whereIs(data), replaces, output.out), output);
}
