import { writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import AxeBuilder from '@axe-core/playwright';
import { type APIRequestContext, expect, type Locator, type Page } from '@playwright/test';
import * as words from '../apps/studio/words/index.ts';
import { test } from './alive.ts';
import { expectNoViolations } from './axe.ts';

/** What people come to the workbench to do, each seen done, by mouse and by keyboard. */

interface Made {
  readonly id: string;
  readonly title: string;
}

async function newSet(
  request: APIRequestContext,
  fields: readonly object[] = [],
  more: object = {},
): Promise<Made> {
  const title = `Job ${Math.random().toString(36).slice(2, 8)}`;
  const answer = await request.post('/api/sets', {
    data: { document: { arbeit: 2, title, locale: 'en-GB', fields, ...more } },
  });
  expect(answer.status(), await answer.text()).toBe(201);
  return { id: ((await answer.json()) as { id: string }).id, title };
}
const documentOf = async (request: APIRequestContext, id: string) =>
  (await (await request.get(`/api/sets/${id}`)).json()).document;
const fieldsOf = async (request: APIRequestContext, id: string): Promise<string[]> =>
  (await documentOf(request, id)).fields.map((field: { id: string }) => field.id);
const onShelf = (page: Page, { id }: Made): Locator => page.locator(`[data-set="${id}"]`);
const live = (page: Page) => page.getByRole('region', { name: words.desk.liveField });
const rules = (page: Page) => page.getByRole('region', { name: words.shared.rules });
const saved = (page: Page) => expect(page.getByText(words.set.saved, { exact: true }).first()).toBeVisible();
/** Chooses from a menu; `where` is the set on the shelf, which other tests use as well, or the whole page. */
async function choose(where: Page | Locator, menu: string, entry: string | RegExp): Promise<void> {
  const page = 'goto' in where ? where : where.page();
  await where.getByRole('button', { name: menu, exact: true }).click();
  await page.getByRole('menuitem', { name: entry }).click();
}
async function clean(page: Page): Promise<void> {
  const { violations } = await new AxeBuilder({ page }).analyze();
  expect(violations.map(({ id, nodes }) => [id, nodes.map((node) => node.target.join(' '))])).toEqual([]);
}

const pin = { id: 'pin', kind: 'pattern', label: 'Key-box PIN', entry: { pattern: '<4 digit>' } };
const sum = { id: 'sum', kind: 'currency', label: 'Price', entry: { currency: 'EUR' } };
const day = { id: 'day', kind: 'date', label: 'Day', entry: {} };

test('1: a pattern from examples, by mouse; several tell fixed from free, by keyboard', {
  tag: '@long',
}, async ({ page, request }) => {
  const made = await newSet(request);
  await page.goto('/');
  await onShelf(page, made).getByRole('button', { name: words.shared.newField }).click();
  const examples = page.getByLabel(words.set.exampleValuesOnePerLine).first();
  await page.getByRole('textbox', { name: words.set.exampleValuesOnePerLine }).fill('(555) 010-4477');
  await expect(page.getByRole('radio', { name: '(<3 digit>) <3 digit>-<4 digit>' })).toBeChecked();
  await clean(page);
  await page.getByRole('textbox', { name: words.set.exampleValuesOnePerLine }).fill('(555) 010-4477\n12/34');
  await expect(page.getByText(words.set.doesNotFitThePattern('12/34'))).toBeVisible();
  await page.keyboard.press('Control+A');
  await page.keyboard.type('RH-5550-EF3');
  await page.keyboard.press('Enter');
  await page.keyboard.type('RH-0042-AB7');
  await expect(examples).toBeVisible();
  await page.keyboard.press('Control+Enter');
  await page.waitForURL(`**/sets/${made.id}/fields/field`);
  await expect(
    page
      .getByRole('region', { name: words.shared.pattern })
      .getByLabel(words.shared.pattern, { exact: true }),
  ).toHaveValue('RH-<4 digit>-<2 latin upper><digit>');
  await live(page).getByLabel(words.shared.newField).fill('');
  await live(page).getByLabel(words.shared.newField).pressSequentially('0042ab7');
  await expect(live(page).getByLabel(words.shared.newField)).toHaveValue('RH-0042-AB7');
});

test('2: a plate with a named class of one’s own: made, named, used, edited, taken away', {
  tag: '@long',
}, async ({ page, request }) => {
  const plate = {
    id: 'plate',
    kind: 'pattern',
    label: 'Plate',
    entry: { pattern: '<2 latin upper>-<3 digit>' },
  };
  const made = await newSet(request, [plate]);
  await page.goto('/');
  await choose(page, words.shared.actionsFor(made.title), words.shared.characterClasses);
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('button', { name: words.shelf.addClass }).click();
  await dialog.getByLabel(words.shelf.name).fill('plate');
  await dialog.getByLabel(words.later.charactersAndRanges).fill('A-HJ-NP-Z');
  await clean(page);
  await page.keyboard.press('Escape');
  await saved(page);
  await page.goto(`/sets/${made.id}/fields/plate`);
  await page.getByRole('button', { name: words.desk.edit('2 capital letters A to Z') }).focus();
  await page.keyboard.press('Enter');
  await page.getByLabel(words.desk.allowedCharacters).selectOption(words.desk.classLabel('plate'));
  const pattern = page
    .getByRole('region', { name: words.shared.pattern })
    .getByLabel(words.shared.pattern, { exact: true });
  await expect(pattern).toHaveValue('<2 plate upper>-<3 digit>');
  await live(page).getByLabel('Plate').pressSequentially('iab123');
  await expect(live(page).getByLabel('Plate')).toHaveValue('AB-123');
  await saved(page);
  await page.goto('/');
  await choose(page, words.shared.actionsFor(made.title), words.shared.characterClasses);
  await expect(dialog.getByText('Used by Plate')).toBeVisible();
  await dialog.getByLabel(words.shelf.name).fill('digit');
  await expect(dialog.getByText('is a reserved word of the pattern notation')).toBeVisible();
  await dialog.getByLabel(words.shelf.name).fill('letters');
  const characters = dialog.getByLabel(words.shelf.charactersAndRanges);
  const before = await characters.inputValue();
  await characters.fill('z-a');
  await expect(dialog.getByText('The range z-a is reversed.')).toBeVisible();
  await characters.fill(before);
  await dialog.getByRole('button', { name: words.shelf.removeClass('letters') }).click();
  await page.keyboard.press('Escape');
  await expect
    .poll(async () => (await documentOf(request, made.id)).fields[0].entry.pattern)
    .toBe('<2 "A-HJ-NP-Z" upper>-<3 digit>');
  expect((await documentOf(request, made.id)).classes).toBeUndefined();
});

test('3: a price as Germans write it: locale by name, limits and messages in the field’s own form', {
  tag: '@long',
}, async ({ page, request }) => {
  const made = await newSet(request, [sum]);
  await page.goto(`/sets/${made.id}/fields/sum`);
  await choose(page, words.shared.actionsFor('Price'), words.set.locale);
  await page.getByRole('textbox', { name: words.set.searchByLanguageCountry }).fill('german');
  await page.getByRole('radio', { name: /^German \(Germany\)/ }).check();
  await clean(page);
  await page.keyboard.press('Escape');
  await rules(page).getByRole('button', { name: words.shared.addRule }).click();
  await page.getByRole('menuitem', { name: words.desk.maximum }).click();
  await rules(page).getByLabel(words.desk.maximum, { exact: true }).fill('9.999,99');
  await rules(page).getByLabel(words.desk.maximum, { exact: true }).blur();
  await expect(
    rules(page)
      .getByRole('button', { name: /at most 9\.999,99 €/ })
      .last(),
  ).toBeVisible();
  await rules(page).getByLabel(words.desk.showMessage).selectOption(words.shared.whileTyping);
  await live(page).getByLabel('Price').pressSequentially('10000');
  await expect(live(page).getByLabel('Price')).toHaveValue('10.000\u00a0€');
  await expect(live(page)).toContainText('9.999,99');
  await saved(page);
  const { fields } = await documentOf(request, made.id);
  expect(fields[0]).toMatchObject({ locale: 'de-DE', rules: [{ check: { type: 'range', max: '9999.99' } }] });
  // One message a bound: two limits with one message are parted.
  const both = { ...sum, id: 'both', rules: [{ id: 'r', check: { type: 'range', min: 1, max: 5 } }] };
  const other = await newSet(request, [both]);
  await page.goto(`/sets/${other.id}/fields/both`);
  await rules(page)
    .getByRole('button', { name: /at least €1\.00, at most €5\.00/ })
    .last()
    .click();
  await rules(page).getByRole('button', { name: words.desk.splitIntoTwoRules }).click();
  await expect(rules(page).getByRole('button', { name: /^skipped at most €5\.00/ })).toBeVisible();
});

test('4: at least sixteen years old, and after today: limits by words', { tag: '@long' }, async ({
  page,
  request,
}) => {
  const made = await newSet(request, [day]);
  await page.goto(`/sets/${made.id}/fields/day`);
  await rules(page).getByRole('button', { name: words.shared.addRule }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('menuitem', { name: 'Required' })).toBeFocused();
  await page.keyboard.press('ArrowDown');
  await expect(page.getByRole('menuitem', { name: words.desk.minimum, exact: true })).toBeFocused();
  await page.keyboard.press('ArrowDown');
  await expect(page.getByRole('menuitem', { name: words.desk.maximum })).toBeFocused();
  await page.keyboard.press('Enter');
  await rules(page)
    .getByLabel(words.desk.whichDay('Maximum'))
    .selectOption(words.desk.fromToday['-'](words.desk.years));
  await rules(page).getByLabel(words.desk.howMany('Maximum', words.desk.years)).fill('16');
  await expect(
    rules(page)
      .getByRole('button', { name: /on or before 16 years before today/ })
      .last(),
  ).toBeVisible();
  await rules(page).getByRole('button', { name: words.shared.addRule }).click();
  await page.getByRole('menuitem', { name: words.desk.minimum, exact: true }).click();
  await rules(page)
    .getByLabel(words.desk.whichDay('Minimum'))
    .selectOption(words.desk.fromToday['+'](words.desk.days));
  await expect(
    rules(page)
      .getByRole('button', { name: /on or after tomorrow/ })
      .last(),
  ).toBeVisible();
  await rules(page).getByLabel(words.desk.whichDay('Minimum')).selectOption(words.desk.aFixedDate);
  await rules(page).getByLabel(words.desk.minimum, { exact: true }).fill('01/03/2027');
  await expect(
    rules(page)
      .getByRole('button', { name: /on or after 01\/03\/2027/ })
      .last(),
  ).toBeVisible();
  await rules(page).getByLabel(words.desk.minimum, { exact: true }).fill('31/31/2027');
  await expect(rules(page).getByText(words.desk.inTheFormat('01/03/2027'))).toBeVisible();
  await expect
    .poll(async () => (await documentOf(request, made.id)).fields[0].rules)
    .toMatchObject([{ check: { max: 'today-16y' } }, { check: { min: '2027-03-01' } }]);
});

test('5: mobiles of Switzerland and Germany alone; a list made elsewhere is shown and kept', {
  tag: '@long',
}, async ({ page, request }) => {
  const phone = {
    id: 'tel',
    kind: 'phone',
    label: 'Mobile',
    entry: { home: 'CH', regions: ['CH', 'AT', 'LI'] },
  };
  const made = await newSet(request, [phone]);
  await page.goto(`/sets/${made.id}/fields/tel`);
  await page.getByRole('button', { name: words.desk.editWithCaptionText('home region', 'CH') }).click();
  const strip = page.getByRole('region', { name: /^Edit/ });
  await expect(strip.getByRole('listitem')).toHaveText([/^Switzerland/, /^Austria/, /^Liechtenstein/]);
  await strip.getByRole('button', { name: words.desk.removeWithName('Austria') }).click();
  await strip.getByRole('button', { name: words.desk.removeWithName('Liechtenstein') }).click();
  await strip.getByLabel(words.desk.searchByNameOrCodeWithLabel('')).fill('germ');
  await strip.getByRole('checkbox', { name: /^Germany/ }).check();
  await clean(page);
  await page.keyboard.press('Escape');
  await expect(
    page.getByRole('button', { name: words.desk.editWithCaptionText('home region', 'CH') }),
  ).toBeFocused();
  await page
    .getByRole('button', { name: words.desk.editWithCaptionText('digits', '5') })
    .first()
    .click();
  await strip.getByRole('radio', { name: /mobile/ }).check();
  await page.keyboard.press('Escape');
  await expect
    .poll(async () => (await documentOf(request, made.id)).fields[0].entry)
    .toMatchObject({ home: 'CH', regions: ['CH', 'DE'], types: ['mobile'] });
  await live(page).getByLabel('Mobile').fill('');
  await live(page).getByLabel('Mobile').pressSequentially('+33612345678');
  await live(page).getByLabel('Mobile').blur();
  await expect(live(page)).toContainText('Switzerland or Germany');
});

test('6: an IBAN with its check, a card number with Luhn', { tag: '@long' }, async ({ page, request }) => {
  const iban = {
    id: 'iban',
    kind: 'pattern',
    label: 'IBAN',
    entry: {
      pattern:
        '<2 latin upper><2 digit> <4 alnum upper> <4 alnum upper> <4 alnum upper> <4 alnum upper> <2 alnum upper>',
    },
  };
  const card = {
    id: 'card',
    kind: 'pattern',
    label: 'Card',
    entry: { pattern: '<4 digit> <4 digit> <4 digit> <4 digit>' },
  };
  const made = await newSet(request, [iban, card]);
  for (const [id, entry, good, bad] of [
    ['iban', /IBAN/, 'GB29NWBK60161331926819', 'GB28NWBK60161331926819'],
    ['card', /Luhn/, '4111111111111111', '4111111111111112'],
  ] as const) {
    await page.goto(`/sets/${made.id}/fields/${id}`);
    await rules(page).getByRole('button', { name: words.shared.addRule }).click();
    await page.getByRole('menuitem', { name: entry }).click();
    const line = live(page).locator(`input[name="${id}"]`);
    const note = rules(page).getByRole('button', { name: /has a valid check digit/ }).last();
    for (const [text, verdict] of [[good, 'pass'], [bad, 'fail']] as const) {
      await line.focus();
      await page.keyboard.press('Control+A');
      await page.keyboard.type(text);
      await expect(note).toContainText(verdict);
    }
    await saved(page);
  } // biome-ignore format: a line each
  expect((await documentOf(request, made.id)).fields[0].rules[0].check).toEqual({
    type: 'checksum',
    scheme: 'mod97',
    over: 'compact',
    rotate: 4,
  });
});

test('7: fields are ordered, doubled, renamed, turned, sent elsewhere, deleted and taken back; one of many is found', {
  tag: '@long',
}, async ({ page, request }) => {
  const made = await newSet(request, [pin, sum, day], {
    forms: [{ id: 'stay', title: 'Stay', fields: ['pin', 'day'] }],
  });
  const other = await newSet(request);
  await page.goto('/');
  const section = onShelf(page, made);
  await section.getByRole('button', { name: words.shelf.reorder('Price') }).focus();
  await page.keyboard.press('ArrowUp');
  await expect.poll(() => fieldsOf(request, made.id)).toEqual(['sum', 'pin', 'day']);
  const from = (await section.getByRole('button', { name: /^Reorder Day/ }).boundingBox())!;
  const to = (await section.getByRole('button', { name: /^Reorder Price/ }).boundingBox())!;
  await page.mouse.move(from.x + 8, from.y + 8);
  await page.mouse.down();
  await page.mouse.move(from.x + 8, from.y - 20, { steps: 4 });
  await page.mouse.move(to.x + 8, to.y + 2, { steps: 8 });
  await page.mouse.up();
  await expect.poll(() => fieldsOf(request, made.id)).toEqual(['day', 'sum', 'pin']);

  await choose(section, words.shared.actionsFor('Key-box PIN'), words.shared.duplicate);
  await expect(section.locator('[data-row="pin-2"] .shelf-name')).toBeFocused();
  await section
    .locator('[data-row="pin"]')
    .getByRole('button', { name: words.shared.actionsFor('') })
    .click();
  await page.getByRole('menuitem', { name: words.shared.changeId }).click();
  await page.getByLabel(words.later.id, { exact: true }).fill('sum');
  await expect(page.getByText(words.model.thisIdIsAlready)).toBeVisible();
  await page.getByLabel(words.later.id, { exact: true }).fill('box');
  await page.getByRole('button', { name: words.later.rename }).click();
  await expect
    .poll(async () => (await documentOf(request, made.id)).forms)
    .toEqual([{ id: 'stay', title: 'Stay', fields: ['box', 'day'] }]);

  // Its name in records is another one than its id.
  await section
    .locator('[data-row="box"]')
    .getByRole('button', { name: words.shared.actionsFor('') })
    .click();
  await page.getByRole('menuitem', { name: words.shared.changeId }).click();
  const name = page.getByLabel(words.set.nameInRecords);
  await expect(name).toHaveAttribute('placeholder', 'box');
  await name.fill('day');
  await expect(page.getByText(/have the same name in this form: “day”/)).toBeVisible();
  const rename = page.getByRole('button', { name: words.later.rename });
  const ground = () => rename.evaluate((button) => getComputedStyle(button).backgroundColor);
  await expect(rename).toBeDisabled();
  const disabled = await ground();
  await name.fill('key_box');
  // What is disabled looks so.
  expect(await ground()).not.toBe(disabled);
  await expectNoViolations(page, '[role="dialog"]');
  await page.getByRole('button', { name: words.later.rename }).click();
  await expect
    .poll(
      async () =>
        (await documentOf(request, made.id)).fields.find(({ id }: { id: string }) => id === 'box').name,
    )
    .toBe('key_box');

  await choose(section, words.shared.actionsFor('Price'), /^Change kind/);
  await page.getByRole('radio', { name: /^percent/ }).check();
  await clean(page);
  await page.getByRole('button', { name: words.set.change }).click();
  await expect.poll(async () => (await documentOf(request, made.id)).fields[1].kind).toBe('percent');

  await choose(section, words.shared.actionsFor('Price'), words.set.copyOrMoveToAnother);
  await page.getByRole('radio', { name: words.set.move }).check();
  await page
    .getByRole('dialog')
    .getByRole('button', { name: new RegExp(other.title) })
    .click();
  await expect.poll(() => fieldsOf(request, other.id)).toEqual(['sum']);
  await expect.poll(() => fieldsOf(request, made.id)).toEqual(['day', 'box', 'pin-2']);

  await choose(section, words.shared.actionsFor('Day'), words.shared.deleteLabel);
  await expect(section.getByRole('button', { name: words.shared.restore })).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(section.locator('[data-row="day"] .shelf-name')).toBeFocused();
  await expect.poll(() => fieldsOf(request, made.id)).toEqual(['day', 'box', 'pin-2']);
  expect((await documentOf(request, made.id)).forms[0].fields).toEqual(['box', 'day']);

  const many = Array.from({ length: 200 }, (_, i) => ({ ...pin, id: `pin-${i}`, label: `PIN of hut ${i}` }));
  const large = await newSet(request, many);
  await page.goto('/');
  await page.locator('body').press('/');
  await expect(page.getByRole('searchbox', { name: words.shared.findAField })).toBeFocused();
  await page.keyboard.type('hut 173');
  await expect(page.locator('.shelf-name')).toHaveText(['PIN of hut 173']);
  await page.keyboard.press('Enter');
  await page.keyboard.press('Enter');
  await page.waitForURL(`**/sets/${large.id}/fields/pin-173`);
});

test('7: on its desk a field is turned into another kind and back by undo, renamed, doubled', async ({
  page,
  request,
}) => {
  const made = await newSet(request, [sum]);
  await page.goto(`/sets/${made.id}/fields/sum`);
  await choose(page, words.shared.actionsFor('Price'), /^Change kind/);
  await page.getByRole('radio', { name: /^date \d/ }).check();
  await page.getByRole('button', { name: words.set.change }).click();
  const specimen = page.getByRole('region', { name: words.desk.specimen });
  await expect(
    specimen.getByRole('button', { name: words.desk.editWithCaptionText('day', '14') }),
  ).toBeVisible();
  await live(page).getByLabel('Price').pressSequentially('14022027');
  await expect(live(page).getByLabel('Price')).toHaveValue('14/02/2027');
  await page.getByRole('button', { name: words.set.undo, exact: true }).click();
  await expect(
    specimen.getByRole('button', { name: words.desk.editWithCaptionText('currency', '') }),
  ).toBeVisible();
  await page.getByRole('button', { name: words.shared.redo, exact: true }).click();
  await expect(
    specimen.getByRole('button', { name: words.desk.editWithCaptionText('day', '14') }),
  ).toBeVisible();
  await choose(page, words.shared.actionsFor('Price'), words.shared.changeId);
  await page.getByLabel(words.later.id, { exact: true }).fill('when');
  await page.getByRole('button', { name: words.later.rename }).click();
  await page.waitForURL(`**/sets/${made.id}/fields/when`);
  await expect(page.getByRole('heading', { name: 'Price' })).toBeAttached();
  await choose(page, words.shared.actionsFor('Price'), words.shared.duplicate);
  await page.waitForURL(`**/sets/${made.id}/fields/when-2`);
  await expect(
    specimen.getByRole('button', { name: words.desk.editWithCaptionText('day', '14') }),
  ).toBeVisible();
  expect(await fieldsOf(request, made.id)).toEqual(['when', 'when-2']);
});

test('7: sets are doubled, renamed, deleted and put back', async ({ page, request }) => {
  const made = await newSet(request, [pin]);
  await page.goto('/');
  await choose(page, words.shared.actionsFor(made.title), words.shared.duplicateSet);
  await expect(page.locator(`.set-title[value="${made.title} (copy)"]`)).toBeVisible();
  await choose(page, words.shared.actionsFor(made.title), words.shared.changeId);
  await page.getByLabel(words.later.id, { exact: true }).fill('ridge-huts');
  await page.getByRole('button', { name: words.later.rename }).click();
  await expect(page.getByText(words.app.idIsTaken('ridge-huts'))).toBeVisible();
  const id = `${made.id}-own`;
  await page.getByLabel(words.later.id, { exact: true }).fill(id);
  await page.getByRole('button', { name: words.later.rename }).click();
  await expect(page.locator(`[data-set="${id}"]`)).toBeVisible();
  await choose(page, words.shared.actionsFor(made.title), words.shared.deleteSet);
  await expect(page.locator(`[data-set="${id}"]`)).toHaveCount(0);
  expect((await request.get(`/api/sets/${id}`)).status()).toBe(404);
  await page.getByRole('button', { name: words.shared.restore }).click();
  await expect(page.locator(`[data-set="${id}"]`)).toBeVisible();
});

test('8: a document goes out and comes in; a broken one shows its faults by place, and what is sound can be taken', {
  tag: '@long',
}, async ({ page, request }) => {
  const made = await newSet(request, [pin, sum]);
  await page.goto('/');
  const coming = page.waitForEvent('download');
  await choose(page, words.shared.actionsFor(made.title), words.shared.downloadDocumentArbeitJson);
  expect((await coming).suggestedFilename()).toBe(`${made.id}.arbeit.json`);
  await choose(page, words.shared.actionsFor(made.title), words.shared.copyDocumentAsJson);
  await expect(onShelf(page, made).getByText(words.shared.copied, { exact: true })).toBeVisible();
  const text = await page.evaluate(() => navigator.clipboard.readText());
  expect(JSON.parse(text).fields.map((field: { id: string }) => field.id)).toEqual(['pin', 'sum']);

  const broken = text.replace('"EUR"', '"EURO"').replace(made.title, `${made.title} in`);
  const path = join(tmpdir(), `${made.id}.arbeit.json`);
  writeFileSync(path, broken);
  await page.getByRole('button', { name: words.shared.importLabel }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel(/^File \(/).setInputFiles(path);
  await expect(dialog.getByText(/^the currency of Price:/)).toBeVisible();
  await expect(dialog.getByText(words.shelf.validFields('Key-box PIN'))).toBeVisible();
  await clean(page);
  await dialog.getByRole('button', { name: words.shelf.importFields(1) }).click();
  await expect(page.locator(`.set-title[value="${made.title} in"]`)).toBeFocused();

  // Dropped on the shelf.
  const dropped = await page.evaluateHandle((json) => {
    const data = new DataTransfer();
    data.items.add(new File([json], 'huts.arbeit.json', { type: 'application/json' }));
    return data;
  }, text);
  await page.locator('main').dispatchEvent('drop', { dataTransfer: dropped });
  await expect(dialog.getByText(words.shelf.isValid(made.title, '2 fields'))).toBeVisible();
  await dialog.getByRole('button', { name: words.shelf.importAsANewSet }).click();
  await expect(page.locator(`.set-title[value="${made.title}"]`)).toHaveCount(2);
});

test('a field as it is handed off: typed into on its desk, its look changed, what is no icon told', {
  tag: '@long',
}, async ({ page, request }) => {
  const made = await newSet(request, [sum]);
  await page.goto(`/sets/${made.id}/fields/sum`);
  await page.getByRole('combobox', { name: words.ui.view }).selectOption(words.desk.asExported);
  const input = page.locator('arbeit-field input');
  await input.pressSequentially('12');
  await expect(page.getByRole('region', { name: words.desk.tape, exact: true })).toContainText('12');
  await page.getByRole('button', { name: words.ui.closeChange(false, 'the appearance') }).click();
  await page.getByRole('radio', { name: words.desk.floating }).check();
  await expect(page.locator('arbeit-field')).toHaveAttribute('data-label', 'inside');
  await page.getByLabel(words.desk.suffix).fill('a night');
  await expect(page.locator('arbeit-field').getByText('a night')).toBeVisible();
  await page.getByLabel(words.desk.iconSvg).fill('<svg><script>alert(1)</script></svg>');
  await expect(page.getByText(/<script> is not allowed in an icon/)).toBeVisible();
  await expect(page.locator('arbeit-field svg')).toHaveCount(0);
  await page
    .getByLabel(words.desk.iconSvg)
    .fill('<svg viewBox="0 0 2 2"><circle cx="1" cy="1" r="1"/></svg>');
  await expect(page.locator('arbeit-field svg circle')).toBeAttached();
  await expect(
    page.getByText(
      [words.desk.labelWithLabel('floating'), words.desk.icon, words.desk.suffixWithBehind('a night')].join(
        ', ',
      ),
    ),
  ).toBeVisible();
  await clean(page);
  // What was typed stays, and undo takes the look back.
  await expect(input).not.toHaveValue('');
});

test('9: to the next field and back, every command, every key, help in its place', { tag: '@long' }, async ({
  page,
  request,
}) => {
  const made = await newSet(request, [pin, sum, day]);
  await page.goto(`/sets/${made.id}/fields/sum`);
  await page.keyboard.press('Alt+ArrowDown');
  await page.waitForURL(`**/sets/${made.id}/fields/day`);
  await expect(page.getByRole('heading', { name: 'Day' })).toBeAttached();
  await page.getByRole('link', { name: words.desk.previousField(': Price') }).click();
  await expect(page.getByRole('heading', { name: 'Price' })).toBeAttached();
  await page.keyboard.press('Alt+ArrowUp');
  await page.waitForURL(`**/sets/${made.id}/fields/pin`);
  await expect(page.getByRole('region', { name: words.shared.pattern })).toBeVisible();
  await page.keyboard.press('Control+k');
  await expect(page.getByRole('combobox', { name: words.ui.whatDoYouWant })).toBeFocused();
  await clean(page);
  await page.keyboard.type('next');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Price' })).toBeAttached();
  await page.locator('body').press('?');
  await expect(page.getByRole('dialog', { name: words.ui.keyboardShortcuts })).toContainText('Alt ↓');
  await clean(page);
  await page.keyboard.press('Escape');
  await page.goto(`/sets/${made.id}/fields/pin`);
  await page.getByRole('button', { name: words.ui.helpWithAbout('the pattern') }).click();
  await expect(page.getByText(words.desk.optionalGroup)).toBeVisible();
  await clean(page);
});

test('undo goes on after a reload, and from the desk to the shelf', async ({ page, request }) => {
  const made = await newSet(request, [pin]);
  await page.goto(`/sets/${made.id}/fields/pin`);
  const hint = page.getByLabel(words.shared.hint, { exact: true });
  await hint.fill('one');
  await page.getByLabel(words.desk.label, { exact: true }).fill('PIN');
  await saved(page);
  await expect.poll(async () => (await documentOf(request, made.id)).fields[0].label).toBe('PIN');
  await page.reload();
  await expect(page.getByRole('button', { name: words.set.undo, exact: true })).toBeEnabled();
  await page.getByRole('button', { name: words.set.undo, exact: true }).click();
  await expect(page.getByLabel(words.desk.label, { exact: true })).toHaveValue('Key-box PIN');
  await expect(hint).toHaveValue('one');
  await saved(page);
  await expect.poll(async () => (await documentOf(request, made.id)).fields[0].label).toBe('Key-box PIN');
  await page.getByRole('navigation', { name: words.set.breadcrumb }).getByRole('link').click();
  await onShelf(page, made).getByRole('button', { name: words.set.undo, exact: true }).click();
  await expect.poll(async () => (await documentOf(request, made.id)).fields[0].hint).toBeUndefined();
});

test('the tape offers things to play, tells refusals in words, and is copied so that it plays again', {
  tag: '@long',
}, async ({ page, request }) => {
  const made = await newSet(request, [{ ...pin, entry: { pattern: '<2 digit>-<2 digit>' } }]);
  await page.goto(`/sets/${made.id}/fields/pin`);
  const rows = page.getByRole('region', { name: words.desk.rowsOfTheTape }).locator('tbody tr');
  await page.getByRole('button', { name: words.desk.editInTheMiddle }).click();
  await expect(live(page).getByLabel('Key-box PIN')).toHaveValue(/^\d\d-\d\d$/);
  await live(page).getByLabel('Key-box PIN').focus();
  const before = await rows.count();
  await page.keyboard.type('xx7');
  await expect(rows).toHaveCount(before + 3);
  await expect(rows.last()).toContainText(words.model.theFieldIsFull);
  await expect(rows.nth(before)).toContainText(words.model.lettersNotAllowed);
  // Said to screen readers as well, and what is said goes with the next key that is accepted.
  const said = page.getByRole('status', { name: words.desk.lastRejection });
  await expect(said).toContainText(words.model.theFieldIsFull);
  await page.keyboard.press('Backspace');
  await expect(said).toBeEmpty();
  await page.getByRole('button', { name: words.desk.moreTapeActions }).click();
  await page.getByRole('menuitem', { name: words.desk.copyAsText }).click();
  await expect(
    page.getByRole('region', { name: words.desk.tape }).getByText(words.shared.copied),
  ).toBeVisible();
  const text = await page.evaluate(() => navigator.clipboard.readText());
  expect(text).toMatch(/^tape "Key-box PIN trial 1"\nfield pin\ntoday \d{4}-\d\d-\d\d\n/);
  expect(text).toMatch(/type "\dxx7"/);
});

test('patterns in order: added, drawn while they are in use, moved and removed', { tag: '@long' }, async ({
  page,
  request,
}) => {
  const made = await newSet(request, [
    {
      id: 'card',
      kind: 'pattern',
      label: 'Card',
      entry: { pattern: '<"3"><"47"><2 digit> <6 digit> <5 digit>' },
    },
  ]);
  await page.goto(`/sets/${made.id}/fields/card`);
  const list = page.getByRole('region', { name: words.desk.patternsInOrder });
  await page.getByRole('button', { name: words.desk.addAnotherPattern }).click();
  const line = page.getByRole('textbox', { name: words.shared.pattern, exact: true });
  // The new pattern is selected, to be typed over.
  await expect(line).toBeFocused();
  await page.keyboard.type('<4 digit> <4 digit> <4 digit> <4 digit>');
  await saved(page);
  expect((await documentOf(request, made.id)).fields[0].entry.pattern).toEqual([
    '<"3"><"47"><2 digit> <6 digit> <5 digit>',
    '<4 digit> <4 digit> <4 digit> <4 digit>',
  ]);
  const input = live(page).getByLabel('Card');
  await input.click();
  await page.keyboard.type('3782822463');
  await expect(input).toHaveValue('3782 822463');
  await expect(list.getByRole('button', { pressed: true })).toHaveText(
    '<"3"><"47"><2 digit> <6 digit> <5 digit>',
  );
  await page.keyboard.press('Control+A');
  await page.keyboard.type('42424242');
  await expect(input).toHaveValue('4242 4242');
  await expect(list.getByRole('button', { pressed: true })).toHaveText(
    '<4 digit> <4 digit> <4 digit> <4 digit>',
  );
  await expect(line).toHaveValue('<4 digit> <4 digit> <4 digit> <4 digit>');
  await clean(page);
  // What is typed stays where a pattern that is not in use is chosen.
  await list.getByRole('button', { name: '<"3"><"47">' }).click();
  await expect(line).toHaveValue('<"3"><"47"><2 digit> <6 digit> <5 digit>');
  await expect(input).toHaveValue('4242 4242');
  await expect(page.getByRole('region', { name: words.desk.ruler })).toContainText(/4\s*2\s*4\s*2/);
  // A text that would keep another from ever being in use is not taken, and says why.
  await line.fill('<20 digit>');
  await expect(page.getByText('This pattern is never used')).toBeVisible();
  await page.getByRole('button', { name: words.desk.revertToTheLastValid }).click();
  await list.getByRole('button', { name: '<4 digit>' }).click();
  await list.getByRole('button', { name: words.desk.movePatternUp(2) }).click();
  await expect(list.getByRole('status')).toHaveText(/is never used/);
  await list.getByRole('button', { name: words.desk.removePattern(2) }).click();
  await expect(list).toHaveCount(0);
  await expect(line).toBeFocused();
  await saved(page);
  expect((await documentOf(request, made.id)).fields[0].entry.pattern).toBe(
    '<"3"><"47"><2 digit> <6 digit> <5 digit>',
  );
});

test('a month, a date with a time, and a concealed text, each on its desk', { tag: '@long' }, async ({
  page,
  request,
}) => {
  const made = await newSet(request, [
    { id: 'until', kind: 'date', label: 'Valid until', entry: { parts: 'month' } },
    { id: 'at', kind: 'date-time', label: 'Arrival', entry: {}, rules: [{ id: 'r', check: { type: 'range', min: '2027-02-14T16:30' } }] },
    { id: 'secret', kind: 'text', label: 'Password', entry: { conceal: true } },
  ]); // biome-ignore format: a field a line
  await page.goto(`/sets/${made.id}/fields/until`);
  const until = live(page).getByLabel('Valid until');
  await until.click();
  await page.keyboard.type('2/27');
  await page.keyboard.press('Tab');
  await expect(until).toHaveValue('02/2027');
  await expect(live(page).getByRole('button', { name: /calendar/i })).toHaveCount(0);
  await clean(page);
  await page.goto(`/sets/${made.id}/fields/at`);
  const at = live(page).getByLabel('Arrival');
  await at.click();
  await page.keyboard.type('14/2/27 1500');
  await expect(at).toHaveValue('14/02/2027, 15:00');
  await page.keyboard.press('Tab');
  await expect(live(page)).toContainText('Enter 14/02/2027, 16:30 or a later time.');
  // The calendar sets the day, and the time stays.
  await live(page).getByRole('button', { name: words.ui.calendar }).click();
  const calendar = page.getByRole('dialog');
  await expect(calendar.getByRole('button', { name: /13 February 2027/ })).toHaveAttribute(
    'aria-disabled',
    'true',
  );
  await clean(page);
  await calendar.getByRole('button', { name: /15 February 2027/ }).click();
  await expect(at).toBeFocused();
  await expect(at).toHaveValue('15/02/2027, 15:00');
  await clean(page);
  await page.goto(`/sets/${made.id}/fields/secret`);
  const secret = live(page)
    .getByRole('textbox', { name: 'Password' })
    .or(live(page).locator('input[type=password]'));
  await secret.click();
  await page.keyboard.type('four huts');
  await expect(secret).toHaveAttribute('type', 'password');
  const reveal = live(page).getByRole('button', { name: words.desk.show, exact: true });
  await reveal.focus();
  await page.keyboard.press('Enter');
  await expect(secret).toHaveAttribute('type', 'text');
  await expect(secret).toHaveValue('four huts');
  // Revealed it is no more copied than concealed.
  await secret.focus();
  await page.keyboard.press('Control+A');
  await page.keyboard.press('Control+C');
  await page.keyboard.press('Control+X');
  await expect(secret).toHaveValue('four huts');
  await clean(page);
});
