import { spawnSync } from 'node:child_process';
import { fileURLToPath } from 'node:url';

// Each room against what it may use (engine: no DOM, no Node), then everything with its tests.
const root = fileURLToPath(new URL('..', import.meta.url));
let failed = false;
for (const project of ['engine', 'dom', 'react', 'cli', 'studio', '.']) {
  const { status } = spawnSync('npx', ['tsc', '-p', project], { cwd: root, stdio: 'inherit' });
  if (status !== 0) failed = true;
}
process.exit(failed ? 1 : 0);
