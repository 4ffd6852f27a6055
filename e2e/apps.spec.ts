import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { SetDocument } from '@arbeit/engine/document';
import { handOff, sourcesFrom } from '@arbeit/handoff/emit';
import { expect, type Page, test } from '@playwright/test';
import { packagesOf, type Running, root, running, set, strange, values, wordOf } from './applications.ts';
import { expectNoViolations } from './axe.ts';

/**
 * The applications of a hand-off are built untouched with the public tools, checked by TypeScript as their
 * own settings say, and used: with wrong and with right input, with scripts and without.
 */
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
  await page.getByLabel('Hut').selectOption('Two Tarns');
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

// Angular meets the elements, as a page does, and its build takes a minute.
for (const app of ['react', 'vue', 'svelte', 'next', 'angular', 'page'] as const)
  test.describe(`the application ${app}`, { tag: app === 'angular' ? '@long' : [] }, () => {
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

    test('opens a calendar and a list of regions beside their fields, by key', async ({ page }) => {
      await page.goto(live.address);
      await isAlive(page);
      const opener = page.getByRole('button', { name: `${wordOf('drawn/calendar')}: Arrival` });
      await opener.press('Enter');
      const month = page.getByRole('dialog', { name: `${wordOf('drawn/calendar')}: Arrival` });
      const today = new Date();
      const named = (day: Date) => day.toLocaleDateString('en-GB', { dateStyle: 'full' });
      await expect(month.getByRole('button', { name: named(today), exact: true })).toBeFocused();
      await expectNoViolations(page);
      await page.keyboard.press('Escape');
      await expect(month).toHaveCount(0);
      await expect(opener).toBeFocused();
      await page.keyboard.press('Enter');
      await page.keyboard.press('ArrowRight');
      await page.keyboard.press('Enter');
      const arrival = page.getByLabel('Arrival', { exact: true });
      await expect(arrival).toBeFocused();
      const tomorrow = new Date(today.getFullYear(), today.getMonth(), today.getDate() + 1);
      await expect(arrival).toHaveValue(tomorrow.toLocaleDateString('en-GB'));
      await page.getByRole('button', { name: /^GB \+44/ }).click();
      await page.keyboard.type('fran');
      await expectNoViolations(page);
      await page.keyboard.press('Enter');
      await expect(page.getByRole('button', { name: /^FR \+33/ })).toBeVisible();
      await page.keyboard.type('123456789');
      await expect(page.getByLabel('Phone', { exact: true })).toHaveValue('+33 1 23 45 67 89');
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
        await page.getByLabel('Arrival', { exact: true }).fill(tomorrow);
        await page.keyboard.press('Tab');
        await submit(page);
        await expect(page.getByText('This day is over.')).toBeVisible();
        await expect(page.getByLabel('Arrival', { exact: true })).toBeFocused();
        // React empties a form whose action is done: what was typed stays.
        await expect(page.getByLabel('Pass')).toHaveValue('RH-1234');
        await expect(page.getByLabel('PIN')).toHaveValue('1357');
        await page.getByLabel('Arrival', { exact: true }).fill('');
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
      expect(record).toMatchObject({ pass: '1234', 'stay[hut]': 'windgap', '1-extras': 'tea', pin: '1357' });
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
  const tested = (['react', 'angular', 'native'] as const).map(
    (app) => JSON.parse(readFileSync(join(packagesOf(app), 'package.json'), 'utf8')).dependencies,
  );
  const files = await handOff({ set, sources: sourcesFrom(root) });
  for (const [own, isIts] of [
    [tested[0], (path: string) => !/^apps\/(?:angular|native)\//.test(path)],
    [tested[1], (path: string) => path.startsWith('apps/angular/')],
    [tested[2], (path: string) => path.startsWith('apps/native/')],
  ] as const) {
    const named = [...files]
      .filter(([path]) => /^apps\/\w+\/package\.json$/.test(path) && isIts(path))
      .map(([, text]) => JSON.parse(text));
    const all = Object.assign({}, ...named.flatMap((one) => [one.dependencies, one.devDependencies]));
    expect(all).toEqual(own);
  }
});
