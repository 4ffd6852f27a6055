import { execFileSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { expect, type Page } from '@playwright/test';
import { unzipSync } from 'fflate';
import * as texts from '../apps/studio/words/index.ts';
import { test } from './alive.ts';
import { expectNoViolations } from './axe.ts';

const path = '/sets/ridge-huts/hand-off';
/** Nothing is on its way any more. */
const isMade = (page: Page) => expect(page.getByText(/files, built with version/)).toBeVisible();

/** The contents are folded until somebody changes them. */
const openContents = (page: Page) =>
  page.getByRole('button', { name: texts.ui.closeChange(false, texts.handoff.theContents) }).press('Enter');

test('what goes along is chosen, weighed, written, seen at work and taken home', async ({ page }) => {
  await page.goto(path);
  await isMade(page);
  await openContents(page);
  await expect(page.getByText('arbeit build ridge-huts.arbeit.json', { exact: true })).toBeVisible();
  // A form's fields go with it, the others as they are chosen.
  await expect(page.getByLabel('Guest’s mobile number')).toBeDisabled();
  await page
    .getByRole('group', { name: texts.handoff.forms })
    .getByLabel('Booking', { exact: true })
    .uncheck();
  await page
    .getByRole('group', { name: texts.handoff.forLabel, exact: true })
    .getByLabel(texts.handoff.vue)
    .uncheck();
  await isMade(page);
  await page.getByRole('button', { name: texts.handoff.selectNone }).click();
  await isMade(page);
  const files = page.getByRole('navigation', { name: texts.handoff.filesOfTheHandOff });
  await expect(files.getByRole('button', { name: 'change.schema.json', exact: true })).toBeVisible();
  await expect(files.getByRole('button', { name: 'booking.schema.json' })).toHaveCount(0);
  await expect(files.getByRole('button', { name: 'vue.js' })).toHaveCount(0);
  await files.getByRole('button', { name: 'fields.d.ts' }).click();
  await expect(page.getByRole('region', { name: 'fields.d.ts' })).toContainText(
    'export type ChangeRecord = {',
  );
  await page.getByRole('button', { name: texts.handoff.copyWithLabel('fields.d.ts') }).click();
  expect(await page.evaluate(() => navigator.clipboard.readText())).toContain('export type ChangeRecord = {');

  // A weight is the sum of what it is made of, as near as shares can be told.
  await page.getByRole('radio', { name: texts.handoff.theServer }).check();
  const shares = await page.locator('.hand-off-inks .value').allTextContents();
  const told = (text: string) => (text.endsWith('kB') ? 1000 : 1) * Number.parseFloat(text);
  const whole = told(
    (await page.getByRole('row', { name: texts.handoff.theServer }).locator('.value').textContent())!,
  );
  const sum = shares.reduce((all, one) => all + told(one), 0);
  expect(Math.abs(sum - whole)).toBeLessThan(60 * shares.length);

  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: texts.later.downloadZip }).click(),
  ]);
  expect(download.suggestedFilename()).toBe('ridge-huts-hand-off.zip');
  const folder = mkdtempSync(join(tmpdir(), 'arbeit-zip-'));
  for (const [name, bytes] of Object.entries(unzipSync(readFileSync(await download.path())))) {
    mkdirSync(dirname(join(folder, name)), { recursive: true });
    writeFileSync(join(folder, name), bytes);
  }
  writeFileSync(
    join(folder, 'run.mjs'),
    "import { check } from './ridge-huts/server.js'; process.stdout.write(String((await check({ mobile: '07700900123' }, { today: '2027-02-10' })).ok));",
  );
  expect(execFileSync(process.execPath, ['run.mjs'], { cwd: folder, encoding: 'utf8' })).toBe('false');
  rmSync(folder, { recursive: true });
});

test('each snippet is at work beside it, and reaches nothing around it', { tag: '@long' }, async ({
  page,
}) => {
  const refused: string[] = [];
  page.on('pageerror', (error) => refused.push(error.message));
  await page.goto(path);
  const frame = page.frameLocator('iframe');
  const { customElements, plainJavascript, react, vue, svelte } = texts.handoff;
  for (const name of [customElements, plainJavascript, react, vue, svelte]) {
    await page
      .getByRole('radiogroup', { name: texts.handoff.framework })
      .getByLabel(name, { exact: true })
      .check();
    const input = frame.getByLabel('Guest’s mobile number');
    await input.click();
    await page.keyboard.type('0770090');
    await expect(input, name).toHaveValue('07700 90');
    await page.keyboard.press('Backspace');
    await expect(input, name).toHaveValue('07700 9');
    await expect(page.getByText(texts.later.livePreview)).toBeVisible();
    if (name === plainJavascript) continue;
    // What the desk shows beside a line stands beside it here, and is tied to it.
    await page.keyboard.press('Tab');
    await expect(input, name).toHaveAccessibleDescription(/^We only call if the weather turns\..*\S/);
    if (name !== react) continue;
    // What does not count in the form is not seen.
    await expect(frame.getByLabel('The dog’s name')).toBeHidden();
    await frame.getByLabel('Yes, a dog').focus();
    await page.keyboard.press('Space');
    await expect(frame.getByLabel('The dog’s name')).toBeVisible();
    // A button to pick stands right before its words, a line keeps inside of its frame.
    const button = await frame.getByLabel('Yes, a dog').boundingBox();
    const words = await frame.getByText('Yes, a dog').boundingBox();
    expect(words!.x - button!.x - button!.width).toBeLessThan(20);
    expect(Math.abs(words!.y - button!.y)).toBeLessThan(12);
    expect(await input.evaluate((one: HTMLElement) => [one.offsetWidth <= one.parentElement!.offsetWidth, document.documentElement.scrollWidth <= innerWidth])).toEqual([true, true]); // biome-ignore format: one measure
  }
  expect(refused).toEqual([]);
  const reached = await page
    .locator('iframe')
    .evaluate((element: HTMLIFrameElement) => element.contentDocument);
  expect(reached).toBeNull();
  const inside = await (await page.locator('iframe').elementHandle())!.contentFrame();
  expect(
    await inside!.evaluate(async () => [
      origin,
      await fetch('/api/sets').then(() => 'reached', () => 'refused'),
      (() => { try { return String(parent.document); } catch { return 'refused'; } })(),
      (() => { try { return String(localStorage); } catch { return 'refused'; } })(),
    ]),
  ).toEqual(['null', 'refused', 'refused', 'refused']); // biome-ignore format: a way out a line
});

test('a snippet the server could not build is said so, and tried again', { tag: '@long' }, async ({
  page,
}) => {
  let isBroken = true;
  await page.route('**/hand-off/live?*', (route) =>
    isBroken ? route.fulfill({ status: 500, json: { error: 'broken' } }) : route.continue(),
  );
  await page.goto(path);
  await expect(page.getByText('Preview failed: unexpected response from the server')).toBeVisible();
  await expect(page.locator('iframe')).toHaveCount(0);
  isBroken = false;
  await page.getByRole('button', { name: texts.shared.tryAgain }).click();
  await expect(page.getByText(texts.later.livePreview)).toBeVisible();
  await expect(page.frameLocator('iframe').getByLabel('Guest’s mobile number')).toBeVisible();
});

test('it can be stopped and made again; a server that is gone is told; nothing chosen is told', {
  tag: '@long',
}, async ({ page }) => {
  let go = (): void => {};
  const held = new Promise<void>((resolve) => {
    go = resolve;
  });
  await page.route('**/api/sets/*/hand-off', async (route) => {
    await held;
    await route.continue().catch(() => {});
  });
  await page.goto(path);
  await expect(page.getByRole('progressbar', { name: texts.handoff.madeSoFar })).toBeVisible();
  await page.getByRole('button', { name: texts.later.stop }).click();
  await expect(page.getByText(texts.later.stopped)).toBeVisible();
  go();
  await page.getByRole('button', { name: texts.handoff.rebuild }).click();
  await isMade(page);
  await page.unroute('**/api/sets/*/hand-off');
  await page.route('**/api/sets/*/hand-off', (route) => route.abort());
  await openContents(page);
  await page.getByRole('group', { name: texts.handoff.fields }).getByLabel('Meals').uncheck();
  await expect(page.getByText(texts.handoff.noResponseFromTheServerTry)).toBeVisible();
  // What was made before stays to be seen.
  await expect(page.getByRole('navigation', { name: texts.handoff.filesOfTheHandOff })).toBeVisible();
  for (const form of ['Booking', 'Change of booking'])
    await page.getByRole('group', { name: texts.handoff.forms }).getByLabel(form, { exact: true }).uncheck();
  await page.getByRole('button', { name: texts.handoff.selectAll }).click();
  await page.getByRole('button', { name: texts.handoff.selectNone }).click();
  await expect(page.getByText(texts.handoff.selectAtLeastOneField)).toBeVisible();
});

test('from the desk to the hand-off and along it by key alone', { tag: '@long' }, async ({ page }) => {
  await page.goto('/sets/ridge-huts/fields/member');
  await page
    .getByRole('navigation', { name: texts.set.setPages })
    .getByRole('link', { name: texts.shared.handOff })
    .press('Enter');
  await isMade(page);
  await openContents(page);
  await page
    .getByRole('group', { name: texts.handoff.forLabel, exact: true })
    .getByLabel(texts.handoff.svelte)
    .focus();
  await page.keyboard.press('Space');
  await isMade(page);
  await expect(
    page.getByRole('radiogroup', { name: texts.handoff.framework }).getByLabel(texts.handoff.svelte),
  ).toHaveCount(0);
  await page.getByRole('radiogroup', { name: texts.handoff.framework }).getByLabel('Element').focus();
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('region', { name: 'Plain JavaScript, with your own input' })).toContainText(
    "from './dom.js'",
  );
});

test('code, result and download are there before sizes are known; the command follows the choice', {
  tag: '@long',
}, async ({ page }) => {
  // The sizes do not arrive.
  await page.route('**/api/sets/*/hand-off', async (route) => {
    const answer = await route.fetch();
    const lines = (await answer.text()).trimEnd().split('\n');
    expect(JSON.parse(lines.at(-1)!)).toHaveProperty('weights');
    const made = lines.findIndex((line) => line.startsWith('{"made"'));
    await route.fulfill({ response: answer, body: `${lines.slice(0, made + 1).join('\n')}\n` });
  });
  await page.goto(path);
  await expect(page.getByRole('region', { name: texts.handoff.howItIsUsed })).toBeVisible();
  await expect(page.getByRole('button', { name: texts.later.downloadZip })).toBeEnabled();
  await expect(page.getByRole('region', { name: texts.handoff.whatItWeighs })).toHaveCount(0);
  await page.unroute('**/api/sets/*/hand-off');
  await openContents(page);
  await page.getByRole('group', { name: texts.handoff.languages }).getByLabel('German').check();
  await isMade(page);
  await page.getByRole('button', { name: texts.handoff.copyCommand }).click();
  expect(await page.evaluate(() => navigator.clipboard.readText())).toBe(
    'arbeit build ridge-huts.arbeit.json --language de',
  );
  const files = page.getByRole('navigation', { name: texts.handoff.filesOfTheHandOff });
  await expect(files.getByRole('button', { name: 'de.js', exact: true })).toBeAttached();
  await page
    .getByRole('group', { name: texts.handoff.forms })
    .getByLabel('Booking', { exact: true })
    .uncheck();
  await page.getByRole('group', { name: texts.handoff.fields }).getByLabel('Deposit').uncheck();
  await expect(page.getByText(texts.handoff.noCommand)).toBeVisible();
});

for (const sheet of ['light', 'dark'] as const)
  test(`axe finds nothing on the hand-off, ${sheet} sheet`, { tag: '@long' }, async ({ page }) => {
    await page.emulateMedia({ colorScheme: sheet });
    await page.goto(path);
    await isMade(page);
    await expect(page.frameLocator('iframe').getByLabel('Guest’s mobile number')).toBeVisible();
    await openContents(page);
    await expectNoViolations(page);
  });

test('requests for a hand-off that make no sense are told so', async ({ request }) => {
  const post = (data: unknown, set = 'ridge-huts') =>
    request.post(`/api/sets/${set}/hand-off`, { data: data as object });
  expect((await post({ fields: 'all', forms: [], uses: [] })).status()).toBe(400);
  expect((await post({ fields: [], forms: [], uses: ['cobol'] })).status()).toBe(400);
  expect((await post({ fields: [], forms: [], uses: [] }, 'nobody')).status()).toBe(404);
  const nothing = await post({ fields: ['nobody'], forms: [], uses: [] });
  expect(await nothing.text()).toContain(texts.handoff.selectAtLeastOneField);
  for (const query of ['use=cobol', 'use=vue&field=nobody', ''])
    expect((await request.get(`${path}/live?${query}`)).status()).toBe(404);
});
