import { spawnSync } from 'node:child_process';
import { parseArgs } from 'node:util';
import { chromium } from './chromium.mjs';
import { install } from './install.mjs';
import { buildStudio, root } from './studio.mjs';

// Real keys at random in Chromium against the engine: npm run keys -- --events 20000 --seed 7
const { values } = parseArgs({
  options: {
    events: { type: 'string', default: '20000' },
    seed: { type: 'string', default: String(Math.floor(Math.random() * 1e9)) },
  },
});
install();
if (!buildStudio()) process.exit(1);
process.stdout.write(`${values.events} keys, seed ${values.seed}\n`);
const { status } = spawnSync('npx', ['playwright', 'test', '-c', 'e2e/playwright.config.ts', 'keys.spec'], {
  cwd: root,
  stdio: 'inherit',
  env: {
    ...process.env,
    ARBEIT_CHROMIUM: chromium(),
    ARBEIT_KEYS: values.events,
    ARBEIT_SEED: values.seed,
  },
});
process.exit(status ?? 1);
