import { cpSync, mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { EmbeddedPool } from './embedded.ts';

const thread = fileURLToPath(new URL('./pglite-thread.mjs', import.meta.url));

/** A data folder with an empty database: no tables yet, and no demo. */
async function made(): Promise<string> {
  const place = mkdtempSync(join(tmpdir(), 'arbeit-new-'));
  const pool = new EmbeddedPool(place, thread, () => undefined);
  await pool.open();
  await pool.close();
  return place;
}

let model: Promise<string> | undefined;

/**
 * A new data folder, copied from one that is made once per file: PGlite takes some seconds for an empty
 * database, and a copy hardly any.
 */
export async function newFolder(): Promise<string> {
  model ??= made();
  const place = mkdtempSync(join(tmpdir(), 'arbeit-copy-'));
  cpSync(await model, place, { recursive: true });
  return place;
}
