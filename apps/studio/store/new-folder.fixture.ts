import { cpSync, existsSync, mkdirSync, mkdtempSync, readFileSync, renameSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { EmbeddedPool } from './embedded.ts';

const modules = fileURLToPath(new URL('../../../node_modules', import.meta.url));
const thread = fileURLToPath(new URL('./pglite-thread.mjs', import.meta.url));

/** A data folder with an empty database: no tables yet, and no demo. One for each version of PGlite. */
async function model(): Promise<string> {
  const manifest = join(modules, '@electric-sql', 'pglite', 'package.json');
  const { version } = JSON.parse(readFileSync(manifest, 'utf8')) as { version: string };
  const place = join(modules, '.cache', `arbeit-empty-${version}`);
  if (existsSync(place)) return place;
  mkdirSync(join(modules, '.cache'), { recursive: true });
  const begun = mkdtempSync(`${place}-`);
  const pool = new EmbeddedPool(begun, thread, () => undefined);
  await pool.open();
  await pool.close();
  try {
    renameSync(begun, place);
  } catch {
    // Another process was first.
    rmSync(begun, { recursive: true });
  }
  return place;
}

/**
 * A new data folder, copied from one that is made once: PGlite takes some seconds for an empty database, and
 * a copy hardly any.
 */
export async function newFolder(place = mkdtempSync(join(tmpdir(), 'arbeit-copy-'))): Promise<string> {
  cpSync(await model(), place, { recursive: true });
  return place;
}
