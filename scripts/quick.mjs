import { spawn, spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { root } from './packages.mjs';

// Types, and the unit tests of what was changed since the last commit, with few cases a property: for between
// two edits. It says nothing about pages, and
// nothing about what `npm test` adds.
if (!existsSync(join(root, 'node_modules'))) {
  process.stderr.write('Run "npm install" first.\n');
  process.exit(1);
}
const git = (...args) => spawnSync('git', args, { cwd: root, encoding: 'utf8' }).stdout.split('\n');
const changed = [
  ...git('diff', '--name-only', 'HEAD'),
  ...git('ls-files', '--others', '--exclude-standard'),
].filter((path) => /\.(?:tsx?|json)$/.test(path) && existsSync(join(root, path)));
const run = (command, args, env = {}) =>
  new Promise((resolve) => {
    const child = spawn(command, args, { cwd: root, stdio: 'inherit', env: { ...process.env, ...env } });
    child.on('close', (status) => resolve(status === 0));
  });

/** Tests beside what was changed: those of its folder, and for the engine the laws of all kinds. */
const laws = 'packages/engine/src/prove/kinds.laws.test.ts';
const folders = [...new Set(changed.map((path) => path.slice(0, path.lastIndexOf('/'))))].filter((path) =>
  /^(?:packages|apps|scripts)/.test(path),
);
const steps = [run('node', ['scripts/types.mjs'])];
if (changed.some((path) => path.startsWith('packages/engine/'))) folders.push(laws);
if (folders.length > 0)
  steps.push(run('npx', ['vitest', 'run', '--passWithNoTests', ...folders], { ARBEIT_RUNS: '20' }));
else process.stdout.write('No source was changed since the last commit: types alone.\n');
const passed = await Promise.all(steps);
process.exit(passed.every(Boolean) ? 0 : 1);
