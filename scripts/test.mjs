import { spawn, spawnSync } from 'node:child_process';
import { mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { chromium } from './chromium.mjs';
import { install } from './install.mjs';
import { buildStudio, root } from './studio.mjs';

// Everything that must hold, in the order of what is cheapest to know. Ends with the count of all tests.
install();
const results = join(root, 'test-results');
rmSync(results, { recursive: true, force: true });
mkdirSync(results);
let passed = 0;
let failed = 0;

const run = (name, command, args, env = {}) => {
  process.stdout.write(`\n── ${name}\n`);
  const from = Date.now();
  const { status } = spawnSync(command, args, {
    cwd: root,
    stdio: 'inherit',
    env: { ...process.env, ...env },
  });
  process.stdout.write(
    `   ${name}: ${status === 0 ? 'good' : 'FAILED'}, ${((Date.now() - from) / 1000).toFixed(1)} s\n`,
  );
  return status === 0;
};
/** Checks that are one thing each to pass or fail, side by side: each leaves a core idle now and then. What they say comes one after the other. */
const checks = async (...steps) => {
  const from = Date.now();
  const done = steps.map(
    ([name, command, args]) =>
      new Promise((resolve) => {
        const said = [];
        const child = spawn(command, args, { cwd: root, stdio: ['ignore', 'pipe', 'pipe'] });
        for (const stream of [child.stdout, child.stderr]) stream.on('data', (piece) => said.push(piece));
        child.on('close', (status) => {
          process.stdout.write(`\n── ${name}\n${Buffer.concat(said)}`);
          process.stdout.write(
            `   ${name}: ${status === 0 ? 'good' : 'FAILED'}, after ${((Date.now() - from) / 1000).toFixed(1)} s\n`,
          );
          if (status === 0) passed++;
          else failed++;
          resolve();
        });
      }),
  );
  await Promise.all(done);
};
/** A test run that counts its own tests, in a JUnit file. One that ends badly without a failed test counts as one. */
const count = (file, isGood) => {
  let bad = 0;
  try {
    const [, tests = '0'] = /<testsuites[^>]*\btests="(\d+)"/.exec(readFileSync(file, 'utf8')) ?? [];
    const [, failures = '0'] = /<testsuites[^>]*\bfailures="(\d+)"/.exec(readFileSync(file, 'utf8')) ?? [];
    const [, errors = '0'] = /<testsuites[^>]*\berrors="(\d+)"/.exec(readFileSync(file, 'utf8')) ?? [];
    bad = Number(failures) + Number(errors);
    passed += Number(tests) - bad;
  } catch {
    bad = 1;
  }
  failed += isGood ? bad : Math.max(1, bad);
};

await checks(
  ['lint', 'npx', ['biome', 'check', '.']],
  ['types', 'node', ['scripts/types.mjs']],
  ['API pages', 'node', ['scripts/api.mjs']],
);
// Pages are driven by the command line’s own tests as well.
const ARBEIT_CHROMIUM = chromium();
const unit = join(results, 'unit.xml');
count(
  unit,
  run(
    'unit tests',
    'npx',
    ['vitest', 'run', '--reporter=default', '--reporter=junit', `--outputFile.junit=${unit}`],
    { ARBEIT_CHROMIUM },
  ),
);
process.stdout.write('\n── build\n');
if (buildStudio()) {
  passed++;
  count(
    join(results, 'e2e.xml'),
    run('browser tests', 'npx', ['playwright', 'test', '-c', 'e2e/playwright.config.ts'], {
      ARBEIT_CHROMIUM,
    }),
  );
} else failed++;

process.stdout.write(`\n${passed} passed, ${failed} failed\n`);
process.exit(failed === 0 && passed > 0 ? 0 : 1);
