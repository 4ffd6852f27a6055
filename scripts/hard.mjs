import { spawnSync } from 'node:child_process';
import { parseArgs } from 'node:util';
import { chromium } from './chromium.mjs';
import { install } from './install.mjs';
import { postgres } from './postgres.mjs';
import { buildStudio, root } from './studio.mjs';

// What `npm test` does small, large: npm run hard -- --requests 3000 --kills 20 --rounds 100 --storms 2000 --seed 7. Twelve storms took 19 seconds on two cores.
const { values } = parseArgs({
  options: {
    requests: { type: 'string', default: '3000' },
    kills: { type: 'string', default: '20' },
    rounds: { type: 'string', default: '100' },
    storms: { type: 'string', default: '2000' },
    seed: { type: 'string', default: String(Math.floor(Math.random() * 1e9)) },
  },
});
install();
postgres();
if (!buildStudio()) process.exit(1);
process.stdout.write(`seed ${values.seed}\n`);
const env = {
  ...process.env,
  ARBEIT_CHROMIUM: chromium(),
  ARBEIT_HOSTILE: values.requests,
  ARBEIT_KILLS: values.kills,
  ARBEIT_ROUNDS: values.rounds,
  ARBEIT_STORMS: values.storms,
  ARBEIT_SEED: values.seed,
};
const run = (...args) => spawnSync('npx', args, { cwd: root, stdio: 'inherit', env }).status === 0;
const store = run(
  'vitest',
  'run',
  'studio/store/lock.test.ts',
  'studio/store/storm.test.ts',
  '-t',
  'six processes|storm',
  '--testTimeout',
  '3600000',
);
const server = run(
  'playwright',
  'test',
  '-c',
  'e2e/playwright.config.ts',
  'kills.spec',
  'server.spec',
  '-g',
  'killed|hostile',
);
process.exit(store && server ? 0 : 1);
