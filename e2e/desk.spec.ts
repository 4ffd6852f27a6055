import { expect, type Page } from '@playwright/test';
import * as words from '../apps/studio/words/index.ts';
import { test } from './alive.ts';
import { expectNoViolations } from './axe.ts';
import { documentOf, newSet, saved } from './sets.ts';

/** The desk as a whole: what is seen at once, rules as sentences, ids that follow labels. */

const live = (page: Page) => page.getByRole('region', { name: words.desk.liveField });
const rules = (page: Page) => page.getByRole('region', { name: words.shared.rules });
const price = { id: 'price', kind: 'currency', label: 'Price', entry: { currency: 'EUR' } };

for (const [field, label, text] of [
  ['warden', 'Warden’s telephone', '55501044778'],
  ['deposit', 'Deposit', '1234.56'],
  ['mobile', 'Guest’s mobile number', '07700900123'],
] as const)
  test(`definition, field, rules and eight rows of tape are seen at once: ${field}`, async ({ page }) => {
    await page.setViewportSize({ width: 1280, height: 800 });
    await page.goto(`/sets/ridge-huts/fields/${field}`);
    await live(page).getByLabel(label).focus();
    await page.keyboard.type(text);
    const isWithin = (box: { y: number; height: number } | null) => box !== null && box.y + box.height <= 800;
    expect(isWithin(await rules(page).getByRole('listitem').last().boundingBox())).toBe(true);
    const rows = await page.locator('.tape-rows tbody tr').evaluateAll(
      (all) =>
        all.filter((row) => {
          const list = row.closest('.tape-rows')!.getBoundingClientRect();
          const head = row.closest('table')!.querySelector('thead')!.getBoundingClientRect();
          const { top, bottom } = row.getBoundingClientRect();
          return top >= head.bottom - 1 && bottom <= Math.min(list.bottom, innerHeight) + 1;
        }).length,
    );
    expect(rows).toBeGreaterThanOrEqual(8);
    // Raw and value are right of the ruler, and nothing moves as they become longer.
    const ruler = (await page.getByRole('region', { name: words.desk.ruler }).boundingBox())!;
    const values = (await page.getByRole('region', { name: words.desk.values }).boundingBox())!;
    expect(values.x).toBeGreaterThanOrEqual(ruler.x + ruler.width);
    const line = (await live(page).getByLabel(label).boundingBox())!;
    await page.keyboard.press('Control+a');
    await page.keyboard.press('Backspace');
    expect((await live(page).getByLabel(label).boundingBox())!.y).toBe(line.y);
    const after = (await page.getByRole('region', { name: words.desk.values }).boundingBox())!;
    expect([after.x, after.y]).toEqual([values.x, values.y]);
  });

test('an empty ruler has the sample, which screen readers do not read; an empty field skips its rules', async ({
  page,
}) => {
  await page.goto('/sets/ridge-huts/fields/deposit');
  const ruler = page.getByRole('region', { name: words.desk.ruler });
  const display = ruler.locator('div.flex', { hasText: `${words.desk.display}: ${words.desk.empty}` });
  await expect(display.locator('.value')).toHaveText('£1,234.56');
  await expect(rules(page).getByRole('button', { name: /^skipped at most £500\.00/ })).toBeVisible();
  await expect(rules(page).getByRole('button', { name: /^open is required/ })).toBeVisible();
  await live(page).getByLabel('Deposit').focus();
  await page.keyboard.type('30');
  await expect(rules(page).getByRole('button', { name: /^pass at most £500\.00/ })).toBeVisible();
  await expect(page.getByRole('region', { name: words.desk.values })).toContainText('30.00');
});

test('a rule is a sentence with blanks, with its messages at the limit; the focus goes in and comes back', async ({
  page,
  request,
}) => {
  const texts = { de: { 'fields/price/label': 'Preis' }, fr: {} };
  const id = await newSet(request, { fields: [price], texts });
  await page.goto(`/sets/${id}/fields/price`);
  await rules(page).getByRole('button', { name: words.shared.addRule }).press('Enter');
  await page.getByRole('menuitem', { name: words.desk.minimum }).press('Enter');
  const limit = page.getByRole('textbox', { name: words.desk.minimum });
  await expect(limit).toBeFocused();
  await page.keyboard.press('Control+a');
  await page.keyboard.type('20');
  const panel = page.locator('.rule-panel');
  const readings = panel.getByRole('table', { name: words.desk.asItWillRead });
  await expect(readings.getByRole('row')).toHaveText([
    /^€19\.99\s*fail\s*Enter €20\.00 or more\.$/,
    /^€20\.00\s*pass/,
    /^€20\.01\s*pass/,
  ]);
  // In every language of the set, as its field writes the limit.
  await expect(panel.locator('[lang="de"]')).toHaveText(/mindestens 20,00\s€/);
  await expect(panel.locator('[lang="fr"]')).toContainText('20,00 €');
  const message = panel.getByRole('textbox', { name: words.field.message, exact: true });
  await message.fill('Deposits begin at .');
  await page.keyboard.press('ArrowLeft');
  await panel.getByRole('button', { name: words.field.insertPlaceholder('min') }).click();
  await expect(message).toHaveValue('Deposits begin at {min}.');
  await expect(panel.getByRole('button', { name: words.field.insertPlaceholder('max') })).toHaveCount(0);
  // By key as well, into the plural form that had the focus last.
  await panel.getByRole('button', { name: words.field.addPluralForms }).click();
  const forms = panel.locator('.message-editor input');
  await forms.last().focus();
  await page.keyboard.press('ControlOrMeta+a');
  await panel.getByRole('button', { name: words.field.insertPlaceholder('label') }).press('Enter');
  await expect(forms.last()).toHaveValue('{label}');
  await forms.last().fill('Deposits begin at {min}.');
  await panel.getByRole('button', { name: words.field.removePluralForms }).click();
  await expect(readings).toContainText('Deposits begin at €20.00.');
  await panel.getByRole('combobox', { name: words.desk.severity }).selectOption(words.desk.warningInText);
  await expectNoViolations(page, '.rule-panel');
  // It takes the whole width, and the field above it stays in its place.
  const band = (await page.locator('.field-band').boundingBox())!;
  expect((await panel.boundingBox())!.width).toBeGreaterThan(band.width - 2);
  await page.keyboard.press('Escape');
  await expect(panel).toHaveCount(0);
  await expect(rules(page).getByRole('button', { name: /at least €20\.00.*warning/ })).toBeFocused();
  await expect
    .poll(async () => (await documentOf(request, id)).fields[0].rules)
    .toMatchObject([
      { check: { type: 'range', min: '20.00' }, say: 'Deposits begin at {min}.', severity: 'warning' },
    ]);
});

test('a made-up id follows the label until somebody sets it; what was typed stays, undo leads back', async ({
  page,
  request,
}) => {
  const id = await newSet(request, { fields: [price] });
  await page.goto(`/sets/${id}/fields/price`);
  // An id that was there before this browser stays.
  await page.getByRole('textbox', { name: words.desk.label, exact: true }).fill('Price of a bed');
  await page.keyboard.press('Tab');
  await saved(page);
  expect((await documentOf(request, id)).fields[0]).toMatchObject({ id: 'price', label: 'Price of a bed' });
  // A new field, by key from the desk.
  await page.locator('.tape-rows').focus();
  await page.keyboard.press('n');
  await page.getByRole('textbox', { name: words.set.labelOptional }).fill('Day of arrival');
  await page
    .getByRole('button', { name: /^date\b/i })
    .first()
    .click();
  await page.waitForURL(`**/sets/${id}/fields/day-of-arrival`);
  await live(page).getByLabel('Day of arrival').focus();
  await page.keyboard.type('1402');
  await page.getByRole('textbox', { name: words.desk.label, exact: true }).fill('Departure');
  await page.keyboard.press('Tab');
  await page.waitForURL(`**/sets/${id}/fields/departure`);
  await expect(live(page).getByLabel('Departure')).toHaveValue(/14\/02/);
  await expect(page.locator('.tape-rows tbody tr')).not.toHaveCount(0);
  await page.getByRole('button', { name: words.set.undo, exact: true }).click();
  await page.waitForURL(`**/sets/${id}/fields/day-of-arrival`);
  await page.getByRole('button', { name: words.set.redo, exact: true }).click();
  await page.waitForURL(`**/sets/${id}/fields/departure`);
  await page.reload();
  await expect(live(page).getByLabel('Departure')).toBeVisible();
  // Set by hand, it stays.
  await page.getByRole('button', { name: words.shared.actionsFor('Departure') }).click();
  await page.getByRole('menuitem', { name: words.shared.changeId }).click();
  await expect(page.getByText(words.set.codeMayUseTheId('departure'))).toHaveCount(0);
  await page.getByRole('textbox', { name: words.later.id, exact: true }).fill('leaves');
  await page.getByRole('button', { name: words.later.rename }).click();
  await page.waitForURL(`**/sets/${id}/fields/leaves`);
  await page.getByRole('textbox', { name: words.desk.label, exact: true }).fill('Last day');
  await page.keyboard.press('Tab');
  await saved(page);
  await expect.poll(async () => (await documentOf(request, id)).fields.map((one: { id: string }) => one.id)).toEqual(['price', 'leaves']); // biome-ignore format: one poll
  await page.getByRole('button', { name: words.shared.actionsFor('Last day') }).click();
  await page.getByRole('menuitem', { name: words.shared.changeId }).click();
  await expect(page.getByText(words.set.codeMayUseTheId('leaves'))).toBeVisible();
});

test('every option is found by its name; values that differ from the default are shown and lead to their editors', {
  tag: '@long',
}, async ({ page, request }) => {
  const phone = { id: 'phone', kind: 'phone', label: 'Phone', entry: { home: 'GB' } };
  const id = await newSet(request, { fields: [phone] });
  await page.goto(`/sets/${id}/fields/phone`);
  await page.getByRole('button', { name: words.desk.allOptions }).press('Enter');
  await page.getByRole('menuitem', { name: /^Number types/ }).press('Enter');
  const strip = page.locator('.strip');
  await expect(strip.locator('[data-option="types"]').locator(':focus')).toHaveCount(1);
  await strip.getByRole('radio', { name: /^mobile/ }).check();
  await page.keyboard.press('Escape');
  const told = page.getByRole('button', { name: /^Number types: mobile/ });
  await expect(told).toBeVisible();
  await expectNoViolations(page, '.ruler-band');
  await told.press('Enter');
  await expect(strip.locator('[data-option="types"]').locator(':focus')).toHaveCount(1);
});

test('structured text keeps its direction on a right-to-left page, and so do the boxes of a code', {
  tag: '@long',
}, async ({ page }) => {
  const all: Record<string, string> = {};
  for (const field of ['warden', 'deposit', 'walk-in', 'mobile', 'change-code']) {
    await page.goto(`/sets/ridge-huts/fields/${field}`);
    await page.getByRole('combobox', { name: words.ui.textDirection }).selectOption(words.ui.rightToLeft);
    const line = page.locator('.live-paper input').last();
    all[field] = await line.evaluate((input) => getComputedStyle(input).direction);
  }
  expect(all).toEqual({
    warden: 'ltr',
    deposit: 'ltr',
    'walk-in': 'ltr',
    mobile: 'ltr',
    'change-code': 'ltr',
  });
  const boxes = await page
    .locator('.live-paper [data-box]')
    .evaluateAll((drawn) => drawn.map((box) => box.getBoundingClientRect().x));
  expect(boxes).toEqual([...boxes].sort((a, b) => a - b));
  // In the exported element, which has a shadow tree.
  await page.getByRole('combobox', { name: words.ui.view }).selectOption(words.desk.asExported);
  const handedOff = page.locator('arbeit-field [data-box]');
  await expect(handedOff).toHaveCount(6);
  const drawn = await handedOff.evaluateAll((own) => own.map((box) => box.getBoundingClientRect().x));
  expect(drawn).toEqual([...drawn].sort((a, b) => a - b));
});

test('a custom check opens in its editor of code, which has the focus', async ({ page, request }) => {
  const id = await newSet(request, { fields: [price] });
  await page.goto(`/sets/${id}/fields/price`);
  await rules(page).getByRole('button', { name: words.shared.addRule }).press('Enter');
  await page.getByRole('menuitem', { name: /^Custom/ }).press('Enter');
  await expect(page.locator('.rule-panel [contenteditable]')).toBeFocused();
});

test('the caret of a long text stays in view on the ruler; the values of a month are written YYYY-MM', {
  tag: '@long',
}, async ({ page, request }) => {
  await page.setViewportSize({ width: 1280, height: 800 });
  await page.goto('/sets/ridge-huts/fields/remarks');
  await live(page).getByLabel('Remarks for the warden').focus();
  await page.keyboard.type('A remark of sixty characters, typed to its end without a stop');
  const ruler = page.getByRole('region', { name: words.desk.ruler });
  const right = async () => {
    const [own, caret] = [await ruler.boundingBox(), await ruler.locator('[data-caret]').boundingBox()];
    return own!.x + own!.width - caret!.x;
  };
  expect(await right()).toBeGreaterThan(20);
  await page.keyboard.press('Home');
  expect((await ruler.locator('[data-caret]').boundingBox())!.x).toBeGreaterThanOrEqual(
    (await ruler.boundingBox())!.x,
  );
  const month = { id: 'month', kind: 'date', label: 'Month', entry: { parts: 'month' } };
  await page.goto(`/sets/${await newSet(request, { fields: [month] })}/fields/month`);
  await expect(page.getByRole('region', { name: words.desk.values })).toContainText('YYYY-MM');
});
