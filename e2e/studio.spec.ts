import { spawn } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { expect, type Locator, type Page } from '@playwright/test';
import * as words from '../apps/studio/words/index.ts';
import { patient, test } from './alive.ts';
import { expectNoViolations } from './axe.ts';
import { pages } from './pages.ts';
import { documentOf, newSet, save, saved, stored } from './sets.ts';

const pin = { id: 'pin', kind: 'pattern', label: 'Key-box PIN', entry: { pattern: '<4 digit>' } };
const liveLine = (page: Page, label: string) =>
  page.getByRole('region', { name: words.desk.liveField }).getByLabel(label);

test('from nothing to a working field with the keyboard alone, and all of it is there after a reload', async ({
  page,
  request,
}) => {
  const id = await newSet(request, {});
  await page.goto('/');
  const section = page.locator(`[data-set="${id}"]`);
  await section.getByRole('button', { name: words.shared.newField }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByLabel(words.set.labelOptional)).toBeFocused();
  await page.keyboard.press('Tab');
  await expect(page.getByLabel(words.set.exampleValuesOnePerLine)).toBeFocused();
  await page.keyboard.type('1234');
  await page.keyboard.press('Control+Enter');
  await page.waitForURL(`**/sets/${id}/fields/field`);
  await liveLine(page, words.shared.newField).focus();
  await page.keyboard.type('12');
  await page.getByLabel(words.desk.label, { exact: true }).focus();
  await page.keyboard.press('Control+A');
  await page.keyboard.type('Hut pass');
  await page
    .getByRole('region', { name: words.shared.pattern })
    .getByLabel(words.shared.pattern, { exact: true })
    .focus();
  await page.keyboard.press('Control+A');
  await page.keyboard.type('<2 latin upper>-<4 digit>');
  await liveLine(page, 'Hut pass').focus();
  await page.keyboard.type('ab12');
  await expect(liveLine(page, 'Hut pass')).toHaveValue('AB-12');
  // The id follows the label; the page, the tape and what was typed stay.
  await page.waitForURL(`**/sets/${id}/fields/hut-pass`);
  await expect(page.getByRole('region', { name: words.desk.ruler })).toContainText('raw: AB12');
  await saved(page);
  await page.reload();
  await expect(
    page
      .getByRole('region', { name: words.shared.pattern })
      .getByLabel(words.shared.pattern, { exact: true }),
  ).toHaveValue('<2 latin upper>-<4 digit>');
  await expect(page.getByRole('heading', { name: 'Hut pass' })).toBeAttached();
});

test('a change made just before the page goes away is saved', async ({ page, request }) => {
  const id = await newSet(request, { fields: [pin] });
  await page.goto(`/sets/${id}/fields/pin`);
  await page.getByLabel(words.shared.hint, { exact: true }).fill('Four digits');
  await page.goto('/');
  await expect.poll(async () => (await documentOf(request, id)).fields[0].hint).toBe('Four digits');
});

test('specimen and pattern text stay in step, by mouse and by key', { tag: '@long' }, async ({
  page,
  request,
}) => {
  const id = await newSet(request, { fields: [pin] });
  await page.goto(`/sets/${id}/fields/pin`);
  await page.getByRole('button', { name: words.desk.edit('4 digits') }).focus();
  await page.keyboard.press('Enter');
  await page.getByLabel(words.desk.allowedCharacters).selectOption(words.desk.letterAZ);
  await page.getByLabel(words.desk.letterCase).selectOption(words.desk.capitals);
  await page.getByLabel(words.desk.maximum).fill('6');
  const pattern = page
    .getByRole('region', { name: words.shared.pattern })
    .getByLabel(words.shared.pattern, { exact: true });
  await expect(pattern).toHaveValue('<6 latin upper>');
  await page.keyboard.press('Escape');
  await pattern.fill('<3 latin>-<2 digit>');
  await expect(page.getByRole('button', { name: words.desk.edit('3 letters A to Z') })).toBeVisible();
  await page.getByRole('button', { name: words.desk.edit('a hyphen') }).click();
  await page.getByLabel(words.shared.fixedText, { exact: true }).fill('/');
  await expect(pattern).toHaveValue('<3 latin>/<2 digit>');
  await page.getByRole('button', { name: words.later.remove }).click();
  await expect(pattern).toHaveValue('<3 latin><2 digit>');
  // Each change on the specimen is a step, one visit to the line is one.
  const undo = page.getByRole('button', { name: words.set.undo, exact: true });
  await undo.click();
  await expect(pattern).toHaveValue('<3 latin>/<2 digit>');
  await undo.click();
  await expect(pattern).toHaveValue('<3 latin>-<2 digit>');
  await undo.click();
  await expect(pattern).toHaveValue('<6 latin upper>');
});

test('a pattern with mistakes tells each with its column, saves nothing, and has a way back', {
  tag: '@long',
}, async ({ page, request }) => {
  const id = await newSet(request, { fields: [pin] });
  await page.goto(`/sets/${id}/fields/pin`);
  const pattern = page
    .getByRole('region', { name: words.shared.pattern })
    .getByLabel(words.shared.pattern, { exact: true });
  await pattern.fill('<4 digt>-<2 latn>');
  await expect(page.getByText('Column 4:')).toContainText('Did you mean digit');
  await expect(page.getByText('Column 13:')).toContainText('Did you mean latin');
  await expect(pattern).toHaveAttribute('aria-invalid', 'true');
  await page.waitForTimeout(800);
  expect((await documentOf(request, id)).fields[0].entry.pattern).toBe('<4 digit>');
  await page.getByRole('button', { name: words.desk.revertToTheLastValid }).click();
  await expect(pattern).toHaveValue('<4 digit>');
});

test('the desk follows the tape back and forth, and typing goes on from there', { tag: '@long' }, async ({
  page,
  request,
}) => {
  const id = await newSet(request, { fields: [{ ...pin, entry: { pattern: '<2 digit>-<2 digit>' } }] });
  await page.goto(`/sets/${id}/fields/pin`);
  const line = liveLine(page, 'Key-box PIN');
  await line.focus();
  await page.keyboard.type('1234');
  await page.getByRole('region', { name: words.desk.rowsOfTheTape }).focus();
  await page.keyboard.press('ArrowUp');
  await page.keyboard.press('ArrowUp');
  const back = await line.inputValue();
  expect(['12', '12-3']).toContain(back);
  await expect(page.getByRole('region', { name: words.desk.ruler })).toContainText(`display: ${back}`);
  await page.keyboard.press('End');
  await expect(line).toHaveValue('12-34');
  await page.getByRole('button', { name: words.desk.stepBack }).click();
  await page.getByRole('button', { name: words.desk.stepBack }).click();
  await page.getByRole('button', { name: words.desk.stepBack }).click();
  const from = await line.inputValue();
  await line.focus();
  await page.keyboard.type('9');
  await expect(line).not.toHaveValue(from);
  await expect(page.getByText(/new keys continue from here/)).toHaveCount(0);
});

test('a cleared tape comes back where it was cleared, until something else is typed', {
  tag: '@long',
}, async ({ page, request }) => {
  const id = await newSet(request, { fields: [pin] });
  await page.goto(`/sets/${id}/fields/pin`);
  const tape = page.getByRole('region', { name: words.desk.tape, exact: true });
  const button = (name: string) => tape.getByRole('button', { name });
  await expect(button(words.shared.clearTape)).toBeDisabled();
  await liveLine(page, pin.label).focus();
  await page.keyboard.type('12');
  // Leaving the field is a row too.
  await button(words.shared.clearTape).focus();
  const rows = await tape.getByRole('row').count();
  await page.keyboard.press('Enter');
  await expect(tape.getByText(words.desk.typeIntoTheFieldAbove)).toBeVisible();
  // The same button, with the focus still on it.
  await expect(button(words.desk.restoreTape)).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(tape.getByRole('row')).toHaveCount(rows);
  await expect(liveLine(page, pin.label)).toHaveValue('12');
  await button(words.shared.clearTape).click();
  await liveLine(page, pin.label).focus();
  await page.keyboard.type('3');
  await expect(button(words.shared.clearTape)).toBeEnabled();
  await expect(button(words.desk.restoreTape)).toHaveCount(0);
});

test('a changed definition plays the same keys again, and the tape still steps', { tag: '@long' }, async ({
  page,
  request,
}) => {
  const id = await newSet(request, { fields: [pin] });
  await page.goto(`/sets/${id}/fields/pin`);
  const line = liveLine(page, 'Key-box PIN');
  await page.waitForLoadState('networkidle');
  await line.focus();
  await page.keyboard.type('12345');
  await expect(line).toHaveValue('1234');
  await page
    .getByRole('region', { name: words.shared.pattern })
    .getByLabel(words.shared.pattern, { exact: true })
    .fill('<2 digit>-<3 digit>');
  await expect(line).toHaveValue('12-345');
  await page.getByRole('button', { name: words.desk.stepBack }).click();
  await page.getByRole('button', { name: words.desk.stepBack }).click();
  await expect(line).toHaveValue(/^12-34?$/);
  await page.getByRole('button', { name: words.set.undo, exact: true }).click();
  await expect(line).toHaveValue(/^123?4?$/);
});

test('rules: added, ordered by key, their lamps on the present value, their message worded', {
  tag: '@long',
}, async ({ page, request }) => {
  const id = await newSet(request, { fields: [pin] });
  await page.goto(`/sets/${id}/fields/pin`);
  const rules = page.getByRole('region', { name: words.shared.rules });
  await rules.getByRole('button', { name: words.shared.addRule }).click();
  await page.getByRole('menuitem', { name: 'Required' }).click();
  await rules.getByRole('button', { name: words.shared.addRule }).click();
  await page.getByRole('menuitem', { name: 'Forbidden values' }).click();
  await liveLine(page, 'Key-box PIN').focus();
  await page.keyboard.type('0000');
  await expect(rules.getByRole('button', { name: /^(pass|open|fail|skipped) none of 0000/ })).toContainText(
    'fail',
  );
  await expect(rules.getByRole('button', { name: /^(pass|open|fail|skipped) is required/ })).toContainText(
    'pass',
  );
  await rules.getByRole('button', { name: 'Reorder “none of 0000”' }).focus();
  await page.keyboard.press('ArrowUp');
  await expect(rules.getByRole('listitem').first()).toContainText('none of 0000');
  await rules.getByLabel(words.field.message, { exact: true }).fill('{worth} is too easy.');
  await expect(rules.getByText('Unknown placeholder {worth}')).toBeVisible();
  await rules.getByLabel(words.field.message, { exact: true }).fill('{value} is too easy.');
  await liveLine(page, 'Key-box PIN').focus();
  await page.keyboard.press('Tab');
  await expect(page.getByRole('region', { name: words.desk.liveField })).toContainText('0000 is too easy.');
  await saved(page);
  expect((await documentOf(request, id)).fields[0].rules.map((rule: { id: string }) => rule.id)).toEqual([
    'not-in',
    'required',
  ]);
});

test('rules that contradict each other are told while they are written', { tag: '@long' }, async ({
  page,
  request,
}) => {
  const guests = {
    id: 'guests',
    kind: 'number',
    label: 'Guests',
    entry: {},
    rules: [
      { id: 'least', check: { type: 'range', min: '10' } },
      { id: 'most', check: { type: 'range', max: '20' } },
    ],
  };
  const id = await newSet(request, { fields: [guests] });
  await page.goto(`/sets/${id}/fields/guests`);
  const rules = page.getByRole('region', { name: words.shared.rules });
  const told = rules.getByRole('status', { name: words.desk.contradictionsAmongTheRules });
  await rules.getByRole('button', { name: /^(pass|open|fail|skipped) at most 20/ }).click();
  await expect(told).toBeEmpty();
  await rules.getByRole('textbox', { name: words.desk.maximum }).fill('5');
  await expect(told.getByText('no value passes both')).toBeInViewport();
  await expectNoViolations(page);
  await rules.getByRole('textbox', { name: words.desk.maximum }).fill('50');
  await expect(told).toBeEmpty();
});

test('a field is deleted and put back', async ({ page, request }) => {
  const id = await newSet(request, { fields: [pin, { ...pin, id: 'two', label: 'Second PIN' }] });
  await page.goto('/');
  const section = page.locator(`[data-set="${id}"]`);
  await section.getByRole('button', { name: words.shared.actionsFor('Key-box PIN') }).click();
  await page.getByRole('menuitem', { name: words.shared.deleteLabel, exact: true }).click();
  await expect(section.getByRole('link', { name: 'Key-box PIN' })).toHaveCount(0);
  await section.getByRole('button', { name: words.shared.restore }).click();
  await expect(section.getByRole('link', { name: 'Key-box PIN' })).toBeVisible();
  await expect.poll(async () => (await documentOf(request, id)).fields.length).toBe(2);
});

test('a field deleted on its desk can be put back from the shelf', { tag: '@long' }, async ({
  page,
  request,
}) => {
  const id = await newSet(request, { fields: [pin] });
  await page.goto(`/sets/${id}/fields/pin`);
  await page.getByRole('button', { name: words.shared.actionsFor('Key-box PIN') }).click();
  await page.getByRole('menuitem', { name: words.shared.deleteLabel, exact: true }).click();
  const section = page.locator(`[data-set="${id}"]`);
  await expect(section.getByText(words.shelf.wasDeleted('Key-box PIN'))).toBeVisible();
  await section.getByRole('button', { name: words.shared.restore }).click();
  await expect(section.getByRole('link', { name: 'Key-box PIN' })).toBeVisible();
  await expect.poll(async () => (await documentOf(request, id)).fields.length).toBe(1);
});

test('two browsers: the later save of the same is a choice, and either way nothing is lost', async ({
  page,
  browser,
  request,
}) => {
  for (const choice of [words.set.keepMyVersion, words.set.useTheirVersion, words.set.keepBoth]) {
    const id = await newSet(request, { fields: [pin] });
    // Two tabs of one browser tell each other at once; another browser does not.
    const other = await (await browser.newContext()).newPage();
    await page.goto(`/sets/${id}/fields/pin`);
    await patient(other).goto(`/sets/${id}/fields/pin`);
    await other.getByLabel(words.shared.hint, { exact: true }).fill('theirs');
    await saved(other);
    await expect.poll(async () => (await documentOf(request, id)).fields[0].hint).toBe('theirs');
    await page.getByLabel(words.shared.hint, { exact: true }).fill('mine');
    await expect(page.getByRole('alertdialog')).toBeVisible();
    // Member by member, and in behaviour.
    const differ = page.getByRole('region', { name: words.set.howTheyDiffer });
    await expect(differ.getByRole('row', { name: /hint/ })).toHaveText(/theirs.*mine/);
    await expect(differ.getByRole('status')).toHaveText(words.set.theFieldsBehaveAlike);
    await expectNoViolations(page);
    const downloading = page.waitForEvent('download');
    await page.getByRole('button', { name: words.set.downloadMyVersion }).click();
    const file = JSON.parse(readFileSync(await (await downloading).path(), 'utf8'));
    expect(file.fields[0].hint).toBe('mine');
    await expect(page.getByText('Your version is stored under “Conflicting saves”')).toBeVisible();
    await page.getByRole('button', { name: choice }).click();
    const kept = choice === words.set.keepMyVersion ? 'mine' : 'theirs';
    await expect(page.getByLabel(words.shared.hint, { exact: true })).toHaveValue(kept);
    await expect.poll(async () => (await documentOf(request, id)).fields[0].hint).toBe(kept);
    // Chosen once: it is not asked again, here or after a reload.
    await saved(page);
    await page.reload();
    await saved(page);
    await expect(page.getByLabel(words.shared.hint, { exact: true })).toHaveValue(kept);
    await expect(page.getByRole('alertdialog')).toHaveCount(0);
    if (choice === words.set.keepBoth) {
      const copies: { id: string; title: string }[] = await (await request.get('/api/sets')).json();
      const title = words.set.myVersionOf((await documentOf(request, id)).title);
      const copy = copies.find((one) => one.title === title)!;
      expect((await documentOf(request, copy.id)).fields[0].hint).toBe('mine');
    }
    await page.getByLabel(words.shared.placeholder).fill('1234');
    await expect.poll(async () => (await documentOf(request, id)).fields[0].placeholder).toBe('1234');
    await other.context().close();
  }
});

test('of several members that two have changed, each is chosen separately; all other changes are kept', {
  tag: '@long',
}, async ({ page, request }) => {
  const id = await newSet(request, { fields: [pin] });
  await page.goto(`/sets/${id}/fields/pin`);
  await page.route('**/api/sets/s_*', (route) => route.abort());
  await page.getByLabel(words.shared.hint, { exact: true }).fill('my hint');
  await page.getByLabel(words.shared.placeholder).fill('4711');
  await page.getByRole('textbox', { name: words.desk.label, exact: true }).fill('My PIN');
  await page.keyboard.press('Tab');
  const theirs = { ...pin, hint: 'their hint', label: 'Their PIN', initial: '12' };
  const added = { id: 'sum', label: 'Sum', kind: 'number', entry: {} };
  const before = await stored(request, id);
  expect((await save(request, before, { ...before.document, fields: [theirs, added] })).status()).toBe(200);
  // The page retries automatically.
  await page.unroute('**/api/sets/s_*');
  const choice = page.getByRole('alertdialog');
  await expect(choice).toContainText(words.set.restIsMerged(2));
  const row = (member: string) => choice.getByRole('row', { name: member });
  await expect(row('hint').getByRole('radio', { name: 'their hint' })).toBeChecked();
  await row('hint').getByRole('radio', { name: 'my hint' }).focus();
  await page.keyboard.press('Space');
  await expect(row('label').getByRole('radio', { name: 'Their PIN' })).toBeChecked();
  await expectNoViolations(page);
  await choice.getByRole('button', { name: words.set.useTheChosenVersions }).click();
  await expect(choice).toHaveCount(0);
  await saved(page);
  await expect
    .poll(async () => (await documentOf(request, id)).fields)
    .toEqual([{ ...theirs, hint: 'my hint', placeholder: '4711' }, added]);
});

test('the choice lies over any dialog that is open, and its solid button overwrites nothing', {
  tag: '@long',
}, async ({ page, request }) => {
  const id = await newSet(request, { fields: [pin] });
  await page.goto(`/sets/${id}/fields/pin`);
  const theirs = { ...(await documentOf(request, id)), fields: [{ ...pin, hint: 'theirs' }] };
  // Held until a dialog is open: the answer comes in the middle of it.
  let answer = (): void => {};
  const held = new Promise<void>((resolve) => {
    answer = resolve;
  });
  await page.route('**/api/sets/s_*', async (route) => {
    if (route.request().method() === 'PUT') await held;
    await route.continue();
  });
  expect((await save(request, await stored(request, id), theirs)).status()).toBe(200);
  await page.getByLabel(words.shared.hint, { exact: true }).fill('mine');
  await page.keyboard.press('Tab');
  await page.keyboard.press('Control+k');
  await expect(page.getByRole('combobox', { name: words.ui.whatDoYouWant })).toBeFocused();
  answer();
  const choice = page.getByRole('alertdialog');
  await expect(choice).toBeVisible();
  const button = choice.getByRole('button', { name: words.set.useTheirVersion });
  await expect(button).toHaveClass(/solid-button/);
  const isOnTop = await button.evaluate((element) => {
    const { left, top, width, height } = element.getBoundingClientRect();
    return document.elementFromPoint(left + width / 2, top + height / 2) === element;
  });
  expect(isOnTop).toBe(true);
  await button.click();
  await expect(choice).toHaveCount(0);
  expect((await documentOf(request, id)).fields[0].hint).toBe('theirs');
});

test('nothing moves when a message appears', async ({ page }) => {
  await page.goto('/sets/ridge-huts/fields/member');
  const places = () =>
    page.evaluate(
      (names) =>
        names.map((name) =>
          document.querySelector(`section[aria-label="${name}"]`)!.getBoundingClientRect().toJSON(),
        ),
      [words.desk.tape, words.shared.pattern, words.shared.rules, words.desk.liveField],
    );
  const line = liveLine(page, 'Member number');
  await line.focus();
  await page.keyboard.type('4071km');
  const quiet = await places();
  await page.keyboard.type('5');
  await expect(page.getByRole('region', { name: words.desk.liveField })).toContainText('typing errors');
  expect(await places()).toEqual(quiet);
});

for (const width of [1280, 400])
  test(`rows that come as one looks for them move nothing below, at ${width}`, {
    tag: width === 400 ? '@long' : [],
  }, async ({ page, request }) => {
    const many = {
      fields: Array.from({ length: 90 }, (_, i) => ({ ...pin, id: `f${i}`, label: `Box ${i}` })),
    };
    const below = await newSet(request, { fields: [pin] });
    await newSet(request, many);
    await newSet(request, many);
    await page.setViewportSize({ width, height: 800 });
    await page.goto('/');
    const head = page.locator(`[data-set="${below}"] .set-head`);
    const rows = page.locator('.shelf-row');
    const drawn = await rows.count();
    await head.scrollIntoViewIfNeeded();
    const { y } = (await head.boundingBox()) ?? {};
    await expect.poll(() => rows.count()).toBeGreaterThan(drawn);
    expect((await head.boundingBox())?.y).toBe(y);
  });

test('the phone keyboard types, and the focus stays', async ({ page }) => {
  await page.goto('/sets/ridge-huts/fields/key-box');
  await page.getByRole('combobox', { name: words.ui.view }).selectOption(words.shared.onAPhone);
  const line = liveLine(page, 'Key-box PIN');
  await line.focus();
  const keys = page.getByRole('group', { name: words.desk.phoneKeyboardForInputmode('') });
  for (const key of ['1', '2', '8']) await keys.getByText(key, { exact: true }).click();
  await keys.getByLabel('backspace').click();
  await expect(line).toHaveValue('12');
  await expect(line).toBeFocused();
  await page.keyboard.type('9');
  await expect(line).toHaveValue('129');
});

for (const sheet of ['light', 'dark'])
  for (const path of pages)
    test(`axe finds nothing on ${path}, ${sheet} sheet`, { tag: sheet === 'dark' ? '@long' : [] }, async ({
      page,
    }) => {
      await page.addInitScript((s) => localStorage.setItem('arbeit.sheet', s), sheet);
      await page.goto(path);
      await expect(page.locator('html')).toHaveAttribute('data-sheet', sheet);
      await expectNoViolations(page);
      if (!path.endsWith('/warden')) return;
      await liveLine(page, 'Warden’s telephone').focus();
      await page.keyboard.type('555x');
      await page.keyboard.press('Tab');
      await page
        .getByRole('button', { name: /at least 10 characters/ })
        .last()
        .click();
      await expectNoViolations(page, '[aria-label="Rules"]');
      await page.getByRole('button', { name: words.desk.edit('4 digits') }).click();
      await expectNoViolations(page, '.strip');
      await page.getByRole('button', { name: words.desk.typingBehaviour }).click();
      await page.getByRole('button', { name: words.ui.change, exact: true }).click();
      await expectNoViolations(page);
      // Either paper on either desk, with hint and message on it.
      for (const paper of [words.ui.inTheDarkTheme, words.ui.inTheLightTheme]) {
        await page.getByRole('combobox', { name: words.ui.theme }).selectOption(paper);
        await expectNoViolations(page, '[aria-label="Live field"]');
      }
      // Menus, open.
      await page.getByRole('button', { name: words.shared.actionsFor('Warden’s telephone') }).click();
      await expect(page.getByRole('menu')).toBeVisible();
      await expectNoViolations(page, '[role="menu"]');
    });

test('the focus never falls to the body, whatever is taken away', async ({ page, request }) => {
  const options = ['one', 'two', 'three'].map((value) => ({ value, label: value }));
  const rules = [
    { id: 'a', check: { type: 'required' } },
    { id: 'b', check: { type: 'in', values: ['one'] } },
  ];
  const meals = { id: 'meals', kind: 'choice', label: 'Meals', entry: { options }, rules };
  const id = await newSet(request, {
    fields: [meals, { ...pin, entry: { pattern: '<2 digit>-<2 digit>' } }],
  });
  const isKept = async () => {
    await page.waitForTimeout(100);
    expect(await page.evaluate(() => document.activeElement !== document.body)).toBe(true);
  };
  await page.goto(`/sets/${id}/fields/meals`);
  const notes = page.getByRole('region', { name: words.shared.rules });
  await notes
    .getByRole('button', { name: /one of one/ })
    .last()
    .focus();
  await page.keyboard.press('Enter');
  await notes.getByRole('button', { name: words.later.deleteRule }).focus();
  await page.keyboard.press('Enter');
  await isKept();
  await page.getByRole('button', { name: words.desk.edit('one of 3') }).focus();
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: words.desk.removeOption(3) }).focus();
  await page.keyboard.press('Enter');
  await isKept();
  await page.keyboard.press('Escape');
  await isKept();
  await page.goto(`/sets/${id}/fields/pin`);
  await page.getByRole('button', { name: words.desk.edit('a hyphen') }).focus();
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: words.later.remove }).focus();
  await page.keyboard.press('Enter');
  await isKept();
  await page.goto('/');
  await page
    .locator(`[data-set="${id}"]`)
    .getByRole('button', { name: words.shared.actionsFor('Key-box PIN') })
    .focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('menuitem', { name: words.shelf.openDesk })).toBeFocused();
  await page.keyboard.press('End');
  await expect(page.getByRole('menuitem', { name: words.shared.deleteLabel, exact: true })).toBeFocused();
  await page.keyboard.press('Enter');
  await isKept();
  await expect(
    page.locator(`[data-set="${id}"]`).getByRole('button', { name: words.shared.restore }),
  ).toBeFocused();
});

test('a dialog that closes returns the focus to where it was opened', async ({ page, request }) => {
  const id = await newSet(request, { fields: [pin] });
  const dialog = page.getByRole('dialog');
  const isBack = async (from: Locator, of: string) => {
    await expect(dialog, of).toBeVisible();
    await page.keyboard.press('Escape');
    await expect(dialog, of).toHaveCount(0);
    await expect(from, of).toBeFocused();
  };
  /** Every item of a menu that opens a dialog, by key and by mouse. */
  const eachOf = async (menu: Locator, items: readonly string[]) => {
    for (const name of items)
      for (const byKey of [true, false]) {
        const item = page.getByRole('menuitem', { name });
        if (byKey) await menu.press('Enter');
        else await menu.click();
        if (byKey) await item.press('Enter');
        else await item.click();
        await isBack(menu, name);
      }
  };
  const ofField = [
    words.shared.changeId,
    words.shared.changeKind,
    words.shared.locale,
    words.set.copyOrMoveToAnother,
  ];
  await page.goto('/');
  const section = page.locator(`[data-set="${id}"]`);
  await eachOf(section.getByRole('button', { name: words.shared.actionsFor('Key-box PIN') }), ofField);
  await eachOf(section.locator('.set-head').getByRole('button', { name: words.shared.actionsFor('') }), [
    words.shared.locale,
    words.shared.characterClasses,
    words.shelf.severalFields,
    words.shared.changeId,
  ]);
  for (const button of [
    section.getByRole('button', { name: words.shared.newField }),
    page.getByRole('button', { name: words.shelf.importLabel, exact: true }),
  ]) {
    await button.press('Enter');
    await isBack(button, 'from a button');
  }
  await page.goto(`/sets/${id}/fields/pin`);
  await eachOf(page.getByRole('button', { name: words.shared.actionsFor('Key-box PIN') }), [
    ...ofField,
    words.desk.newFieldInThisSet,
  ]);
  const line = liveLine(page, 'Key-box PIN');
  await line.focus();
  await page.keyboard.press('Control+k');
  await isBack(line, 'from a field');
});

test('what somebody does while a new id is being saved stays', async ({ page, request }) => {
  const id = await newSet(request, { fields: [pin] });
  const rename = async (label: string, to: string) => {
    await page.getByRole('button', { name: words.shared.actionsFor(label) }).press('Enter');
    await page.getByRole('menuitem', { name: words.shared.changeId }).press('Enter');
    await page.getByRole('textbox', { name: words.later.id, exact: true }).fill(to);
    await page.keyboard.press('Enter');
    await expect(page.getByRole('dialog')).toHaveCount(0);
  };
  /** Saves wait until the returned function is called. */
  const holdSaves = async () => {
    let letGo = () => {};
    const isLetGo = new Promise<void>((done) => {
      letGo = done;
    });
    await page.route('**/api/sets/*', async (route) => {
      if (route.request().method() === 'PUT') await isLetGo;
      await route.continue();
    });
    return letGo;
  };
  const first = async () => (await documentOf(request, id)).fields[0];

  await page.goto(`/sets/${id}/fields/pin`);
  const ofDesk = await holdSaves();
  await rename('Key-box PIN', 'box');
  await expect(page.getByRole('button', { name: words.shared.actionsFor('Key-box PIN') })).toBeFocused();
  // The same page goes on with the new id, so that what is changed now is not lost.
  await page.getByRole('textbox', { name: words.desk.label, exact: true }).fill('Key box');
  expect((await first()).id).toBe('pin');
  ofDesk();
  await page.waitForURL(`**/sets/${id}/fields/box`);
  await expect.poll(first).toMatchObject({ id: 'box', label: 'Key box' });

  await page.goto('/');
  const ofShelf = await holdSaves();
  const section = page.locator(`[data-set="${id}"]`);
  await rename('Key box', 'locker');
  await expect(section.locator('[data-row="locker"] .shelf-name')).toBeFocused();
  await section.getByRole('button', { name: words.shared.actionsFor('Key box') }).click();
  const item = page.getByRole('menuitem', { name: words.shared.changeId });
  await expect(item).toBeVisible();
  expect((await first()).id).toBe('box');
  ofShelf();
  await expect.poll(first).toMatchObject({ id: 'locker' });
  await saved(page);
  await expect(item).toBeVisible();
});

test('what is faulty is not called saved', async ({ page, request }) => {
  const id = await newSet(request, { fields: [pin] });
  await page.goto(`/sets/${id}/fields/pin`);
  await saved(page);
  await page
    .getByRole('region', { name: words.shared.pattern })
    .getByLabel(words.shared.pattern, { exact: true })
    .fill('<4 dig');
  await expect(page.getByText(words.set.savedExceptTheMarkedErrors)).toBeVisible();
  await page.getByRole('button', { name: words.desk.revertToTheLastValid }).click();
  await saved(page);
});

for (const [width, zoom] of [[1280, 1], [400, 1], [1280, 2], [1280, 4]] as const)
  test(`nothing is cut and nothing lies over another at ${width}, ${zoom * 100} %`, { tag: width === 400 || zoom === 2 ? '@long' : [] }, async ({ page, request }) => {
    const long = 'Wanderhüttenübernachtungsanmeldebestätigungsnummer';
    const id = await newSet(request, { fields: [{ ...pin, label: long, hint: `${long} ${long}`, rules: [{ id: 'r', check: { type: 'not-in', values: [long] }, say: `${long}${long}` }] }] });
    await page.setViewportSize({ width: Math.round(width / zoom), height: 800 });
    for (const path of ['/', `/sets/${id}/fields/pin`, '/sets/ridge-huts/fields/warden', '/sets/ridge-huts/fields/deposit', '/sets/ridge-huts/forms/booking', `/sets/${id}/texts`]) {
      await page.goto(path);
      const wide = await page.evaluate(() => {
        const { clientWidth } = document.documentElement;
        const scrolls = (element: Element): boolean =>
          element !== document.documentElement && /auto|scroll|hidden/.test(getComputedStyle(element).overflowX);
        return [...document.querySelectorAll('main *, header *')]
          .filter((element) => element.getBoundingClientRect().right > clientWidth + 1)
          .filter((element) => {
            for (let at = element.parentElement; at; at = at.parentElement) if (scrolls(at)) return false;
            return !element.closest('.sr-only');
          })
          .map((element) => `${element.tagName} ${element.className}`);
      });
      expect([path, wide]).toEqual([path, []]);
    }
  }); // biome-ignore format: a table and a test

test('on every sheet what is written stays clear of the edges of the window', { tag: '@long' }, async ({
  page,
}) => {
  /** How near to an edge a text comes, in pixels. */
  const nearest = () =>
    page.evaluate(() => {
      const { clientWidth } = document.documentElement;
      const texts = document.createTreeWalker(document.querySelector('main')!, NodeFilter.SHOW_TEXT);
      const gaps: number[] = [];
      // A wide table ends where it is cut off and scrolled, not where its text does.
      const cut = [...document.querySelectorAll('main *')].filter(
        (element) =>
          element.scrollWidth > element.clientWidth &&
          /auto|scroll/.test(getComputedStyle(element).overflowX),
      );
      for (let node = texts.nextNode(); node; node = texts.nextNode()) {
        if (!node.nodeValue?.trim() || node.parentElement?.closest('.sr-only, option')) continue;
        if (cut.some((element) => element.contains(node))) continue;
        const range = document.createRange();
        range.selectNodeContents(node);
        for (const { left, right, width } of range.getClientRects())
          if (width > 0 && left < clientWidth) gaps.push(left, clientWidth - right);
      }
      return Math.min(...gaps.filter((gap) => gap > -1));
    });
  for (const path of pages) {
    await page.goto(path);
    for (const width of [1280, 400]) {
      await page.setViewportSize({ width, height: 800 });
      const gap = await nearest();
      expect(gap, `${path} at ${width}`).toBeGreaterThanOrEqual(8);
      // Otherwise nothing was looked at.
      expect(gap).toBeLessThan(width / 2);
    }
  }
});

test('whatever pops out can be reached to its last entry, wherever its button stands', {
  tag: '@long',
}, async ({ page }) => {
  await page.setViewportSize({ width: 1280, height: 330 });
  for (const [path, opens] of [
    ['/', 'menu'],
    ['/sets/ridge-huts/fields/warden', 'menu'],
    ['/sets/ridge-huts/forms/booking', 'dialog'],
    ['/sets/ridge-huts/fields/arrival/alone', 'dialog'],
    ['/sets/ridge-huts/fields/mobile/alone', 'dialog'],
  ] as const) {
    await page.goto(path);
    const buttons = page.locator(`main [aria-haspopup="${opens}"]:visible`);
    await expect(buttons.first()).toBeVisible();
    for (const at of new Set([0, (await buttons.count()) - 1])) {
      const button = buttons.nth(at);
      // In the middle: neither side has room for much.
      await button.evaluate((element) => element.scrollIntoView({ block: 'center' }));
      await button.click();
      const opened = page.locator('[data-radix-popper-content-wrapper]');
      await expect(opened).toBeVisible();
      const entries = opened.getByRole('menuitem').or(opened.locator('button, input, [role="option"]'));
      for (const entry of [entries.first(), entries.last()]) {
        await entry.scrollIntoViewIfNeeded();
        await expect(entry).toBeInViewport({ ratio: 1 });
      }
      await page.keyboard.press('Escape');
      await expect(opened).toHaveCount(0);
    }
  }
});

test('no page needs to be scrolled sideways on a phone', { tag: '@long' }, async ({ page }) => {
  // A desktop at 400 % (WCAG 2.2, 1.4.10).
  await page.setViewportSize({ width: 320, height: 740 });
  for (const path of [...pages, '/sets/ridge-huts/forms/change/alone']) {
    await page.goto(path);
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(320);
  }
});

test('every field and every form of the demo has a desk or a screen, and a page of its own', {
  tag: '@long',
}, async ({ request }) => {
  const { fields, forms } = await documentOf(request, 'ridge-huts');
  const paths = [
    ...fields.map(({ id }: { id: string }) => `fields/${id}`),
    ...forms.map(({ id }: { id: string }) => `forms/${id}`),
  ];
  for (const path of paths.flatMap((one) => [one, `${one}/alone`])) {
    const answer = await request.get(`/sets/ridge-huts/${path}`);
    expect([path, answer.status()]).toEqual([path, 200]);
  }
});

test('addresses that lead nowhere and requests that make no sense are told so', async ({ page, request }) => {
  const answer = await page.goto('/sets/ridge-huts/fields/nobody');
  expect(answer?.status()).toBe(404);
  await expect(page.getByRole('link', { name: words.shared.backToTheShelf })).toBeVisible();
  const put = (data: unknown) => request.put('/api/sets/ridge-huts', { data: data as object });
  expect((await put({})).status()).toBe(400);
  const demo = await stored(request, 'ridge-huts');
  const faulty = await save(request, demo, { arbeit: 2 });
  expect([faulty.status(), (await faulty.json()).faults.length]).toEqual([422, 3]);
  expect((await save(request, { ...demo, key: 'nowhere' }, {})).status()).toBe(404);
  const raw = await request.fetch('/api/sets', {
    method: 'POST',
    data: 'not json',
    headers: { 'content-type': 'text/plain' },
  });
  expect(raw.status()).toBe(415);
});

test('a second Arbeit on the same data folder is refused with a clear message', async () => {
  const folder = process.env.ARBEIT_E2E_DATA!;
  const cwd = fileURLToPath(new URL('../apps/studio', import.meta.url));
  const second = spawn('npx', ['next', 'start', '-p', '4397'], {
    cwd,
    env: { ...process.env, ARBEIT_DATA: folder },
  });
  let said = '';
  second.stdout.on('data', (chunk) => (said += chunk));
  second.stderr.on('data', (chunk) => (said += chunk));
  const code = await new Promise((resolve) => second.on('exit', resolve));
  expect(code).not.toBe(0);
  expect(said.replace(/ \(PID \d+\)/, '')).toContain(words.store.dataFolderIsInUse(folder, ''));
});
