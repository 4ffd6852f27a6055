import { spawnSync } from 'node:child_process';
import { parseArgs } from 'node:util';
import { chromium, otherBrowsers } from './chromium.mjs';
import { install } from './install.mjs';
import { postgres } from './postgres.mjs';
import { buildStudio, root } from './studio.mjs';

// Runs for a long time what `npm test` runs for a short time:
// npm run hard -- --requests 3000 --kills 20 --rounds 100 --minutes 60 --seed 7
const { values } = parseArgs({
  options: {
    requests: { type: 'string', default: '3000' },
    kills: { type: 'string', default: '20' },
    rounds: { type: 'string', default: '100' },
    // Random tapes for each adapter of a hand-off.
    tapes: { type: 'string', default: '200' },
    // Minutes of storms over the store. The last storm ends a little later.
    minutes: { type: 'string', default: '60' },
    seed: { type: 'string', default: String(Math.floor(Math.random() * 1e9)) },
  },
});
install();
postgres();
otherBrowsers();
if (!buildStudio()) process.exit(1);
process.stdout.write(`seed ${values.seed}\n`);
const env = {
  ...process.env,
  ARBEIT_CHROMIUM: chromium(),
  ARBEIT_HOSTILE: values.requests,
  ARBEIT_KILLS: values.kills,
  ARBEIT_ROUNDS: values.rounds,
  ARBEIT_SEED: values.seed,
  ARBEIT_TAPES: values.tapes,
  ARBEIT_PATTERNS: '200',
  ARBEIT_LONG: '1',
};
const run = (args, more = {}) =>
  spawnSync('npx', args, { cwd: root, stdio: 'inherit', env: { ...env, ...more } }).status === 0;
const vitest = (file, more) => run(['vitest', 'run', file, '--testTimeout', '3600000'], more);

/**
 * Runs storms with one seed after the other until the time is over or one fails. Returns whether all passed.
 */
function storms(minutes, seed) {
  const until = Date.now() + minutes * 60_000;
  for (let next = seed; Date.now() < until; next++) {
    process.stdout.write(`storms: seed ${next}\n`);
    if (!vitest('apps/studio/store/storm.long.test.ts', { ARBEIT_SEED: String(next), ARBEIT_STORMS: '20' }))
      return false;
  }
  return true;
}

const passed = [
  spawnSync('node', ['scripts/frameworks.mjs'], {
    cwd: root,
    stdio: 'inherit',
    env,
  }).status === 0,
  vitest('apps/studio/store/lock.test.ts'),
  vitest('apps/studio/store/autosaves.long.test.ts', { ARBEIT_AUTOSAVES: '1000' }),
  vitest('apps/studio/store/sql-domains.test.ts', { ARBEIT_SQL_VALUES: '50000' }),
  // All unit tests, with all locales.
  run(['vitest', 'run']),
  vitest('packages/engine/src/prove', { ARBEIT_RUNS: '2000' }),
  vitest('packages/handoff/src/emit/native.laws.test.ts', { ARBEIT_RUNS: '300' }),
  vitest('packages/handoff/src/emit/tree-shake.laws.test.ts', { ARBEIT_RUNS: '40' }),
  vitest('packages/engine/src/prove/typed-and-pasted.test.ts', { ARBEIT_LONGEST_TEXT: '7' }),
  vitest('packages/engine/src/prove/audit.test.ts', { ARBEIT_EVENTS: '1000000' }),
  storms(Number(values.minutes), Number(values.seed)),
  run(['playwright', 'test', '-c', 'e2e/playwright.config.ts'], { ARBEIT_DEVICE: '1' }),
];
process.exit(passed.every(Boolean) ? 0 : 1);
