import { mkdtempSync } from 'node:fs';
import { availableParallelism, tmpdir } from 'node:os';
import { join } from 'node:path';
import { defineConfig } from '@playwright/test';
import { chromiumFlags } from './chromium.ts';

// Workers load this file as well and must see the same folder.
process.env.ARBEIT_E2E_DATA ??= mkdtempSync(join(tmpdir(), 'arbeit-e2e-'));

const port = Number(process.env.ARBEIT_E2E_PORT ?? 4319);

export default defineConfig({
  testDir: '.',
  // What a first visit weighs is measured on a store as it is after the first start, before other tests put
  // sets on its shelf.
  projects: [
    { name: 'first visit', testMatch: 'weight.spec.ts' },
    { name: 'all', testMatch: '*.spec.ts', testIgnore: 'weight.spec.ts', dependencies: ['first visit'] },
  ],
  // `npm run hard` runs the long ones as well.
  ...(process.env.ARBEIT_LONG ? {} : { grepInvert: /@long/ }),
  fullyParallel: true,
  // Half as many again as there are cores: a test waits half as much as it works, for a server, a frame, a
  // save.
  workers: Math.ceil(1.5 * availableParallelism()),
  retries: 0,
  // Bounds for a hang, not measures of speed: a slow machine fails nothing.
  timeout: 900_000,
  expect: { timeout: 120_000 },
  reporter: [['list'], ['junit', { outputFile: '../test-results/e2e.xml' }]],
  outputDir: '../test-results/e2e',
  use: {
    baseURL: `http://localhost:${port}`,
    viewport: { width: 1280, height: 800 },
    permissions: ['clipboard-read', 'clipboard-write'],
    launchOptions: {
      executablePath: process.env.ARBEIT_CHROMIUM ?? '/usr/bin/chromium',
      args: [...chromiumFlags],
    },
  },
  webServer: {
    command: `npx next start -p ${port} -H 127.0.0.1 --keepAliveTimeout 120000`,
    cwd: '../apps/studio',
    port,
    reuseExistingServer: false,
    env: { ARBEIT_DATA: process.env.ARBEIT_E2E_DATA },
  },
});
