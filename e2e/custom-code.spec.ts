import { expect, type Page } from '@playwright/test';
import type { ReactNode } from 'react';
import { renderToStaticMarkup } from 'react-dom/server';
import * as words from '../apps/studio/words/index.ts';
import { test } from './alive.ts';
import { expectNoViolations } from './axe.ts';
import { documentOf, newSet } from './sets.ts';

/** The text of a control whose words have an element between them. */
const textOf = (node: ReactNode): string => renderToStaticMarkup(node);

const day = { id: 'day', kind: 'date', label: 'Day', placeholder: '14/02/2027', entry: {} };
const live = (page: Page) => page.getByRole('region', { name: words.desk.liveField });
const rules = (page: Page) => page.getByRole('region', { name: words.shared.rules });
const editor = (page: Page) => page.getByRole('textbox', { name: words.customCode.codeOfTheCheck });

async function write(page: Page, code: string): Promise<void> {
  await editor(page).focus();
  await page.keyboard.press('Control+A');
  await page.keyboard.insertText(code);
}

test('own code: written, tried while it is written, told with its line when it breaks, heard at the field, never a frozen page', {
  tag: '@long',
}, async ({ page, request }) => {
  const id = await newSet(request, { fields: [day] });
  const answer = await page.goto(`/sets/${id}/fields/day`);
  // The page itself may compile nothing; the thread that runs the code may.
  expect(answer!.headers()['content-security-policy']).not.toContain('wasm');
  await page.getByRole('button', { name: words.shared.addRule }).click();
  await page.getByRole('menuitem', { name: 'Custom check (JavaScript)' }).click();
  await expect(editor(page)).toBeVisible();
  await write(
    page,
    `const full = ['2027-02-14'];\nexport default ({ value }) =>\n  full.includes(value) ? { code: 'full', data: { day: value } } : { facts: { left: 3 } };`,
  );
  await expect(rules(page).getByText('"code":"full"')).toBeVisible();
  await rules(page).getByLabel(words.field.message, { exact: true }).fill('The hut is full on {day}.');
  const line = live(page).getByRole('textbox', { name: 'Day' });
  await line.fill('14022027');
  await line.press('Tab');
  await expect(live(page)).toContainText('The hut is full on 2027-02-14.');
  await line.focus();
  await page.keyboard.press('Control+A');
  await page.keyboard.type('15022027');
  await expect(live(page)).toContainText('left: 3');
  await expect(live(page)).not.toContainText('The hut is full');
  // Completion knows what the code is given.
  await write(page, 'export default ({ value }) => va');
  await page.keyboard.press('Control+Space');
  await expect(page.getByRole('option', { name: /^values/ })).toBeVisible();
  await page.keyboard.press('Escape');
  for (const [code, told] of [
    ['export default () => {\n  for (;;);\n};', '500,000 steps'],
    [
      'export default () => [].indexOf.call({ length: 2 ** 53 - 1 }, 1);',
      'Not decided: the call did not come back.',
    ],
    [
      'export default () => {\n\n  fetch("/");\n};',
      `${words.customCode.line(3)}ReferenceError: 'fetch' is not defined`,
    ],
    ['export default () => 42;', 'returned a number'],
    ['const check = 1;', words.customCode.notSaved('The code must start a line with "export default"')],
  ] as const) {
    await write(page, code);
    await expect(rules(page)).toContainText(told);
    // The page answers meanwhile.
    await page.getByRole('button', { name: words.set.undo, exact: true }).hover();
  }
  await write(page, 'export default () => {\n  nobody();\n};');
  await expect(rules(page).locator('.cm-lintRange-error')).toBeVisible();
  await expectNoViolations(page, '[aria-label="Rules"]');
  await expect
    .poll(async () => (await documentOf(request, id)).fields[0].rules[0].check.code)
    .toContain('nobody()');
  // What is broken is told to the user without words of the developer's.
  await line.focus();
  await page.keyboard.press('Tab');
  await expect(live(page)).toContainText('Something went wrong on our side. Please try again later.');
});

test('samples kept with a rule: what should pass and what should not, and where the rule disagrees', {
  tag: '@long',
}, async ({ page, request }) => {
  const pin = {
    id: 'pin',
    kind: 'pin',
    label: 'PIN',
    entry: { conceal: false },
    rules: [{ id: 'easy', check: { type: 'not-trivial' } }],
  };
  const id = await newSet(request, { fields: [pin] });
  await page.goto(`/sets/${id}/fields/pin`);
  await rules(page)
    .getByRole('button', { name: /not easy to guess/ })
    .last()
    .click();
  const line = live(page).getByLabel('PIN');
  await line.fill('4815');
  await rules(page)
    .getByRole('button', { name: textOf(words.desk.addAsAValue.pass('4815')) })
    .click();
  await expect(rules(page).getByText(words.desk.asExpected.pass)).toBeVisible();
  await line.focus();
  await page.keyboard.press('Control+A');
  await page.keyboard.type('7394');
  await rules(page)
    .getByRole('button', { name: textOf(words.desk.addAsAValue.fail('7394')) })
    .click();
  await expect(rules(page).getByText(words.desk.unexpected.fail)).toBeVisible();
  await expect
    .poll(async () => (await documentOf(request, id)).fields[0].rules[0].samples)
    .toEqual({ pass: ['4815'], fail: ['7394'] });
  await rules(page)
    .getByRole('button', { name: words.desk.removeTestValue('7394') })
    .click();
  await expect(rules(page).getByText(words.desk.unexpected.fail)).toHaveCount(0);
});

test('a refused value is taken out, in one step of undo', async ({ page, request }) => {
  const rule = { id: 'easy', check: { type: 'not-trivial' }, refused: 'clear' };
  const pin = { id: 'pin', kind: 'pin', label: 'PIN', entry: { conceal: false }, rules: [rule] };
  const id = await newSet(request, { fields: [pin] });
  await page.goto(`/sets/${id}/fields/pin`);
  const line = live(page).getByLabel('PIN');
  await line.focus();
  await page.keyboard.type('1234');
  await page.keyboard.press('Tab');
  await expect(line).toHaveValue('');
  await expect(live(page)).toContainText('This is too easy to guess.');
  await line.focus();
  await page.keyboard.press('Control+Z');
  await expect(line).toHaveValue('1234');
});

test('the server runs the code of a record as the page does', async ({ request }) => {
  const code = `export default ({ value, values }) => (value <= values.from ? { code: 'order' } : { facts: { checked: 'yes' } });`;
  const to = {
    ...day,
    id: 'to',
    label: 'To',
    rules: [{ id: 'own', check: { type: 'custom', code, with: ['from'] } }],
  };
  const id = await newSet(request, {
    fields: [{ ...day, id: 'from', label: 'From' }, to],
    forms: [{ id: 'f', fields: ['from', 'to'] }],
  });
  const send = (raw: object) => request.post(`/api/sets/${id}/forms/f/records`, { data: { raw } });
  const good = await send({ from: '14022027', to: '15022027' });
  expect(await good.json()).toMatchObject({ record: { facts: { to: { checked: 'yes' } } } });
  const bad = await send({ from: '14022027', to: '13022027' });
  expect([bad.status(), await bad.json()]).toMatchObject([
    422,
    { findings: [{ field: 'to', code: 'order' }] },
  ]);
});

test('the catalogue: another language, what is missing, edited in place, out and in as a table', {
  tag: '@long',
}, async ({ page, request }) => {
  const form = { id: 'stay', title: 'Stay', fields: ['day'] };
  const rule = { id: 'soon', check: { type: 'range', min: 'today' }, say: 'From {min} on.' };
  const id = await newSet(request, {
    fields: [{ ...day, hint: 'Day, month, year.', rules: [rule] }],
    forms: [form],
  });
  await page.goto(`/sets/${id}/texts`);
  await page.getByLabel(words.later.addLanguage).selectOption('de-DE');
  await expect(page.getByText(words.texts.missingTranslations(5))).toBeVisible();
  await page.getByLabel('Day, label, de-DE').fill('Tag');
  await page.getByLabel('Day, rule soon, de-DE').fill('Ab {min}.');
  await page.getByLabel('Day, hint, en-GB').fill('As on a letter.');
  await expect(page.getByText(words.texts.missingTranslations(3))).toBeVisible();
  await expect
    .poll(async () => (await documentOf(request, id)).texts)
    .toEqual({ 'de-DE': { 'fields/day/label': 'Tag', 'fields/day/rules/soon': 'Ab {min}.' } });
  await page.getByText(words.texts.missing, { exact: true }).click();
  await expect(page.getByLabel('Day, label, de-DE')).toHaveCount(0);
  await expectNoViolations(page);
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: words.later.downloadCsv }).click();
  const path = await (await download).path();
  const { readFile } = await import('node:fs/promises');
  const csv = await readFile(path, 'utf8');
  expect(csv.split('\r\n')[0]).toBe('name,en-GB,de-DE');
  const more =
    csv.replace('fields/day/hint,As on a letter.,', 'fields/day/hint,As on a letter.,Wie auf einem Brief.') +
    'fields/gone/label,x,Weg\r\n';
  await page
    .getByLabel(words.texts.importFile)
    .setInputFiles({ name: 'texts.csv', mimeType: 'text/csv', buffer: Buffer.from(more) });
  await expect(page.getByText(words.texts.textsImported(1))).toBeVisible();
  await expect(page.getByText(/unknown key “fields\/gone\/label”/)).toBeVisible();
  await expect
    .poll(async () => (await documentOf(request, id)).texts['de-DE']['fields/day/hint'])
    .toBe('Wie auf einem Brief.');
  await page.getByRole('button', { name: words.set.undo, exact: true }).click();
  await expect
    .poll(async () => (await documentOf(request, id)).texts['de-DE']['fields/day/hint'])
    .toBeUndefined();
});
