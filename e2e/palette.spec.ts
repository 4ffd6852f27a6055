import AxeBuilder from '@axe-core/playwright';
import { expect, type Page } from '@playwright/test';
import * as texts from '../apps/studio/words/index.ts';
import { test } from './alive.ts';
import { pages } from './pages.ts';
import { newSet } from './sets.ts';

const options = (page: Page) => page.getByRole('listbox', { name: texts.ui.commands }).getByRole('option');

/** Opens the palette and types into it. */
async function ask(page: Page, text: string): Promise<void> {
  await page.keyboard.press('Control+k');
  await page.getByRole('combobox', { name: texts.ui.whatDoYouWant }).fill(text);
}

// Ordinary words of the trade. The names of what they find may differ.
const words = ['import', 'upload', 'export', 'download', 'theme', 'dark', 'history', 'version', 'preview', 'settings', 'language', 'translate', 'locale', 'test', 'run', 'fuzz', 'coverage', 'validation', 'required', 'regex', 'mask', 'placeholder', 'hint', 'rename', 'delete', 'duplicate', 'copy', 'new', 'search', 'help', 'shortcuts', 'home', 'undo', 'json', 'csv', 'react', 'phone', 'date', 'currency', 'pin']; // biome-ignore format: a list

test('every ordinary word finds something on every page', { tag: '@long' }, async ({ page }) => {
  // A field or a form alone is shown as on a page of one’s own, without the studio around it.
  for (const path of pages.filter((one) => !one.endsWith('/alone'))) {
    await page.goto(path);
    // The names of all fields are fetched when it opens.
    await ask(page, 'old ledger mark');
    await expect(options(page).filter({ hasText: 'Old ledger mark' }).first()).toBeVisible();
    const input = page.getByRole('combobox', { name: texts.ui.whatDoYouWant });
    const missing: string[] = [];
    for (const word of words) {
      await input.fill(word);
      if ((await options(page).count()) === 0) missing.push(word);
    }
    expect([path, missing]).toEqual([path, []]);
  }
});

test('what another page can do is done there, and what does not apply says why', { tag: '@long' }, async ({
  page,
  request,
}) => {
  // More sets than the shelf lays out, all changed after this one.
  for (let i = 0; i < 12; i++) await newSet(request, { fields: [] });
  await page.goto('/sets/ridge-huts/fields/deposit');
  await ask(page, 'law check');
  await page.keyboard.press('Enter');
  await page.waitForURL('**/trials');
  const laws = page.getByRole('region', { name: texts.later.lawCheck });
  await expect(laws.getByRole('status')).toHaveText(/events/);
  await laws.getByRole('button', { name: texts.later.stop }).click();

  await ask(page, 'import');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('dialog', { name: texts.shelf.importTitle })).toBeVisible();
  await page.keyboard.press('Escape');

  await page.goto('/sets/ridge-huts/trials');
  await ask(page, 'character classes');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('dialog', { name: texts.shelf.characterClassesWithTitle('') })).toBeVisible();
  await page.keyboard.press('Escape');

  // The shelf has “undo” for each set: what was listed before does not stay.
  await ask(page, 'no such command');
  await expect(options(page)).toHaveCount(0);
  await page.keyboard.press('Escape');

  await ask(page, 'save tape');
  const option = options(page).first();
  await expect(option).toHaveAttribute('aria-disabled', 'true');
  await expect(option).toContainText(texts.ui.openAFieldFirst);
  // A disabled command does nothing.
  await page.keyboard.press('Enter');
  await expect(page.getByRole('combobox', { name: texts.ui.whatDoYouWant })).toBeVisible();
  const { violations } = await new AxeBuilder({ page }).analyze();
  expect(violations.map(({ id, nodes }) => [id, nodes.length])).toEqual([]);
});

test('a menu of the page and a control of the page are found by name', async ({ page }) => {
  await page.goto('/sets/ridge-huts/fields/warden');
  await ask(page, 'change id');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('dialog', { name: /^Rename|^Change id/ })).toBeVisible();
  await page.keyboard.press('Escape');
  await ask(page, 'right to left');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('combobox', { name: texts.ui.textDirection })).toBeFocused();
  await expect(page.locator('.live-paper')).toHaveAttribute('dir', 'rtl');
});

/** Scripts that the page asks for wait until the returned function is called. */
async function holdScripts(page: Page): Promise<() => void> {
  let answer = (): void => undefined;
  const held = new Promise<void>((resolve) => {
    answer = resolve;
  });
  await page.route('**/*.js', async (route) => {
    await held;
    await route.continue();
  });
  return answer;
}

test('what is typed while a dialog is loading is typed into it', async ({ page, request }) => {
  const id = await newSet(request, {
    fields: [{ id: 'pin', label: 'PIN', kind: 'pattern', entry: { pattern: '<4 digit>' } }],
  });
  await page.goto(`/sets/${id}/fields/pin`);
  const answer = await holdScripts(page);
  const field = page.getByRole('textbox', { name: 'PIN' });
  await field.click();
  // Meant for the palette, not for the field that has the focus.
  await page.keyboard.press('Control+k');
  await page.keyboard.type('trialx');
  await page.keyboard.press('Backspace');
  await expect(page.getByRole('combobox', { name: texts.ui.whatDoYouWant })).toHaveCount(0);
  answer();
  await expect(page.getByRole('combobox', { name: texts.ui.whatDoYouWant })).toHaveValue('trial');
  await page.keyboard.press('Escape');
  await expect(field).toBeFocused();
  await page.keyboard.type('12');
  await expect(field).toHaveValue('12');
});

test('a dialog that has nothing to type into is closed by a key pressed while it was loading', async ({
  page,
}) => {
  await page.goto('/sets/ridge-huts/trials');
  const answer = await holdScripts(page);
  // It is there for less than a frame.
  const opened = page.evaluate(
    () =>
      new Promise<void>((resolve) => {
        const look = () => document.querySelector('[role="dialog"]') && resolve();
        new MutationObserver(look).observe(document.body, { childList: true, subtree: true });
      }),
  );
  await page.keyboard.press('?');
  await page.keyboard.press('Escape');
  answer();
  await opened;
  await expect(page.getByRole('dialog')).toHaveCount(0);
});
