import { spawnSync } from 'node:child_process';
import { existsSync, readdirSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const root = fileURLToPath(new URL('..', import.meta.url));
export const studio = join(root, 'studio');

const rooms = ['engine', 'dom', 'react', 'studio'];
const left = new Set(['node_modules', '.next', 'dist']);

function newest(folder) {
  let latest = 0;
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    if (left.has(entry.name) || entry.name === 'next-env.d.ts' || entry.name.includes('.test.')) continue;
    const path = join(folder, entry.name);
    latest = Math.max(latest, entry.isDirectory() ? newest(path) : statSync(path).mtimeMs);
  }
  return latest;
}

/** Builds the studio where it was not, or its sources are newer. Returns whether there is a build now. */
export function buildStudio() {
  const stamp = join(studio, '.next', 'BUILD_ID');
  const sources = Math.max(
    ...rooms.map((room) => newest(join(root, room))),
    statSync(join(root, 'package-lock.json')).mtimeMs,
  );
  if (existsSync(stamp) && statSync(stamp).mtimeMs > sources) return true;
  const env = { ...process.env, NEXT_TELEMETRY_DISABLED: '1' };
  return spawnSync('npx', ['next', 'build'], { cwd: studio, stdio: ['ignore', 2, 2], env }).status === 0;
}
