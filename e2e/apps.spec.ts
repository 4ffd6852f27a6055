import { type ChildProcess, spawn, spawnSync } from 'node:child_process';
import { mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import type { SetDocument } from '@arbeit/engine/document';
import { languages } from '@arbeit/engine/rules';
import { type AppName, handOff, sourcesFrom } from '@arbeit/handoff/emit';
import { expect, type Page, test } from '@playwright/test';
import { expectNoViolations } from './axe.ts';
import { until } from './browsers/driven.ts';
import { end, freePort } from './browsers/processes.ts';

/**
 * The applications of a hand-off are built untouched with the public tools, checked by TypeScript as their
 * own settings say, and used: with wrong and with right input, with scripts and without.
 */
const root = fileURLToPath(new URL('..', import.meta.url));
const frameworks = join(root, 'e2e/frameworks');
/** Where the packages of an application are. Angular has its own compiler. */
const packagesOf = (app: AppName): string => (app === 'angular' ? join(root, 'e2e/angular') : frameworks);
const strange = `Who "is" {coming}, <b>when</b> & \`why\` \${1} \\`;
const set = {
  arbeit: 2,
  title: 'Ridge Huts',
  locale: 'en-GB',
  fields: [
    { id: 'pass', kind: 'pattern', label: 'Pass', hint: strange, entry: { pattern: 'RH-<4 digit>', ghost: true }, look: { width: 12, before: '№', icon: '<svg viewBox="0 0 2 2"><circle cx="1" cy="1" r="1"/></svg>' }, rules: [{ id: 'needed', check: { type: 'required' } }, { id: 'known', check: { type: 'remote', ask: '/api/passes' } }] },
    { id: 'hut', kind: 'choice', label: 'Hut', placeholder: 'Which?', entry: { options: [{ value: 'windgap', label: 'Windgap' }, { value: 'two-tarns', label: 'Two Tarns' }] }, rules: [{ id: 'needed', check: { type: 'required' } }] },
    { id: 'meals', kind: 'choice', label: 'Meals', entry: { draw: 'radio', options: [{ value: 'none', label: 'No meals' }, { value: 'half', label: 'Half board' }] }, initial: 'none' },
    { id: 'nights', kind: 'number', label: 'Nights', when: { field: 'meals', is: 'half' } },
    { id: 'extras', kind: 'choices', label: 'Extras', entry: { options: [{ value: 'tea', label: 'Tea' }, { value: 'map', label: 'Map' }] } },
    { id: 'dog', kind: 'yes-no', label: 'A dog?', entry: { draw: 'tick' } },
    { id: 'pin', kind: 'pin', label: 'PIN', entry: { length: 4 } },
    { id: 'price', kind: 'currency', label: 'Price', entry: { currency: 'GBP' } },
    { id: 'arrival', kind: 'date', label: 'Arrival', rules: [{ id: 'soon', check: { type: 'range', min: 'today' }, say: 'This day is over.' }] },
    { id: 'remarks', kind: 'text', label: 'Remarks', entry: { lines: 3, max: 12 } },
  ],
  forms: [
    {
      id: 'booking',
      title: `Booking ${strange}`,
      sections: [
        { title: strange, columns: 2, fields: ['pass', 'hut', 'meals', 'nights'] },
        { fields: ['extras', 'dog', 'pin', 'price', 'arrival', 'remarks'] },
      ],
    },
  ],
} as unknown as SetDocument; // biome-ignore format: a field a line

const values = {
  pass: '1234', hut: 'two-tarns', meals: 'half', nights: '2', extras: ['tea', 'map'].join(' '),
  dog: 'yes', pin: '1357', price: '12.50', arrival: null, remarks: 'By rope.',
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
interface Running {
  readonly address: string;
  readonly folder: string;
  stop(): Promise<void>;
}

const bins = join(frameworks, 'node_modules');
const starts: Readonly<Record<AppName, (port: string) => readonly string[]>> = {
  react: (port) => [
    join(bins, 'vite/bin/vite.js'),
    'preview',
    '--port',
    port,
    '--strictPort',
    '--host',
    '127.0.0.1',
  ],
  vue: (port) => starts.react(port),
  svelte: (port) => starts.react(port),
  next: (port) => [join(bins, 'next/dist/bin/next'), 'start', '-p', port, '-H', '127.0.0.1'],
  angular: () => ['server.mjs'],
  page: () => ['server.mjs'],
};

async function running(app: AppName): Promise<Running> {
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
const wordOf = (key: string): string => String(languages.en?.[key]);
const submit = (page: Page) => page.getByRole('button', { name: wordOf('drawn/submit') }).click();
const shown = async (page: Page) => JSON.parse((await page.locator('output').textContent()) || 'null');
/** Whether the page, and not the browser, has the form. */
const isAlive = (page: Page) =>
  page.waitForFunction(
    () =>
      document.querySelector('form')?.noValidate &&
      (!document.querySelector('arbeit-form') || customElements.get('arbeit-field')),
  );

/** Fills in the form by hand. */
async function fill(page: Page): Promise<void> {
  await page.getByLabel('Pass').pressSequentially('1234');
  await expect(page.getByLabel('Pass')).toHaveValue('RH-1234');
  await page.getByLabel('Hut').selectOption('two-tarns');
  await page.getByLabel('Half board').check();
  await page.getByLabel('Nights').fill('2');
  await page.getByLabel('Tea').check();
  await page.getByLabel('Map').check();
  await page
    .getByRole('checkbox', { name: 'Yes' })
    .or(page.getByRole('checkbox', { name: 'A dog?' }))
    .check();
  await page.getByLabel('PIN').pressSequentially('1357');
  await page.getByLabel('Price').pressSequentially('12.50');
  await page.getByLabel('Remarks').fill('By rope.');
  await page.keyboard.press('Tab');
}

for (const app of ['react', 'vue', 'svelte', 'next', 'angular', 'page'] as const)
  test.describe(`the application ${app}`, () => {
    // One build for all of them.
    test.describe.configure({ mode: 'default' });
    let live: Running;
    test.beforeAll(async () => {
      live = await running(app);
    });
    test.afterAll(() => live?.stop());

    test('holds back what is wrong, and sends what is right as its record', async ({ page }) => {
      const posts: string[] = [];
      const problems: string[] = [];
      page.on('request', (request) => {
        if (request.method() === 'POST' && !request.url().endsWith('/api/passes')) posts.push(request.url());
      });
      page.on('pageerror', (error) => problems.push(String(error)));
      page.on('console', (said) => said.type() === 'error' && problems.push(said.text()));
      await page.goto(live.address);
      await isAlive(page);
      await expect(page.getByText(strange, { exact: true }).first()).toBeVisible();
      await submit(page);
      await expect(page.getByLabel('Pass')).toBeFocused();
      await expect(page.getByText('Please fill in this field.').first()).toBeVisible();
      expect(posts).toEqual([]);
      await expectNoViolations(page);
      await fill(page);
      await submit(page);
      await expect.poll(() => shown(page)).toEqual(values);
      expect([posts.length, new URL(page.url()).search]).toEqual([1, '']);
      // Nothing of a secret, and nothing of a fault, is said aloud.
      expect(problems).toEqual([]);
    });

    test('draws a code as boxes under one input, which a press chooses', async ({ page }) => {
      await page.goto(live.address);
      await isAlive(page);
      const pin = page.getByLabel('PIN');
      await pin.pressSequentially('135');
      const boxes = page.locator('[data-box]');
      await expect(boxes).toHaveText(['•', '•', '•', '']);
      await page.getByRole('button', { name: wordOf('drawn/reveal') }).click();
      await expect(boxes).toHaveText(['1', '3', '5', '']);
      const second = (await boxes.nth(1).boundingBox())!;
      await page.mouse.click(second.x + second.width / 2, second.y + second.height / 2);
      await page.keyboard.press('9');
      await expect(boxes).toHaveText(['1', '9', '5', '']);
      expect(await pin.getAttribute('value')).toBeFalsy();
    });

    test('hides what does not count, and keeps nothing of it', async ({ page }) => {
      await page.goto(live.address);
      await isAlive(page);
      await expect(page.getByLabel('Nights')).toBeHidden();
      await page.getByLabel('Half board').check();
      await expect(page.getByLabel('Nights')).toBeVisible();
      await page.getByLabel('Nights').fill('3');
      await page.getByLabel('No meals').check();
      await expect(page.getByLabel('Nights')).toBeHidden();
    });

    if (app === 'next')
      test('shows at its field what the server finds, and keeps what was typed', async ({ page }) => {
        // To the page it is an earlier day than to the server, so the two disagree about a date.
        const day = new Date(Date.now() - 20 * 86_400_000);
        await page.clock.setFixedTime(day);
        await page.goto(live.address);
        await isAlive(page);
        await fill(page);
        const tomorrow = new Date(day.getTime() + 86_400_000).toLocaleDateString('en-GB');
        await page.getByLabel('Arrival').fill(tomorrow);
        await page.keyboard.press('Tab');
        await submit(page);
        await expect(page.getByText('This day is over.')).toBeVisible();
        await expect(page.getByLabel('Arrival')).toBeFocused();
        // React empties a form whose action is done: what was typed stays.
        await expect(page.getByLabel('Pass')).toHaveValue('RH-1234');
        await expect(page.getByLabel('PIN')).toHaveValue('1357');
        await page.getByLabel('Arrival').fill('');
        await page.keyboard.press('Tab');
        await submit(page);
        await expect.poll(() => shown(page)).toEqual(values);
      });
    else
      test('shows at its field what the server finds, and that it cannot be reached', async ({ page }) => {
        await page.goto(live.address);
        await isAlive(page);
        await fill(page);
        const answers = app === 'page' ? live.address : '**/records';
        await page.route(answers, (route) =>
          route.request().method() === 'POST'
            ? route.fulfill({
                status: 422,
                json: { findings: [{ field: 'pass', code: 'taken', message: 'This pass is taken.' }] },
              })
            : route.fallback(),
        );
        await submit(page);
        await expect(page.getByText('This pass is taken.').first()).toBeVisible();
        await expect(page.getByLabel('Pass')).toHaveValue('RH-1234');
        await expect(page.getByLabel('Pass')).toBeFocused();
        await page.unroute(answers);
        await page.route(answers, (route) =>
          route.request().method() === 'POST' ? route.abort() : route.fallback(),
        );
        await page.getByLabel('Pass').fill('5678');
        await page.keyboard.press('Tab');
        await submit(page);
        await expect(page.getByRole('alert').filter({ hasText: 'Please try again' })).toBeVisible();
        await page.unroute(answers);
        await submit(page);
        await expect.poll(async () => (await shown(page))?.pass).toBe('5678');
      });

    test('without scripts: wrong input is named, right input is taken', async ({ browser }) => {
      const context = await browser.newContext({ javaScriptEnabled: false });
      const page = await context.newPage();
      await page.goto(live.address);
      await page.getByLabel('Pass').fill('RH-12');
      await page.getByLabel('Hut').selectOption('windgap');
      await page.getByLabel('Tea').check();
      await page.getByLabel('PIN').fill('1357');
      await page.getByLabel('Remarks').fill('"</textarea>');
      const isSpa = app !== 'next' && app !== 'page';
      if (isSpa) {
        // The browser itself holds back what its attributes refuse.
        await submit(page);
        expect(page.url()).toBe(live.address);
        const wrong = await page.request.post(new URL('/records', live.address).href, {
          form: { pass: 'RH-12' },
        });
        expect([wrong.status(), await wrong.text()]).toEqual([
          422,
          expect.stringContaining('Please complete this field.'),
        ]);
      } else {
        // Past the browser's own checks, as one without them would send it.
        await page.locator('form').evaluate((form: HTMLFormElement) => {
          form.noValidate = true;
        });
        await submit(page);
        await expect(page.getByText('Please complete this field.')).toBeVisible();
        // What was typed is still there, but for the secret.
        await expect(page.getByLabel('Pass')).toHaveValue(/12$/);
        await expect(page.getByLabel('Hut')).toHaveValue('windgap');
        await expect(page.getByLabel('Tea')).toBeChecked();
        await expect(page.getByLabel('Remarks')).toHaveValue('"</textarea>');
        expect(await page.content()).not.toContain('1357');
      }
      await page.getByLabel('Pass').fill('1234');
      await page.getByLabel('PIN').fill('1357');
      await submit(page);
      const said = isSpa ? await page.locator('body').textContent() : null;
      const record = said ? JSON.parse(said).values : await shown(page);
      expect(record).toMatchObject({ pass: '1234', hut: 'windgap', extras: 'tea', pin: '1357' });
      await context.close();
    });
  });

test('a set without forms has fields to submit into the address, but not a secret', async () => {
  const field = { id: 'pass', kind: 'pattern', label: 'Pass', entry: { pattern: '<4 digit>' } };
  const alone = (fields: readonly object[]) => ({ ...set, fields, forms: [] }) as unknown as SetDocument;
  const sources = sourcesFrom(root);
  const files = await handOff({ set: alone([field]), sources });
  const secret = await handOff({ set: alone([field, set.fields.find(({ id }) => id === 'pin')!]), sources });
  const written = [
    ...['react/src/App.tsx', 'react/index.html', 'next/app/form.tsx', 'vue/src/App.vue'],
    ...['svelte/src/App.svelte', 'page/page.mjs', 'angular/src/index.html'],
  ];
  for (const path of written) {
    const [one, other] = [files, secret].map((all) => all.get(`apps/${path}`)!);
    expect([path, /<form[^>]*method=/.test(one!), one!.includes('<button>')]).toEqual([path, false, true]);
    expect([path, /<form[^>]*method="post"/.test(other!), other!.includes('<button>')]).toEqual([
      path,
      true,
      false,
    ]);
  }
});

test('the versions they name are those they are tested with', async () => {
  const tested = (['react', 'angular'] as const).map(
    (app) => JSON.parse(readFileSync(join(packagesOf(app), 'package.json'), 'utf8')).dependencies,
  );
  const files = await handOff({ set, sources: sourcesFrom(root) });
  for (const [own, isIts] of [
    [tested[0], (path: string) => !path.startsWith('apps/angular/')],
    [tested[1], (path: string) => path.startsWith('apps/angular/')],
  ] as const) {
    const named = [...files]
      .filter(([path]) => /^apps\/\w+\/package\.json$/.test(path) && isIts(path))
      .map(([, text]) => JSON.parse(text));
    const all = Object.assign({}, ...named.flatMap((one) => [one.dependencies, one.devDependencies]));
    expect(all).toEqual(own);
  }
});
