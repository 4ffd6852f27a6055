import { kindIn, kinds } from '@arbeit/engine/kinds';
import { actionsFor, kindNames, sketchOf, writeTape } from '@arbeit/engine/prove';
import { parseTape } from '@arbeit/engine/tape';
import { expect, type Page } from '@playwright/test';
import fc from 'fast-check';
import * as words from '../apps/studio/words/index.ts';
import { test } from './alive.ts';
import { expectNoViolations } from './axe.ts';
import { compiled, playBoth } from './hands.ts';
import { newSet } from './sets.ts';

const live = (page: Page) => page.getByRole('region', { name: words.desk.liveField });
const desk = (field: string) => `/sets/ridge-huts/fields/${field}`;

test('random tapes on random fields of every kind play in Chromium as in the engine', {
  tag: '@long',
}, async ({ page, request }) => {
  const seed = Number(process.env.ARBEIT_SEED ?? 20270210);
  const cases = kindNames.flatMap((kind) => {
    const sketches = fc.sample(sketchOf(kind), { numRuns: 1, seed });
    const isPicked = kindIn(kinds, kind).draw.isPicked;
    // What a hand does to what is picked: keys type nothing there, and there is no caret.
    const done = /^(?:set|autofill|up|down|backspace|undo|redo|leave|focus|submit|reset)$/;
    const tapes = fc
      .sample(actionsFor(kind), { numRuns: 1, seed: seed + 1 })
      .map((tape) => (isPicked ? tape.filter((action) => done.test(action.do)) : tape));
    return sketches.map((sketch, i) => ({ sketch, tape: tapes[i]! }));
  });
  const fields = cases.map(({ sketch: { kind, entry, locale } }, i) => ({
    id: `random-${i}`,
    kind,
    label: `Random ${i}`,
    locale,
    entry,
  }));
  const id = await newSet(request, { fields });
  const set = compiled({ arbeit: 2, title: 'Kinds', locale: 'en-GB', fields });
  for (const [i, { sketch, tape }] of cases.entries()) {
    const read = parseTape(`tape "Random ${i}"\nfield random-${i}\nfocus\n${writeTape(tape)}`);
    if (!read.ok) throw new RangeError(JSON.stringify(read.faults));
    await page.goto(`/sets/${id}/fields/random-${i}/alone`);
    await test.step(`${JSON.stringify(sketch)}\n${writeTape(tape)}`, () => playBoth(page, set, read.tape));
  }
});

test('a part of the specimen is defined where it stands; a choice shows what it does before it is made', async ({
  page,
  request,
}) => {
  const id = await newSet(request, {
    fields: [{ id: 'sum', kind: 'currency', label: 'Sum', entry: { currency: 'GBP' } }],
  });
  await page.goto(`/sets/${id}/fields/sum`);
  const specimen = page.getByRole('region', { name: words.desk.specimen });
  await specimen.getByRole('button', { name: words.desk.editWithCaptionText('currency', '£') }).focus();
  await page.keyboard.press('Enter');
  const editor = page.getByRole('region', { name: /^Edit/ });
  await editor.getByText('its code').hover();
  await expect(specimen).toContainText('GBP');
  await editor.getByRole('radio', { name: /its code/ }).check();
  await page.keyboard.press('Escape');
  await expect(
    specimen.getByRole('button', { name: words.desk.editWithCaptionText('currency', 'GBP') }),
  ).toBeVisible();
  await live(page).getByLabel('Sum').fill('');
  await live(page).getByLabel('Sum').pressSequentially('1234.5');
  await expect(live(page).getByLabel('Sum')).toHaveValue('GBP\u00a01,234.5');
  await expect(page.getByRole('region', { name: words.desk.ruler })).toContainText('content: 1234.5');
  await expect(page.getByText(words.set.saved, { exact: true }).first()).toBeVisible();
  await page.reload();
  await expect(
    specimen.getByRole('button', { name: words.desk.editWithCaptionText('currency', 'GBP') }),
  ).toBeVisible();
});

test('locale sheet: type in one locale, and all others show the same value in their way', {
  tag: '@long',
}, async ({ page }) => {
  await page.goto(desk('deposit'));
  await page.getByRole('button', { name: words.desk.show, exact: true }).click();
  const sheet = page.getByRole('region', { name: words.shared.inOtherLocales });
  await expect(sheet.getByRole('textbox')).toHaveCount(16);
  const german = sheet.locator('[lang="de-DE"] input');
  await german.click();
  await page.keyboard.type('1234,5');
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.type('6');
  await expect(german).toHaveValue('1.234,65\u00a0£');
  await expect(sheet.locator('[lang="en-IN"] input')).toHaveValue('£1,234.65');
  await expect(sheet.locator('[lang="de-CH"] input')).toHaveValue(/1.234\.65/);
  // The sheet follows the field and never writes to it.
  await expect(live(page).getByLabel('Deposit')).toHaveValue('');
  expect(await german.evaluate((input: HTMLInputElement) => input.selectionStart)).toBe('1.234,6'.length);
  await expectNoViolations(page);
});

test('the same value in another way follows the field, and what is tried there stays there', {
  tag: '@long',
}, async ({ page }) => {
  await page.goto(desk('walk-in'));
  const minutes = page.getByRole('textbox', { name: 'Walk-in time, in minutes' });
  await live(page).getByLabel('Walk-in time').click();
  await page.keyboard.type('1h35');
  await live(page).getByLabel('Walk-in time').blur();
  await expect(minutes).toHaveValue('95 min');
  await minutes.click();
  await page.keyboard.press('Control+A');
  await page.keyboard.type('9999');
  await expect(live(page).getByLabel('Walk-in time')).toHaveValue('1 h 35 min');
  await minutes.blur();
  await expect(page.getByRole('complementary').getByText(/Enter .+ or (?:more|less)/)).toBeVisible();
  await live(page).getByRole('button', { name: 'hour', exact: true }).click();
  await page.keyboard.type('2');
  await expect(live(page).getByLabel('Walk-in time')).toHaveValue('2 h 35 min');
  await expect(minutes).toHaveValue('155 min');
});

test('calendar: keyed through, days the rules refuse say why and cannot be picked', async ({ page }) => {
  await page.goto(desk('arrival'));
  const line = live(page).getByLabel('Arrival');
  await page.getByRole('button', { name: words.ui.calendar }).focus();
  await page.keyboard.press('Enter');
  const calendar = page.getByRole('dialog');
  await expect(calendar.getByRole('button', { name: /^Wednesday,? 10 February 2027/ })).toBeFocused();
  await expect(calendar.getByRole('row', { name: /^06/ })).toBeVisible();
  await page.keyboard.press('ArrowLeft');
  await expect(calendar.getByText(/We take bookings from/)).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(line).toHaveValue('');
  for (const key of ['ArrowRight', 'ArrowDown', 'PageDown', 'End']) await page.keyboard.press(key);
  await expectNoViolations(page);
  await page.keyboard.press('Enter');
  await expect(line).toBeFocused();
  await expect(line).toHaveValue('21/03/2027');

  // A year is chosen, not reached by a hundred presses; the list keeps the focus.
  await page.getByRole('button', { name: words.ui.calendar }).click();
  const year = calendar.getByRole('combobox', { name: 'year' });
  await year.selectOption('2010');
  await calendar.getByRole('combobox', { name: 'month' }).selectOption('12');
  await expect(calendar.getByRole('button', { name: /21 December 2010/ })).toBeVisible();
  await year.focus();
  await page.keyboard.press('ArrowDown');
  await expect(calendar.getByRole('button', { name: /21 December 2011/ })).toBeVisible();
  await expect(year).toBeFocused();
  await expectNoViolations(page);
});

test('regions: found while typing, searched by name, code and number', async ({ page }) => {
  await page.goto(desk('mobile'));
  const line = live(page).getByLabel('Guest’s mobile number');
  await line.click();
  await page.keyboard.type('+336');
  const picker = page.getByRole('button', { name: /^Region: France/ });
  await picker.click();
  await page.keyboard.type('+41');
  await expect(page.getByRole('listbox', { name: words.field.regions }).getByRole('option')).toHaveText([
    'Switzerland+41',
  ]);
  await page.getByLabel('Search by name, code or number').fill('united k');
  await expect(page.getByRole('listbox', { name: words.field.regions }).getByRole('option')).toHaveText([
    'United Kingdom+44',
  ]);
  await expectNoViolations(page);
  await page.keyboard.press('Enter');
  await expect(line).toBeFocused();
  await expect(line).toHaveValue('06');
});

test('boxes a pointer is dragged over are selected, and typing takes their place', async ({ page }) => {
  await page.goto(desk('change-code'));
  const boxes = live(page).locator('[data-box]');
  await live(page).locator('.boxes input').focus();
  await page.keyboard.type('481516');
  const middle = async (i: number) => {
    const box = (await boxes.nth(i).boundingBox())!;
    return [box.x + box.width / 2, box.y + box.height / 2] as const;
  };
  await page.mouse.move(...(await middle(4)));
  await page.mouse.down();
  await page.mouse.move(...(await middle(2)), { steps: 5 });
  await page.mouse.move(...(await middle(1)), { steps: 3 });
  await page.mouse.up();
  await expect(live(page).locator('[data-selected]')).toHaveText(['8', '1', '5', '1']);
  await page.keyboard.type('9');
  await expect(live(page).locator('.boxes input')).toHaveValue('496');
});

test('a code: one input under its boxes, mended by a click, answered once, a wrong one forgotten at the next key', async ({
  page,
}) => {
  await page.goto(desk('change-code'));
  const line = live(page).getByLabel('Code from our message');
  await expect(line).toHaveCount(1);
  const boxes = live(page).locator('[data-box]');
  await expect(boxes).toHaveCount(6);
  await line.focus();
  await page.keyboard.type('481510');
  await expect(live(page)).toContainText(words.field.thatCodeIsNotCorrect);
  await expect(live(page).locator('.boxes')).toHaveAttribute('data-invalid', 'true');
  await expect(boxes.nth(5)).toHaveAttribute('data-active', 'true');
  const box = (await boxes.nth(5).boundingBox())!;
  await page.mouse.click(box.x + box.width / 2, box.y + box.height / 2);
  await expect(boxes.nth(5)).toHaveAttribute('data-selected', 'true');
  await expect(live(page)).toContainText(words.field.thatCodeIsNotCorrect);
  await page.keyboard.press('Delete');
  await expect(live(page)).not.toContainText(words.field.thatCodeIsNotCorrect);
  await page.keyboard.type('6');
  await expect(line).toHaveValue('481516');
  await expect(live(page).getByRole('status')).toContainText(words.field.theCodeIsRight);
  await page.keyboard.press('Shift+ArrowLeft');
  await page.keyboard.press('Shift+ArrowLeft');
  await expect(live(page).locator('[data-selected]')).toHaveCount(2);
  await expectNoViolations(page);
});

test('a PIN is concealed until it is revealed, and stays one field', async ({ page }) => {
  await page.goto(desk('key-box'));
  const line = live(page).getByLabel('Key-box PIN');
  await line.focus();
  await page.keyboard.type('83');
  await expect(line).toHaveAttribute('type', 'password');
  await expect(live(page).locator('[data-box]').first()).toHaveText('•');
  await live(page).getByRole('button', { name: words.desk.show, exact: true }).click();
  await expect(live(page).locator('[data-box]').first()).toHaveText('8');
  await line.focus();
  await page.keyboard.type('05');
  await expect(line).toHaveValue('8305');
});

test('resting text turns into an input in its place: Enter saves what is valid, Escape goes back', {
  tag: '@long',
}, async ({ page }) => {
  await page.goto(desk('deposit'));
  await live(page).getByRole('combobox', { name: words.ui.view }).selectOption(words.desk.unfocusedAfterBlur);
  const rest = live(page).getByRole('button', { name: /: (?:–|£)/ });
  const top = (await rest.boundingBox())!;
  await rest.focus();
  await page.keyboard.press('Enter');
  const line = live(page).getByRole('textbox');
  await expect(line).toBeFocused();
  const place = (await line.boundingBox())!;
  expect([Math.round(place.x), Math.round(place.y), Math.round(place.height)]).toEqual([
    Math.round(top.x),
    Math.round(top.y),
    Math.round(top.height),
  ]);
  await page.keyboard.type('50');
  await page.keyboard.press('Enter');
  await expect(rest).toHaveText('£50.00');
  await expect(rest).toBeFocused();
  // Opened it holds what it rested with (law 13): seven times, and untouched it stays.
  for (let i = 0; i < 7; i++) {
    await page.keyboard.press('Enter');
    await expect(line).toBeFocused();
    await expect(line).toHaveValue('£50');
    await page.keyboard.press(i % 2 ? 'Escape' : 'Enter');
    await expect(rest).toHaveText('£50.00');
    await expect(rest).toBeFocused();
  }
  await page.keyboard.press('Enter');
  await page.keyboard.press('Backspace');
  await expect(line).toHaveValue('£5');
  await page.keyboard.press('Escape');
  await expect(rest).toHaveText('£50.00');
  await page.keyboard.press('Enter');
  await expect(line).toBeFocused();
  await page.keyboard.press('Control+A');
  await page.keyboard.type('999');
  await page.keyboard.press('Enter');
  await expect(line).toBeVisible();
  await expect(live(page)).toContainText('Enter £500.00 or less.');
});

for (const [field, sheet] of [
  ['deposit', 'dark'],
  ['departure', 'light'],
  ['key-box', 'dark'],
  ['remarks', 'light'],
  ['hut', 'dark'],
  ['extras', 'light'],
] as const)
  test(`axe finds nothing on the desk of ${field}, ${sheet} sheet`, { tag: '@long' }, async ({ page }) => {
    await page.addInitScript((chosen) => localStorage.setItem('arbeit.sheet', chosen), sheet);
    await page.goto(desk(field));
    await expectNoViolations(page);
  });

test('what can be chosen is edited where it stands: words, value, order, another, and a fault is told in its row', async ({
  page,
  request,
}) => {
  const options = [
    { value: 'none', label: 'No meals' },
    { value: 'half', label: 'Half board' },
  ];
  const id = await newSet(request, {
    fields: [{ id: 'meals', kind: 'choice', label: 'Meals', entry: { options } }],
  });
  await page.goto(`/sets/${id}/fields/meals`);
  const list = live(page).locator('.live-paper option');
  await page.getByRole('button', { name: words.desk.edit('one of 2') }).click();
  const sheet = page.getByRole('region', { name: /^Edit/ });
  await sheet.getByRole('button', { name: words.desk.addOption }).click();
  await sheet.getByLabel(words.desk.partOfOption.label(3)).fill('Half board');
  await expect(sheet.getByText('Another option already has this label.')).toBeVisible();
  await sheet.getByLabel(words.desk.partOfOption.label(3)).fill('Full board');
  await sheet.getByLabel(words.desk.partOfOption.value(3)).fill('full');
  await sheet.getByRole('button', { name: words.desk.moveOptionUp(3) }).click();
  await expect(list).toHaveText(['', 'No meals', 'Full board', 'Half board']);
  await sheet.getByRole('button', { name: words.desk.removeOption(1) }).click();
  await expect(sheet.getByRole('button', { name: words.desk.removeOption(1) }).first()).toBeDisabled();
  await expectNoViolations(page);
  await page.keyboard.press('Escape');
  await live(page).locator('.live-paper select').focus();
  await page.keyboard.press('ArrowDown');
  await expect(
    page.getByRole('region', { name: words.desk.values }).getByText('full', { exact: true }).first(),
  ).toBeVisible();
});
