import { type ChildProcess, spawn, spawnSync } from 'node:child_process';
import { mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import type { SetDocument } from '@arbeit/engine/document';
import { languages } from '@arbeit/engine/rules';
import { type AppName, handOff, sourcesFrom } from '@arbeit/handoff/emit';
import { expect } from '@playwright/test';
import { until } from './browsers/driven.ts';
import { end, freePort } from './browsers/processes.ts';

export const root = fileURLToPath(new URL('..', import.meta.url));
const frameworks = join(root, 'e2e/frameworks');
/** Where the packages of an application are. Angular has its own compiler, React Native its own React. */
export const packagesOf = (app: AppName): string =>
  app === 'angular' || app === 'native' ? join(root, 'e2e', app) : frameworks;
/** A text with everything that means something in a template. */
export const strange = `Who "is" {coming}, <b>when</b> & \`why\` \${1} \\`;
/**
 * A name of a field with what means something in a template, a selector or a string; without quotes and
 * backslashes, which forms change in uploads (HTML, multipart/form-data).
 */
const strangeName = `It's the {price} <i>, & [\`\${1}\`]`;
/** What the applications show. */
export const set = {
  arbeit: 2,
  title: 'Ridge Huts',
  locale: 'en-GB',
  fields: [
    { id: 'pass', kind: 'pattern', label: 'Pass', hint: strange, entry: { pattern: 'RH-<4 digit>', ghost: true }, look: { width: 12, before: '№', icon: '<svg viewBox="0 0 2 2"><circle cx="1" cy="1" r="1"/></svg>' }, rules: [{ id: 'needed', check: { type: 'required' } }, { id: 'known', check: { type: 'remote', ask: '/api/passes' } }] },
    { id: 'hut', name: 'stay[hut]', kind: 'choice', label: 'Hut', placeholder: 'Which?', entry: { options: [{ value: 'windgap', label: 'Windgap' }, { value: 'Two Tarns', label: 'Two Tarns' }] }, rules: [{ id: 'needed', check: { type: 'required' } }] },
    { id: 'meals', kind: 'choice', label: 'Meals', entry: { draw: 'radio', options: [{ value: 'none', label: 'No meals' }, { value: 'half board', label: 'Half board' }] }, initial: 'none' },
    { id: 'nights', kind: 'number', label: 'Nights', when: { field: 'meals', is: 'half board' } },
    { id: 'extras', name: '1-extras', kind: 'choices', label: 'Extras', entry: { options: [{ value: 'tea', label: 'Tea' }, { value: 'hut map', label: 'Map' }] } },
    { id: 'dog', kind: 'yes-no', label: 'A dog?', entry: { draw: 'tick' } },
    { id: 'pin', kind: 'pin', label: 'PIN', entry: { length: 4 } },
    { id: 'price', name: strangeName, kind: 'currency', label: 'Price', entry: { currency: 'GBP' } },
    { id: 'arrival', kind: 'date', label: 'Arrival', rules: [{ id: 'soon', check: { type: 'range', min: 'today' }, say: 'This day is over.' }] },
    { id: 'phone', kind: 'phone', label: 'Phone', entry: { home: 'GB', regions: ['GB', 'FR', 'CH'] } },
    { id: 'remarks', kind: 'text', label: 'Remarks', entry: { lines: 3, max: 12 } },
  ],
  forms: [
    {
      id: 'booking',
      title: `Booking ${strange}`,
      sections: [
        { title: strange, columns: 2, fields: ['pass', 'hut', 'meals', 'nights'] },
        { fields: ['extras', 'dog', 'pin', 'price', 'arrival', 'phone', 'remarks'] },
      ],
    },
  ],
} as unknown as SetDocument; // biome-ignore format: a field a line

/** The values of a record of that form. */
export const values = {
  pass: '1234', 'stay[hut]': 'Two Tarns', meals: 'half board', nights: '2', '1-extras': ['tea', 'hut map'].join('\n'),
  dog: 'yes', pin: '1357', [strangeName]: '12.50', arrival: null, phone: null, remarks: 'By rope.',
}; // biome-ignore format: a list

/** Writes the hand-off where the packages of the frameworks are found from. */
async function written(app: AppName, of: SetDocument): Promise<string> {
  const folder = join(packagesOf(app), 'made', `huts-${app}`);
  rmSync(folder, { recursive: true, force: true });
  for (const [path, text] of await handOff({ set: of, sources: sourcesFrom(root) })) {
    mkdirSync(dirname(join(folder, path)), { recursive: true });
    writeFileSync(join(folder, path), text);
  }
  return folder;
}

/** Runs a script of an application as its README says. */
function npmRun(folder: string, script: string): void {
  const done = spawnSync('npm', ['run', script], {
    cwd: folder,
    encoding: 'utf8',
    env: { ...process.env, NEXT_TELEMETRY_DISABLED: '1' },
  });
  expect(done.status, done.stdout + done.stderr).toBe(0);
}

/** An application that is running. */
export interface Running {
  readonly address: string;
  readonly folder: string;
  stop(): Promise<void>;
}

const bins = join(frameworks, 'node_modules');
const preview = (bins: string, port: string): readonly string[] => [
  join(bins, 'vite/bin/vite.js'),
  'preview',
  '--port',
  port,
  '--strictPort',
  '--host',
  '127.0.0.1',
];
const starts: Readonly<Record<AppName, (port: string) => readonly string[]>> = {
  react: (port) => preview(bins, port),
  native: (port) => preview(join(packagesOf('native'), 'node_modules'), port),
  vue: (port) => starts.react(port),
  svelte: (port) => starts.react(port),
  next: (port) => [join(bins, 'next/dist/bin/next'), 'start', '-p', port, '-H', '127.0.0.1'],
  angular: () => ['server.mjs'],
  page: () => ['server.mjs'],
};

export async function running(app: AppName): Promise<Running> {
  spawnSync(process.execPath, [join(root, 'scripts/frameworks.mjs')], { stdio: 'inherit' });
  const made = await written(app, set);
  const folder = join(made, 'apps', app);
  const before = readFileSync(join(folder, 'package.json'), 'utf8');
  if (app !== 'page') npmRun(folder, 'build');
  // The tools did not change the handed-off files.
  expect(readFileSync(join(folder, 'package.json'), 'utf8')).toBe(before);
  const port = String(await freePort());
  const address = `http://127.0.0.1:${port}/`;
  const server: ChildProcess = spawn(process.execPath, [...starts[app](port)], {
    cwd: folder,
    env: { ...process.env, PORT: port },
    stdio: 'ignore',
  });
  await until(() =>
    fetch(address).then(
      (response) => response.ok || undefined,
      () => undefined,
    ),
  );
  return {
    address,
    folder,
    async stop() {
      await end(server);
      rmSync(made, { recursive: true, force: true });
    },
  };
}

/** A text that components draw, in the language of the set. */
export const wordOf = (key: string): string => String(languages.en?.[key]);
