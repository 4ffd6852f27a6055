import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { buildPackages } from './packages.mjs';

// Each room against what it may use (engine: no DOM, no Node), then everything with its tests.
const root = fileURLToPath(new URL('..', import.meta.url));
// The rooms above meet the packages as they are built, as a stranger would.
const tsc = join(root, 'node_modules', '.bin', 'tsc');
let failed = !buildPackages();
for (const project of [
  'engine',
  'dom',
  'react',
  'element',
  'vue',
  'svelte',
  'handoff',
  'cli',
  'studio',
  '.',
]) {
  const { status } = spawnSync(tsc, ['-p', project], { cwd: root, stdio: 'inherit' });
  if (status !== 0) failed = true;
}
process.exit(failed ? 1 : 0);
