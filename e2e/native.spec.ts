import { spawnSync } from 'node:child_process';
import { statSync } from 'node:fs';
import { join } from 'node:path';
import { expect, type Page, test } from '@playwright/test';
import { packagesOf, type Running, running, values, wordOf } from './applications.ts';
import { expectNoViolations } from './axe.ts';

/**
 * The application for React Native: in a browser by react-native-web, and with React Native's own components
 * by its renderer for tests. `npm run hard` bundles it for a device too.
 */
test.describe('the application for React Native, in a browser', () => {
  test.describe.configure({ mode: 'default' });
  test.use({ viewport: { width: 400, height: 800 } });
  let live: Running;
  test.beforeAll(async () => {
    live = await running('native');
  });
  test.afterAll(() => live?.stop());

  const line = (page: Page, name: string) => page.getByRole('textbox', { name });
  const submit = (page: Page) => page.getByRole('button', { name: wordOf('drawn/submit') }).click();
  const seen = (page: Page, name: string) =>
    line(page, name).evaluate((input: HTMLInputElement) => [
      input.value,
      input.selectionStart,
      input.selectionEnd,
    ]);
  const shown = async (page: Page) => JSON.parse((await page.getByRole('status').textContent()) || 'null');

  test('is edited in the middle, pasted into, and overtyped', async ({ page }) => {
    await page.goto(live.address);
    const pass = line(page, 'Pass');
    await pass.click();
    await pass.pressSequentially('1234');
    expect(await seen(page, 'Pass')).toEqual(['RH-1234', 7, 7]);
    await page.keyboard.press('ArrowLeft');
    await page.keyboard.press('ArrowLeft');
    await page.keyboard.press('Backspace');
    expect(await seen(page, 'Pass')).toEqual(['RH-134', 4, 4]);
    await page.keyboard.press('9');
    await page.keyboard.press('x');
    expect(await seen(page, 'Pass')).toEqual(['RH-1934', 5, 5]);
    await page.keyboard.press('Control+A');
    await page.keyboard.press('5');
    expect(await seen(page, 'Pass')).toEqual(['RH-5', 4, 4]);
    await page.evaluate(() => navigator.clipboard.writeText('RH 56 78'));
    await page.keyboard.press('Control+A');
    await page.keyboard.press('Control+V');
    expect(await seen(page, 'Pass')).toEqual(['RH-5678', 7, 7]);
    const price = line(page, 'Price');
    await price.click();
    await price.pressSequentially('1234567.5');
    expect(await price.inputValue()).toBe('£1,234,567.5');
    for (let i = 0; i < 6; i++) await page.keyboard.press('ArrowLeft');
    await page.keyboard.press('Backspace');
    expect(await price.inputValue()).toBe('£123,567.5');
  });

  test('holds back what is wrong, and sends what is right as its record', async ({ page }) => {
    const posts: string[] = [];
    const problems: string[] = [];
    page.on('request', (request) => {
      if (request.method() === 'POST' && request.url().endsWith('/records')) posts.push(request.url());
    });
    page.on('pageerror', (error) => problems.push(String(error)));
    page.on('console', (said) => said.type() === 'error' && problems.push(said.text()));
    await page.goto(live.address);
    await submit(page);
    await expect(line(page, 'Pass')).toBeFocused();
    await expect(page.getByText('Please fill in this field.').first()).toBeVisible();
    expect(posts).toEqual([]);
    await expectNoViolations(page);
    await page.keyboard.type('1234');
    await page.getByRole('radio', { name: 'Two Tarns' }).click();
    await page.getByRole('radio', { name: 'Half board' }).click();
    await line(page, 'Nights').fill('2');
    await page.getByRole('checkbox', { name: 'Tea' }).press('Enter');
    await page.getByRole('checkbox', { name: 'Map' }).click();
    await page.getByRole('checkbox', { name: 'Yes' }).click();
    await line(page, 'PIN').pressSequentially('1357');
    await line(page, 'Price').fill('12.50');
    await line(page, 'Remarks').fill('By rope.');
    await submit(page);
    await expect.poll(() => shown(page)).toEqual(values);
    expect([posts.length, problems]).toEqual([1, []]);
  });

  test('draws a code as boxes over one input, which a press chooses', async ({ page }) => {
    await page.goto(live.address);
    await line(page, 'PIN').focus();
    await page.keyboard.type('135');
    await expect(page.getByText('•', { exact: true })).toHaveCount(3);
    await page.getByRole('button', { name: wordOf('drawn/reveal') }).click();
    await page.getByText('3', { exact: true }).click();
    await page.keyboard.type('9');
    await expect(page.getByText('9', { exact: true })).toBeVisible();
    expect(await line(page, 'PIN').inputValue()).toBe('195');
  });

  test('opens a calendar and a list of regions below their fields', async ({ page }) => {
    await page.goto(live.address);
    const opener = page.getByRole('button', { name: `${wordOf('drawn/calendar')}: Arrival` });
    await opener.press('Enter');
    const today = new Date();
    const named = (day: Date) => day.toLocaleDateString('en-GB', { dateStyle: 'full' });
    const next = new Date(today.getFullYear(), today.getMonth() + 1, 14);
    const before = new Date(today.getFullYear(), today.getMonth(), today.getDate() - 1);
    await expect(page.getByRole('radio', { name: named(today), exact: true })).toBeVisible();
    await expectNoViolations(page);
    const month = (day: Date) => day.toLocaleDateString('en-GB', { month: 'long', year: 'numeric' });
    if (before.getMonth() !== today.getMonth())
      await page.getByRole('button', { name: month(before) }).click();
    await page.getByRole('radio', { name: `${named(before)}. This day is over.` }).click();
    await expect(page.getByText('This day is over.', { exact: true })).toBeVisible();
    if (before.getMonth() !== today.getMonth())
      await page.getByRole('button', { name: month(today) }).click();
    await page.getByRole('button', { name: month(next) }).press('Enter');
    await page.getByRole('radio', { name: named(next), exact: true }).press('Enter');
    await expect(line(page, 'Arrival')).toHaveValue(next.toLocaleDateString('en-GB'));
    await expect(opener).toBeFocused();
    await page.getByRole('button', { name: /^GB \+44/ }).click();
    await page.getByRole('textbox', { name: wordOf('drawn/region-search') }).fill('fran');
    await expectNoViolations(page);
    await page.getByRole('radio', { name: 'France +33' }).click();
    await expect(page.getByRole('button', { name: /^FR \+33/ })).toBeFocused();
    await line(page, 'Phone').pressSequentially('123456789');
    await expect(line(page, 'Phone')).toHaveValue('+33 1 23 45 67 89');
  });

  test('hides what does not count', async ({ page }) => {
    await page.goto(live.address);
    await expect(line(page, 'Nights')).toHaveCount(0);
    await page.getByRole('radio', { name: 'Half board' }).click();
    await expect(line(page, 'Nights')).toBeVisible();
  });

  test('shows at its field what the server finds, and that it cannot be reached', async ({ page }) => {
    await page.goto(live.address);
    await page.getByRole('radio', { name: 'Two Tarns' }).click();
    await line(page, 'Pass').pressSequentially('1234');
    await page.route('**/records', (route) =>
      route.fulfill({
        status: 422,
        json: { findings: [{ field: 'pass', code: 'taken', message: 'This pass is taken.' }] },
      }),
    );
    await submit(page);
    await expect(page.getByText('This pass is taken.')).toBeVisible();
    await expect(line(page, 'Pass')).toBeFocused();
    await page.unroute('**/records');
    await page.route('**/records', (route) => route.abort());
    await page.keyboard.press('Control+A');
    await page.keyboard.type('5678');
    await submit(page);
    await expect(page.getByRole('alert').filter({ hasText: 'Please try again' })).toBeVisible();
    await page.unroute('**/records');
    await submit(page);
    await expect.poll(async () => (await shown(page))?.pass).toBe('5678');
  });

  test('works with the components of React Native, in its renderer for tests', { tag: '@long' }, () => {
    const done = spawnSync(process.execPath, ['node_modules/jest/bin/jest.js', '--ci'], {
      cwd: packagesOf('native'),
      encoding: 'utf8',
      // React has what its tests need only outside of production.
      env: { ...process.env, FORCE_COLOR: '0', NODE_ENV: 'test' },
    });
    expect(done.stderr).toMatch(/Tests: +(\d+) passed, \1 total/);
    expect(done.status).toBe(0);
  });

  // `npm run hard` sets it: bundling takes a minute.
  if (process.env.ARBEIT_DEVICE)
    test('is bundled for a device, and compiled by its engine', { tag: '@long' }, () => {
      const folder = packagesOf('native');
      const run = (command: string, ...args: readonly string[]) => {
        const done = spawnSync(join(folder, 'node_modules', command), args, {
          cwd: folder,
          encoding: 'utf8',
        });
        expect(done.status, done.stdout + done.stderr).toBe(0);
      };
      const bundle = join(live.folder, 'dist/android.js');
      run(
        '.bin/metro',
        'build',
        join(live.folder, 'index.js'),
        '--platform',
        'android',
        '--dev',
        'false',
        '--out',
        bundle,
      );
      run(
        'hermes-compiler/hermesc/linux64-bin/hermesc',
        '-w',
        '-emit-binary',
        '-out',
        `${bundle}.hbc`,
        bundle,
      );
      expect(statSync(`${bundle}.hbc`).size).toBeGreaterThan(500_000);
    });
});
