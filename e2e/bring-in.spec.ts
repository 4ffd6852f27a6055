import { expect, type Page } from '@playwright/test';
import * as words from '../apps/studio/words/index.ts';
import { test } from './alive.ts';
import { expectNoViolations } from './axe.ts';
import { documentOf, newSet } from './sets.ts';

const dialogOf = (page: Page) => page.getByRole('dialog', { name: words.shelf.importTitle });
async function bring(page: Page, text: string) {
  await page.goto('/');
  // On a phone it is in the menu.
  const menu = page.getByRole('button', { name: words.set.menu, exact: true });
  if (await menu.isVisible()) await menu.click();
  await page.getByRole('button', { name: words.shared.importLabel }).click();
  const dialog = dialogOf(page);
  await dialog.getByLabel(words.shelf.orPasteItsContents).fill(text);
  return dialog;
}

test('an HTML form becomes fields to be confirmed; what could not be carried over is told; nothing in it runs', async ({
  page,
}) => {
  const asked: string[] = [];
  page.on('request', (request) => asked.push(request.url()));
  page.on('dialog', (dialog) => dialog.dismiss().then(() => asked.push('a dialog')));
  const dialog = await bring(
    page,
    '<form aria-label="Hut desk"><script>alert(1)</script><img src="/evil.png" onerror="alert(2)"><label>Pass <input name="pass" pattern="[A-Z]{2}-\\d{4}" required></label><label>Loose <input name="loose" pattern="\\d+"></label><label>Old <input name="old"></label><label>Hut <select name="hut"><option>Two Tarns<option value="wind&#10;gap">Windgap</select></label><input type="file" name="scan"></form>',
  );
  await expect(dialog.getByRole('radio', { name: words.shelf.htmlForm })).toBeChecked();
  await expect(dialog.getByRole('row', { name: /Pass pattern <2 latin upper>-<4 digit>/ })).toBeVisible();
  await expect(dialog.getByText(/“scan”, type file: No matching field kind; skipped\./)).toBeVisible();
  await expect(dialog.getByText(/“loose”.*Unlimited repetition/)).toBeVisible();
  await expect(dialog.getByText(/“wind\sgap” is now “wind-gap”/)).toBeVisible();
  // A value with a space stays as it is.
  await expect(dialog.getByText(/“Two Tarns”/)).toHaveCount(0);
  await expectNoViolations(page, '[role="dialog"]');
  await dialog.getByLabel('Old').uncheck();
  await dialog.getByRole('button', { name: words.shelf.importFields(3) }).click();
  await expect(dialog).toBeHidden();
  const set = page
    .getByRole('region', { name: 'Hut desk' })
    .or(page.locator('section', { has: page.getByRole('heading', { name: 'Hut desk' }) }))
    .first();
  await expect(set.getByText('Loose').first()).toBeVisible();
  expect(asked.filter((url) => /evil|dialog/.test(url))).toEqual([]);
});

test('a table becomes fields: each as it is taken for, or as somebody says', { tag: '@long' }, async ({
  page,
}) => {
  const dialog = await bring(
    page,
    'Guest\tMobile\tPass no\nA. Guest\t07700 900123\tAB-1234\nB. Guest\t07700 900124\tCD-5678',
  );
  await expect(dialog.getByRole('radio', { name: words.shelf.csvOrTsv })).toBeChecked();
  await expect(dialog.getByLabel('Mobile is')).toHaveValue('phone number');
  await expect(dialog.getByLabel('Mobile is').locator('option').first()).toHaveText('phone number');
  await dialog.getByLabel('Pass no is').selectOption({ label: 'text' });
  await dialog.getByRole('radio', { name: words.shelf.theFirstColumn }).check();
  await expect(dialog.getByLabel('A. Guest is')).toBeVisible();
  await dialog.getByRole('radio', { name: words.shelf.theFirstRow }).check();
  await expectNoViolations(page, '[role="dialog"]');
  const posted = page.waitForRequest(
    (request) => request.method() === 'POST' && request.url().endsWith('/api/sets'),
  );
  await dialog.getByRole('button', { name: words.shelf.importFields(3) }).click();
  const { document } = (await posted).postDataJSON() as {
    document: { fields: { id: string; kind: string }[] };
  };
  expect(document.fields.map(({ id, kind }) => [id, kind])).toEqual([
    ['guest', 'text'],
    ['mobile', 'phone'],
    // What somebody chose stays, though the names were looked for elsewhere meanwhile.
    ['pass-no', 'text'],
  ]);
});

test('the cells of a table are read as they are written, or as somebody says; long guesses leave the names their room', {
  tag: '@long',
}, async ({ page }) => {
  await page.setViewportSize({ width: 400, height: 800 });
  const dialog = await bring(
    page,
    'Kennung;Menge;IBAN\n08001;1.000;DE89 3704 0044 0532 0130 00\n01067;25,5;DE02 1203 0000 0000 2020 51',
  );
  const locale = dialog.getByLabel(words.shelf.numberAndDateFormat);
  await expect(locale).toHaveValue('de-DE');
  await expect(dialog.getByLabel('IBAN is').locator('option').first()).toHaveText(/with check digits$/);
  // On one line: a name is not broken.
  const name = dialog.getByText('Kennung', { exact: true });
  await name.scrollIntoViewIfNeeded();
  const { height = 0 } = (await name.boundingBox()) ?? {};
  expect(height).toBeLessThan(40);
  await locale.selectOption('de-CH');
  const posted = page.waitForRequest((one) => one.method() === 'POST' && one.url().endsWith('/api/sets'));
  await dialog.getByRole('button', { name: words.shelf.importFields(3) }).click();
  const { document } = (await posted).postDataJSON() as {
    document: { locale: string; fields: { kind: string }[] };
  };
  expect([document.locale, document.fields.map(({ kind }) => kind)]).toEqual([
    'de-CH',
    ['pattern', 'number', 'pattern'],
  ]);
});

test('cells that do not fit are listed by row, for the kind that is chosen', async ({ page }) => {
  const days = Array.from({ length: 12 }, (_, i) => `2027-03-${i + 10}`);
  const dialog = await bring(page, ['Arrival\tHut', ...days.map((day) => `${day}\tA`), 'soon\tB'].join('\n'));
  await expect(dialog.getByText(words.shelf.cellsDoNotFit(1))).toBeVisible();
  await expect(dialog.getByText(words.shelf.inRow('Arrival', 14))).toContainText('soon');
  await expectNoViolations(page, '[role="dialog"]');
  await dialog.getByLabel('Arrival is').selectOption({ label: 'text' });
  await expect(dialog.getByText(words.shelf.cellsDoNotFit(1))).toHaveCount(0);
});

const csv = (text: string) => ({ name: 'bookings.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });

test('of a long table the first rows are shown at once, and all are checked', async ({ page }) => {
  const dialog = await bring(page, '');
  const rows = Array.from({ length: 4000 }, (_, i) => `RH-${1000 + i},${i % 9},${i < 600 ? 1 : `many ${i}`}`);
  const text = ['Pass,Guests,Nights', ...rows.slice(0, 2000), '', ...rows.slice(2000), 'soon,1,2', ''].join('\n');
  await dialog.getByLabel(words.shelf.fileArbeitJsonHtmlJson).setInputFiles(csv(text));
  await expect(dialog.getByLabel('Nights is')).toHaveValue('number');
  await expect(dialog.getByText(words.shelf.allRowsChecked(4003))).toBeVisible();
  // The row it has in a spreadsheet: under the names and 4,000 others, one of them blank.
  await expect(dialog.getByText(words.shelf.inRow('Pass', 4003))).toContainText('soon');
  await expect(dialog.getByText(words.shelf.kindChanged('Nights', 'number', 'text'))).toBeVisible();
  await expect(dialog.getByLabel('Nights is')).toHaveValue('text');
  await expectNoViolations(page, '[role="dialog"]');
}); // biome-ignore format: a text

test('a check of rows can be stopped, and begun again; a text too long to be shown can be taken away', async ({
  page,
}) => {
  const dialog = await bring(page, '');
  const rows = Array.from({ length: 200_000 }, (_, i) => `07700 ${900_000 + (i % 1000)} ${i}`);
  await dialog.getByLabel(words.shelf.fileArbeitJsonHtmlJson).setInputFiles(csv(`Mobile\n${rows.join('\n')}`));
  const stop = dialog.getByRole('button', { name: words.later.stop });
  await expect(dialog.getByRole('progressbar')).toBeVisible();
  await expectNoViolations(page, '[role="dialog"]');
  await stop.focus();
  await page.keyboard.press('Enter');
  await expect(dialog.getByText(words.shelf.onlyTheFirstRows(500))).toBeVisible();
  await expect(dialog.getByRole('progressbar')).toBeHidden();
  const again = dialog.getByRole('button', { name: words.shelf.checkAllRows });
  await expect(again).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(dialog.getByText(words.shelf.checkingAllRows)).toBeVisible();
  await expect(stop).toBeFocused();
  await dialog.getByRole('button', { name: words.later.remove }).press('Enter');
  await expect(dialog.getByLabel(words.shelf.orPasteItsContents)).toBeFocused();
  await expect(dialog.getByText(words.shelf.checkingAllRows)).toHaveCount(0);
}); // biome-ignore format: a text

test('a JSON Schema that was handed off comes back as it was; rubbish is told', { tag: '@long' }, async ({
  page,
  request,
}) => {
  const made = await request.post('/api/sets/ridge-huts/hand-off', {
    data: { fields: [], forms: ['change'], uses: ['server'] },
  });
  const line = (await made.text()).split('\n').find((one) => one.startsWith('{"made"'))!;
  const files = new Map((JSON.parse(line) as { made: { files: [string, string][] } }).made.files);
  const dialog = await bring(page, files.get('records/change.schema.json')!);
  await expect(dialog.getByRole('radio', { name: words.shelf.jsonSchema })).toBeChecked();
  await expect(dialog.getByText(words.shelf.everythingWasImported)).toBeVisible();
  const posted = page.waitForRequest((one) => one.method() === 'POST' && one.url().endsWith('/api/sets'));
  await dialog.getByRole('button', { name: words.shelf.importFields(4) }).click();
  const { document } = (await posted).postDataJSON() as { document: object };
  expect(`${JSON.stringify(document, null, 2)}\n`).toBe(files.get('ridge-huts.arbeit.json'));

  const again = await bring(page, '{"type": "object", ');
  await again.getByRole('radio', { name: words.shelf.jsonSchema }).check();
  await expect(again.getByText(/Invalid JSON/)).toBeVisible();
});

test('a source is imported into an existing set; changed ids are listed', { tag: '@long' }, async ({
  page,
  request,
}) => {
  const title = `Stays ${Math.random()}`;
  const pass = { id: 'pass', kind: 'pattern', label: 'Mine', entry: { pattern: '<4 digit>' } };
  const id = await newSet(request, { title, fields: [pass] });
  const dialog = await bring(
    page,
    '<form aria-label="Desk"><label>Pass <input name="pass" pattern="[A-Z]{2}-\\d{4}"></label><label>Who <input name="full_name"></label></form>',
  );
  await expect(dialog.getByLabel(words.shelf.into)).toHaveValue('');
  await dialog.getByLabel(words.shelf.into).selectOption({ label: title });
  await dialog.getByRole('button', { name: words.shelf.importFields(2) }).click();
  const renamed = words.shelf.renamedTo('pass', 'pass-2');
  const said = words.shelf.addedWithOtherIds(words.shelf.fieldCount(2), title, renamed);
  await expect(dialog.getByRole('status').filter({ hasText: said })).toBeVisible();
  await expectNoViolations(page, '[role="dialog"]');
  await dialog.getByRole('button', { name: words.shelf.goToSet }).click();
  await expect(dialog).toBeHidden();
  await expect(page.getByRole('heading', { name: title })).toBeVisible();
  const { fields, forms } = await documentOf(request, id);
  expect(fields.map((one: { id: string; name?: string }) => [one.id, one.name])).toEqual([
    ['pass', undefined],
    ['pass-2', 'pass'],
    ['full-name', 'full_name'],
  ]);
  expect(forms).toMatchObject([{ title: 'Desk', fields: ['pass-2', 'full-name'] }]);
});
