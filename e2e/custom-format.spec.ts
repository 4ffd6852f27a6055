import { expect, type Page } from '@playwright/test';
import * as words from '../apps/studio/words/index.ts';
import { test } from './alive.ts';
import { expectNoViolations } from './axe.ts';
import { documentOf, newSet } from './sets.ts';
import { withAny } from './with-any.ts';

/**
 * A field whose text the developer's own function lays out: on its desk, alone, in a form, and where the
 * function does what it may not.
 */

const grouped = "export function shape(content) {\n  return content.replace(/(.{3})(?=.)/g, '$1-');\n}";
/** The engine itself is busy with it: only its thread can be ended. */
const hanging =
  "export function shape(content) {\n  if (content.length > 3) [].indexOf.call({ length: 2 ** 53 - 1 }, 1);\n  return content.replace(/(.{3})(?=.)/g, '$1-');\n}";

const field = (code: string, more: object = {}) => ({
  id: 'locker',
  kind: 'custom',
  label: 'Locker',
  entry: { code, length: { min: 4, max: 9 } },
  ...more,
});

const locker = (page: Page) => page.getByLabel('Locker', { exact: true }).first();
const caret = (page: Page) => locker(page).evaluate((input: HTMLInputElement) => input.selectionStart);

test('typed, mended in the middle, undone: the function lays out, all else is as in any field', async ({
  page,
  request,
}) => {
  const id = await newSet(request, { fields: [field(grouped)] });
  await page.goto(`/sets/${id}/fields/locker/alone`);
  await locker(page).pressSequentially('123456');
  await expect(locker(page)).toHaveValue('123-456');
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('Backspace');
  await expect(locker(page)).toHaveValue('124-56');
  expect(await caret(page)).toBe(2);
  await page.keyboard.type('9x');
  await expect(locker(page)).toHaveValue('129-456');
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  await expect(locker(page)).toHaveValue('123-456');
  await page.getByRole('button', { name: words.later.submit }).click();
  await expect(page.getByText('Received locker: 123456')).toBeVisible();
});

test('the code is written on the desk: how a text grows, the laws, a mistake at its line; reloaded it is there', {
  tag: '@long',
}, async ({ page, request }) => {
  const id = await newSet(request, { fields: [field(grouped)] });
  await page.goto(`/sets/${id}/fields/locker`);
  await page.locator('[data-part="shape"]').first().click();
  const strip = page.getByRole('region', { name: /^Edit:/ });
  await expect(
    strip.getByRole('list', { name: words.customCode.displayKeyByKey }).getByRole('listitem'),
  ).toHaveText(['4', '48', '481', '481-5', '481-51', '481-516', '481-516-2', '481-516-23']);
  await expect(strip.getByText(withAny(words.customCode.noProblemsFoundInRandom('9,999')))).toBeVisible();
  await expectNoViolations(page);
  const code = strip.getByRole('textbox', { name: words.customCode.codeOfTheFormat });
  await code.fill('export function shape(content) {\n  return content.slice(0, 3);\n}');
  await expect(
    strip.getByText(
      words.customCode.shownUnformatted(undefined, 'shape() left out “5”. Return all typed characters.'),
    ),
  ).toBeVisible();
  await expect(strip.getByText(words.customCode.problemsFound(1))).toBeVisible();
  await expect(strip.getByRole('list', { name: words.customCode.lawsThatAreBroken })).toContainText(
    'left out',
  );
  await expectNoViolations(page);
  await code.fill('export function shape(content) {\n  return nobody(content);\n}');
  await expect(
    strip.getByText(`${words.customCode.line(2)}ReferenceError: 'nobody' is not defined`),
  ).toBeVisible();
  await code.fill('function other() {}');
  await expect(strip.getByText(words.customCode.notSaved('Expected “export function shape'))).toBeVisible();
  await code.fill("export function shape(content) {\n  return content.replace(/(..)(?=.)/g, '$1/');\n}");
  await expect(page.getByLabel(words.desk.specimen)).toContainText('48');
  await locker(page).pressSequentially('12345');
  await expect(locker(page)).toHaveValue('12/34/5');
  await expect(page.getByText(words.set.saved, { exact: true })).toBeVisible();
  await page.reload();
  await locker(page).pressSequentially('1234');
  await expect(locker(page)).toHaveValue('12/34');
});

test('a caret that was moved while the function was asked stays where it was put', { tag: '@long' }, async ({
  page,
  request,
}) => {
  const id = await newSet(request, { fields: [field(grouped)] });
  await page.goto(`/sets/${id}/fields/locker/alone`);
  await locker(page).focus();
  // In one task: a text that has to be asked about, and the caret put into its middle before the browser
  // tells of it.
  await locker(page).evaluate((input: HTMLInputElement) => {
    document.execCommand('insertText', false, '123456');
    input.setSelectionRange(2, 2);
  });
  await expect(locker(page)).toHaveValue('123-456');
  expect(await caret(page)).toBe(2);
  await page.keyboard.type('9');
  await expect(locker(page)).toHaveValue('129-345-6');
});

test('what waited for the function stands in the tape as it came, and a trial kept of it holds', {
  tag: '@long',
}, async ({ page, request }) => {
  const id = await newSet(request, { fields: [field(grouped)] });
  await page.goto(`/sets/${id}/fields/locker`);
  await locker(page).focus();
  await page.evaluate(() => navigator.clipboard.writeText('12345678'));
  await page.keyboard.press('Control+v');
  await expect(locker(page)).toHaveValue('123-456-78');
  // Kept at once, its expectations are what came of it, not what stood there while the function was asked.
  await page.getByRole('button', { name: words.desk.saveAsTrial }).click();
  await page.getByRole('link', { name: words.desk.giveItAName }).click();
  await page.waitForURL('**/trials#*');
  await expect(page.getByText(/^Passed in \d+ ms\.$/)).toBeVisible();
  const { trials } = await documentOf(request, id);
  expect(trials[0].tape).toContain('expect display "123-456-78"');
});

test('a function that never comes back freezes nothing and loses nothing, and can be mended', {
  tag: '@long',
}, async ({ page, request }) => {
  const id = await newSet(request, { fields: [field(hanging)] });
  await page.goto(`/sets/${id}/fields/locker`);
  await locker(page).pressSequentially('12345');
  // What was typed stands there at once, and the page answers.
  await expect(locker(page)).toHaveValue('12345');
  await page.keyboard.press('Backspace');
  await page.keyboard.press('Backspace');
  await expect(locker(page)).toHaveValue('123');
  await page.keyboard.type('45');
  await page.keyboard.press('Tab');
  await expect(
    page.getByText('Something went wrong on our side. Please try again later.').first(),
  ).toBeVisible();
  await expect(locker(page)).toHaveValue('12345');
  await page.locator('[data-part="shape"]').first().click();
  const strip = page.getByRole('region', { name: /^Edit:/ });
  await strip.getByRole('textbox', { name: words.customCode.codeOfTheFormat }).fill(grouped);
  await expect(locker(page)).toHaveValue('123-45');
  await expect(strip.getByText(withAny(words.customCode.noProblemsFoundInRandom('9,999')))).toBeVisible();
});

test('a form sends its value, and the server asks the same function', async ({ page, request }) => {
  const valued = `${grouped}\nexport function value(content) {\n  return content === '0000' ? null : content;\n}`;
  const id = await newSet(request, {
    fields: [field(valued)],
    forms: [{ id: 'rent', title: 'Rent a locker', fields: ['locker'] }],
  });
  await page.goto(`/sets/${id}/forms/rent/alone`);
  await locker(page).pressSequentially('0000');
  await expect(locker(page)).toHaveValue('000-0');
  await page.getByRole('button', { name: /^Send|^Submit/ }).click();
  await expect(page.getByText('Please complete this field.')).toBeVisible();
  await locker(page).press('Backspace');
  await page.keyboard.type('12');
  await expect(locker(page)).toHaveValue('000-12');
  await page.getByRole('button', { name: /^Send|^Submit/ }).click();
  await expect(page.getByText('00012').first()).toBeVisible();
  const sent = (raw: string) =>
    request.post(`/api/sets/${id}/forms/rent/records`, { data: { raw: { locker: raw } } });
  const [good, bad] = [await sent('12345'), await sent('0000')];
  expect(await good.text()).toContain('12345');
  expect(await bad.text()).toContain('incomplete');
});

test('on the trials screen the law check tells what a shape may not do', { tag: '@long' }, async ({
  page,
  request,
}) => {
  const counting =
    'let calls = 0;\nexport function shape(content) {\n  calls = (calls + 1) % 3;\n  return content + "-".repeat(calls);\n}';
  const id = await newSet(request, { fields: [field(counting)] });
  await page.goto(`/sets/${id}/trials`);
  const laws = page.getByRole('region', { name: words.later.lawCheck });
  await laws.getByLabel(words.trials.forLabel).selectOption(words.trials.tenThousandEvents);
  await laws.getByRole('button', { name: words.later.run, exact: true }).click();
  await expect(laws.getByRole('status')).toHaveText(/broken/);
  await expect(laws.getByRole('list', { name: words.trials.brokenLaws('Locker') })).toContainText(
    'as before with the same content',
  );
});
