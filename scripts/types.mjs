import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { buildPackages, folderOf, packages, root } from './packages.mjs';
import { studio } from './studio.mjs';

// Each room against what it may use (engine: no DOM, no Node), then everything with its tests.
// The rooms above meet the packages as they are built, as a stranger would.
const tsc = join(root, 'node_modules', '.bin', 'tsc');
let failed = !buildPackages();
const folders = packages.filter((room) => room !== 'sandbox').map(folderOf);
for (const project of [...folders, studio, '.']) {
  const { status } = spawnSync(tsc, ['-p', project], { cwd: root, stdio: 'inherit' });
  if (status !== 0) failed = true;
}
process.exit(failed ? 1 : 0);
