import { readFileSync } from 'node:fs';
import { expect } from '@playwright/test';
import * as words from '../apps/studio/words/index.ts';
import { test } from './alive.ts';
import { expectNoViolations } from './axe.ts';
import { documentOf, newSet } from './sets.ts';

/** Several fields at once, undo by key, and the proof sheet of a set. */

const names = ['Arrival', 'Departure', 'Deposit', 'Hut'];
const fields = names.map((label) => ({ id: label.toLowerCase(), kind: 'text', label, entry: {} }));
const idsOf = (document: { readonly fields: readonly { readonly id: string }[] }) =>
  document.fields.map(({ id }) => id);

test('several fields are chosen at once: duplicated, copied, moved, downloaded, deleted; undo by key', async ({
  page,
  request,
}) => {
  const id = await newSet(request, { fields });
  const target = `Target ${Math.random()}`;
  const other = await newSet(request, { title: target, fields: [fields[0]] });
  await page.goto('/');
  const section = page.locator(`[data-set="${id}"]`);
  const title = await section.getByRole('textbox', { name: words.shelf.setTitle }).inputValue();
  const open = async () => {
    await section.getByRole('button', { name: words.shared.actionsFor(title) }).click();
    await page.getByRole('menuitem', { name: words.shelf.severalFields }).click();
    return page.getByRole('dialog', { name: words.shelf.severalFieldsOf(title) });
  };
  let dialog = await open();
  await expect(dialog.getByRole('button', { name: words.shelf.deleteFields })).toBeDisabled();
  await dialog.getByLabel('Arrival').check();
  await dialog.getByLabel('Hut').check();
  await expect(dialog.getByText(words.shelf.selected(2, 4))).toBeVisible();
  await expectNoViolations(page, '[role="dialog"]');
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    dialog.getByRole('button', { name: words.shelf.downloadDocument }).click(),
  ]);
  expect(idsOf(JSON.parse(readFileSync(await download.path(), 'utf8')))).toEqual(['arrival', 'hut']);
  await dialog.getByRole('combobox', { name: words.shelf.toWhichSet }).selectOption(target);
  await dialog.getByRole('button', { name: words.shelf.copyThere }).click();
  await expect(dialog.getByText(words.shelf.wereCopied(2, target))).toBeVisible();
  expect(idsOf(await documentOf(request, other))).toEqual(['arrival', 'arrival-2', 'hut']);
  await dialog.getByRole('button', { name: words.shelf.deleteFields }).click();
  await expect(section.getByText(words.shelf.wereDeleted(2))).toBeVisible();
  await expect.poll(async () => idsOf(await documentOf(request, id))).toEqual(['departure', 'deposit']);
  // Undo, wherever the focus is.
  await page.keyboard.press('Control+z');
  await expect.poll(async () => idsOf(await documentOf(request, id))).toHaveLength(4);
  dialog = await open();
  await dialog.getByLabel('Deposit').check();
  await dialog.getByRole('combobox', { name: words.shelf.toWhichSet }).selectOption(target);
  await dialog.getByRole('button', { name: words.shelf.moveThere }).click();
  await expect(section.getByText(words.shelf.wereMoved(1, target))).toBeVisible();
  await expect
    .poll(async () => idsOf(await documentOf(request, id)))
    .toEqual(['arrival', 'departure', 'hut']);
  expect(idsOf(await documentOf(request, other))).toContain('deposit');
  dialog = await open();
  await dialog.getByRole('button', { name: words.shelf.selectAll }).click();
  await dialog.getByRole('button', { name: words.shelf.duplicate }).click();
  await expect.poll(async () => idsOf(await documentOf(request, id))).toEqual(['arrival', 'arrival-2', 'departure', 'departure-2', 'hut', 'hut-2']); // biome-ignore format: a list
});

test('a deleted field comes back by key, from any place on the shelf', async ({ page, request }) => {
  const id = await newSet(request, { fields });
  await page.goto('/');
  const section = page.locator(`[data-set="${id}"]`);
  await section.getByRole('button', { name: words.shared.actionsFor('Deposit') }).click();
  await page.getByRole('menuitem', { name: words.shared.deleteLabel }).click();
  await expect(section.getByText(words.shelf.wasDeleted('Deposit'))).toBeVisible();
  await page.getByRole('link', { name: words.set.arbeit, exact: true }).focus();
  await page.keyboard.press('Control+z');
  await expect(section.getByRole('link', { name: 'Deposit' })).toBeVisible();
  await page.keyboard.press('Control+Shift+z');
  await expect(section.getByRole('link', { name: 'Deposit' })).toHaveCount(0);
});

test('a proof sheet for colleagues who have no Arbeit: a page without scripts, and the same as a file', {
  tag: '@long',
}, async ({ page, request }) => {
  const label = 'Deposit <b>&';
  const rules = [{ id: 'most', check: { type: 'range', max: 500 }, severity: 'warning' }];
  const deposit = { id: 'deposit', kind: 'currency', label, entry: { currency: 'EUR' }, rules };
  const trials = [{ id: 't', name: 'accepts <i>', tape: 'field deposit\ntype "5"\nexpect raw "5"\n' }];
  const id = await newSet(request, { fields: [deposit], trials });
  // It has no scripts to wait for.
  const answer = await page.goto(`/sets/${id}/proof-sheet`, { waitUntil: 'commit' });
  expect(answer?.headers()['content-security-policy']).toBe("default-src 'none'; style-src 'unsafe-inline'; base-uri 'none'; form-action 'none'; frame-ancestors 'none'"); // biome-ignore format: a policy
  await expect(page.getByRole('heading', { name: label })).toBeVisible();
  await expect(page.getByText('at most €500.00')).toBeVisible();
  await expect(page.getByRole('row', { name: /€501\.00 Enter €500\.00 or less\./ })).toBeVisible();
  await expect(page.getByText('accepts <i>')).toBeVisible();
  await expectNoViolations(page);
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: words.model.downloadThisPage }).click(),
  ]);
  expect(file.suggestedFilename()).toBe(`${id}-proof-sheet.html`);
  const text = readFileSync(await file.path(), 'utf8');
  expect([text.includes('<script'), text.includes('€501.00'), text.includes('?download')]).toEqual([
    false,
    true,
    false,
  ]);
  expect((await request.get('/sets/nowhere/proof-sheet')).status()).toBe(404);
  await page.goto('/sets/ridge-huts/proof-sheet', { waitUntil: 'commit' });
  await expect(page.getByRole('heading', { level: 2 })).toHaveCount(25);
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('link')).toHaveCount(0);
});

test('a tour in four steps on the demo: offered on the shelf, skipped, found again, walked by key', {
  tag: '@long',
}, async ({ page, request }) => {
  // Newer sets fold the demo; the shelf offers its tour nevertheless.
  for (let at = 0; at < 11; at++) await newSet(request, { fields: [] });
  await page.goto('/');
  const step = (at: number) => page.getByRole('region', { name: words.set.tourStep(at, 4) });
  await page.getByRole('button', { name: words.shared.tourInFourSteps }).click();
  await expect(step(1).getByRole('button', { name: words.set.nextStep })).toBeFocused();
  await expectNoViolations(page, '.tour');
  await page.getByRole('button', { name: words.set.skipTour }).click();
  await expect(step(1)).toHaveCount(0);
  await page.goto('/sets/ridge-huts/fields/deposit');
  await expect(page.locator('.tour')).toHaveCount(0);
  // Found again among the commands, from any page.
  await page.keyboard.press('Control+k');
  await page.keyboard.type('tour');
  await page.keyboard.press('Enter');
  await expect(step(1)).toBeVisible();
  for (const [at, path] of [
    [2, 'fields/member'],
    [3, 'trials'],
    [4, 'hand-off'],
  ] as const) {
    await expect(page.getByRole('button', { name: words.set.nextStep })).toBeFocused();
    await page.keyboard.press('Enter');
    await page.waitForURL(`**/sets/ridge-huts/${path}`);
    await expect(step(at)).toBeVisible();
  }
  // It goes on after a reload, and ends with the last step.
  await page.reload();
  await page.getByRole('button', { name: words.set.finish }).click();
  await expect(page.locator('.tour')).toHaveCount(0);
  await page.reload();
  await expect(page.locator('.tour')).toHaveCount(0);
});

test('a tour without its set says so', async ({ page }) => {
  await page.route('**/api/sets/ridge-huts', (route) =>
    route.fulfill({ status: 404, json: { error: 'gone' } }),
  );
  await page.goto('/');
  await page.getByRole('button', { name: words.shared.tourInFourSteps }).click();
  const tour = page.getByRole('region', { name: words.set.tourStep(1, 4) });
  await expect(tour.getByText(words.set.tourWithoutDemo)).toBeVisible();
  await tour.getByRole('button', { name: words.set.finish }).click();
  await expect(tour).toHaveCount(0);
});
