import { type APIRequestContext, expect, type Page } from '@playwright/test';
import * as words from '../apps/studio/words/index.ts';
import { test } from './alive.ts';
import { lineOf } from './hands.ts';

/** Stores a set of one field and opens it alone, in a real form. */
async function open(page: Page, request: APIRequestContext, field: object, locale = 'en-GB'): Promise<void> {
  const document = {
    arbeit: 2,
    title: 'Binding',
    locale,
    fields: [{ id: 'f', kind: 'pattern', label: 'Field', ...field }],
  };
  const answer = await request.post('/api/sets', { data: { document } });
  expect(answer.status(), await answer.text()).toBe(201);
  const { id } = (await answer.json()) as { id: string };
  await page.goto(`/sets/${id}/fields/f/alone`);
}

const phone = { entry: { pattern: '(<3 digit>) <3 digit>-<4 digit>' } };
const caretOf = (page: Page) => lineOf(page, 'f').evaluate((input: HTMLInputElement) => input.selectionStart);

test('value and caret are set in the task of the key, before anybody can look', async ({ page, request }) => {
  await open(page, request, phone);
  await lineOf(page, 'f').focus();
  await lineOf(page, 'f').evaluate((input: HTMLInputElement) => {
    const seen: string[] = [];
    (window as unknown as { seen: string[] }).seen = seen;
    input.addEventListener('input', () =>
      seen.push(`${input.value.slice(0, input.selectionStart!)}|${input.value.slice(input.selectionStart!)}`),
    );
  });
  await page.keyboard.type('5550');
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.type('7');
  expect(await page.evaluate(() => (window as unknown as { seen: string[] }).seen)).toEqual([
    '(5|',
    '(55|',
    '(555|',
    '(555) 0|',
    '(555) 7|0',
  ]);
});

test('composition is left alone until it ends, then taken as one insertion', async ({ page, request }) => {
  await open(page, request, { entry: { pattern: '<2 letter>-<4 letter>' } });
  const line = lineOf(page, 'f');
  await line.focus();
  await page.keyboard.type('ab');
  const browser = await page.context().newCDPSession(page);
  await browser.send('Input.imeSetComposition', { text: 'ni', selectionStart: 2, selectionEnd: 2 });
  await expect(line).toHaveValue('abni');
  await browser.send('Input.imeSetComposition', { text: '你好', selectionStart: 2, selectionEnd: 2 });
  await expect(line).toHaveValue('ab你好');
  await browser.send('Input.insertText', { text: '你好' });
  await expect(line).toHaveValue('ab-你好');
  expect(await caretOf(page)).toBe(5);
  await page.keyboard.press('Control+Z');
  await expect(line).toHaveValue('');
});

test('what a keyboard puts in by replacing is taken by difference', async ({ page, request }) => {
  await open(page, request, phone);
  const line = lineOf(page, 'f');
  await line.focus();
  await page.keyboard.type('555012');
  // As phones do it: the value is changed first, and an event that cannot be held back tells afterwards.
  const replace = (value: string, caret: number, inputType: string) =>
    line.evaluate(
      (input: HTMLInputElement, [value, caret, inputType]) => {
        input.value = value as string;
        input.setSelectionRange(caret as number, caret as number);
        input.dispatchEvent(new InputEvent('input', { bubbles: true, inputType: inputType as string }));
      },
      [value, caret, inputType] as const,
    );
  await replace('(555) 9012', 7, 'insertReplacementText');
  await expect(line).toHaveValue('(555) 901-2');
  expect(await caretOf(page)).toBe(7);
  // Backspace behind fixed text, done natively: the character before it is meant.
  await line.evaluate((input: HTMLInputElement) => input.setSelectionRange(6, 6));
  await replace('(555)901-2', 5, 'deleteContentBackward');
  await expect(line).toHaveValue('(559) 012');
  expect(await caretOf(page)).toBe(3);
});

test('a program that writes to the input and forgets to say so is found out', async ({ page, request }) => {
  await open(page, request, phone);
  const line = lineOf(page, 'f');
  await line.evaluate((input: HTMLInputElement) => {
    input.value = '5550123456';
  });
  await line.focus();
  await expect(line).toHaveValue('(555) 012-3456');
  await page.keyboard.press('Backspace');
  await expect(line).toHaveValue('(555) 012-345');
});

test('text typed before the page came alive is kept, with its caret', async ({ page, request }) => {
  await open(page, request, phone);
  const url = page.url();
  let let_go = () => {};
  const held = new Promise<void>((resolve) => {
    let_go = resolve;
  });
  await page.route('**/*.js*', async (route) => {
    await held;
    await route.continue();
  });
  await page.goto(url, { waitUntil: 'commit' });
  const line = lineOf(page, 'f');
  await line.focus();
  await page.keyboard.type('5550123');
  await page.keyboard.press('ArrowLeft');
  await expect(line).toHaveValue('5550123');
  let_go();
  await expect(line).toHaveValue('(555) 012-3');
  await page.keyboard.type('9');
  await expect(line).toHaveValue('(555) 012-93');
});

test('in a form: raw is submitted, reset goes back, Enter submits, the first errors are shown', async ({
  page,
  request,
}) => {
  await open(page, request, {
    ...phone,
    initial: '5550123456',
    rules: [{ id: 'r', check: { type: 'required' } }],
  });
  const line = lineOf(page, 'f');
  await expect(line).toHaveValue('(555) 012-3456');
  await line.press('Enter');
  await expect(page.locator('output')).toHaveText('5550123456');
  await line.press('Control+A');
  await page.keyboard.press('Delete');
  expect(
    await line.evaluate((input: HTMLInputElement) => [
      input.validity.valid,
      input.validationMessage,
      input.getAttribute('aria-invalid'),
    ]),
  ).toEqual([false, 'Please fill in this field.', 'true']);
  await page.keyboard.press('Enter');
  await expect(page.getByText('Please fill in this field.')).toBeVisible();
  await expect(page.locator('output')).toHaveCount(0);
  await page.getByRole('button', { name: words.later.reset }).click();
  await expect(line).toHaveValue('(555) 012-3456');
  await expect(page.getByText('Please fill in this field.')).toHaveCount(0);
});

test('other listeners get real input and change events, and no more than there were', async ({
  page,
  request,
}) => {
  await open(page, request, phone);
  const line = lineOf(page, 'f');
  await line.evaluate((input: HTMLInputElement) => {
    const told: string[] = [];
    (window as unknown as { told: string[] }).told = told;
    for (const type of ['input', 'change'])
      document.addEventListener(type, (event) =>
        told.push(
          `${type} ${(event.target as HTMLInputElement).value} ${(event as InputEvent).inputType ?? ''}`.trim(),
        ),
      );
    input.focus();
  });
  await page.keyboard.type('5x5');
  await page.keyboard.press('Backspace');
  await line.blur();
  await line.focus();
  await line.blur();
  expect(await page.evaluate(() => (window as unknown as { told: string[] }).told)).toEqual([
    'input (5 insertText',
    'input (55 insertText',
    'input (5 deleteContentBackward',
    'change (5',
  ]);
});

test('readonly and disabled inputs stay as they are', async ({ page, request }) => {
  await open(page, request, { ...phone, initial: '555', html: { readonly: true } });
  const line = lineOf(page, 'f');
  await line.focus();
  await page.keyboard.type('1');
  await page.keyboard.press('Backspace');
  await page.keyboard.press('Control+X');
  await page.keyboard.press('Control+Z');
  await expect(line).toHaveValue('(555');
});

test('label, hint and message belong to the input', async ({ page, request }) => {
  await open(page, request, {
    ...phone,
    hint: 'With area code',
    rules: [{ id: 'r', check: { type: 'required' } }],
  });
  const line = page.getByLabel(words.shared.field);
  await expect(line).toHaveAccessibleDescription('With area code');
  await page.locator('label').click();
  await expect(line).toBeFocused();
  await page.keyboard.press('Tab');
  await expect(line).toHaveAccessibleDescription('With area code Please fill in this field.');
  await expect(page.locator('[aria-live=polite]').filter({ hasText: 'Please' })).toBeVisible();
});

test('a click puts the caret where it was clicked; an empty line of blanks begins at its first cell', async ({
  page,
  request,
}) => {
  await open(page, request, { entry: { pattern: 'RH-<4 digit>', positions: 'fixed' } });
  const line = lineOf(page, 'f');
  await line.click({ position: { x: 200, y: 12 } });
  await page.keyboard.type('12');
  await expect(line).toHaveValue('RH-12__');
  await line.blur();
  await line.click({ position: { x: 10, y: 12 } });
  expect(await caretOf(page)).toBeLessThan(2);
});

for (const [locale, initial] of [
  ['ar-EG', '٥٥٥٠١٢'],
  ['th-TH', '555'],
  ['en-GB', '５５５'],
] as const)
  test(`server and browser draw the same first page (${locale})`, async ({ page, request }) => {
    const complaints: string[] = [];
    page.on('console', (message) => message.type() === 'error' && complaints.push(message.text()));
    page.on('pageerror', (error) => complaints.push(error.message));
    await open(page, request, { ...phone, initial, label: 'رقم الهاتف', locale }, locale);
    const served = await (await request.get(page.url())).text();
    expect(served).toMatch(/<input[^>]*value="\(555/);
    await lineOf(page, 'f').focus();
    await page.keyboard.type('7');
    await expect(lineOf(page, 'f')).toHaveValue(/7$/);
    expect(complaints).toEqual([]);
  });
