import { spawn } from 'node:child_process';
import { mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { chromium, otherBrowsers } from './chromium.mjs';
import { install } from './install.mjs';
import { postgres } from './postgres.mjs';
import { scratchInMemory } from './scratch.mjs';
import { buildStudio, root } from './studio.mjs';

// Everything that must hold, in the order of what is cheapest to know. Ends with the count of all tests.
install();
scratchInMemory();
const results = join(root, 'test-results');
rmSync(results, { recursive: true, force: true });
mkdirSync(results);
let passed = 0;
let failed = 0;
/** What failed, told once more at the end: whoever keeps but the end of this output has to see it. */
const faults = [];
/** How much of what a step said is told there, in lines: runners end with what failed. */
const most = 80;
const endOf = (text) => text.trimEnd().split('\n').slice(-most).join('\n');

/** Runs a command, its output passed on as it comes; `said` is its end. */
const run = async (name, command, args, env = {}) => {
  process.stdout.write(`\n── ${name}\n`);
  const from = Date.now();
  const child = spawn(command, args, {
    cwd: root,
    stdio: ['ignore', 'pipe', 'pipe'],
    env: { ...process.env, ...env },
  });
  let said = '';
  for (const stream of [child.stdout, child.stderr])
    stream.setEncoding('utf8').on('data', (piece) => {
      process.stdout.write(piece);
      said = (said + piece).slice(-100_000);
    });
  const status = await new Promise((resolve) => child.on('close', resolve));
  process.stdout.write(
    `   ${name}: ${status === 0 ? 'good' : 'FAILED'}, ${((Date.now() - from) / 1000).toFixed(1)} s\n`,
  );
  return { isGood: status === 0, said };
};
/**
 * Checks that are one thing each to pass or fail, side by side: each leaves a core idle now and then. What
 * they say comes one after the other.
 */
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
          else {
            failed++;
            faults.push({ name, text: endOf(String(Buffer.concat(said))) });
          }
          resolve();
        });
      }),
  );
  await Promise.all(done);
};
/**
 * A test run that counts its own tests, in a JUnit file. One that ends badly without a failed test counts as
 * one.
 */
const count = (what, file, { isGood, said }) => {
  let xml = '';
  try {
    xml = readFileSync(file, 'utf8');
  } catch {
    // Then it ended before it began to count, and is told as one fault.
  }
  const [head = ''] = /<testsuites[^>]*>/.exec(xml) ?? [];
  const numberOf = (name) => Number(new RegExp(`\\b${name}="(\\d+)"`).exec(head)?.[1] ?? 0);
  const bad = numberOf('failures') + numberOf('errors');
  passed += numberOf('tests') - bad;
  failed += isGood && head ? bad : Math.max(1, bad);
  if (!isGood || !head || bad > 0) faults.push({ name: what, text: endOf(said) });
};

await checks(
  ['lint', 'npx', ['biome', 'check', '.']],
  ['types', 'node', ['scripts/types.mjs']],
  ['API pages and exports', 'node', ['scripts/api.mjs', '--check']],
  ['packages of frameworks', 'node', ['scripts/frameworks.mjs']],
);
// Pages are driven by the command line’s own tests as well.
const ARBEIT_CHROMIUM = chromium();
otherBrowsers();
postgres();
const unit = join(results, 'unit.xml');
count(
  'unit tests',
  unit,
  await run(
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
    'browser tests',
    join(results, 'e2e.xml'),
    await run('browser tests', 'npx', ['playwright', 'test', '-c', 'e2e/playwright.config.ts'], {
      ARBEIT_CHROMIUM,
    }),
  );
} else {
  failed++;
  faults.push({ name: 'build', text: 'Studio build failed; see above.' });
}

for (const { name, text } of faults) process.stdout.write(`\nFAILED  ${name}\n${text}\n`);
process.stdout.write(`\n${passed} passed, ${failed} failed\n`);
process.exit(failed === 0 && passed > 0 ? 0 : 1);
