import { spawnSync } from 'node:child_process';
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
/** A check that is one thing to pass or fail. */
const check = (...step) => {
  if (run(...step)) passed++;
  else failed++;
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

check('lint', 'npx', ['biome', 'check', '.']);
check('types', 'node', ['scripts/types.mjs']);
check('API pages', 'node', ['scripts/api.mjs']);
const unit = join(results, 'unit.xml');
count(
  unit,
  run('unit tests', 'npx', [
    'vitest',
    'run',
    '--reporter=default',
    '--reporter=junit',
    `--outputFile.junit=${unit}`,
  ]),
);
process.stdout.write('\n── build\n');
if (buildStudio()) {
  passed++;
  const ARBEIT_CHROMIUM = chromium();
  count(
    join(results, 'e2e.xml'),
    run('browser tests', 'npx', ['playwright', 'test', '-c', 'e2e/playwright.config.ts'], {
      ARBEIT_CHROMIUM,
    }),
  );
} else failed++;

process.stdout.write(`\n${passed} passed, ${failed} failed\n`);
process.exit(failed === 0 && passed > 0 ? 0 : 1);
