import { type APIRequestContext, expect, type Page } from '@playwright/test';
import * as words from '../apps/studio/words/index.ts';
import { test } from './alive.ts';
import { expectNoViolations } from './axe.ts';
import { newSet } from './sets.ts';
import { withAny } from './with-any.ts';

let made = 0;
/** The demo's set again, so that no test sees another's changes. */
async function ownHuts(request: APIRequestContext): Promise<string> {
  const { document } = await (await request.get('/api/sets/ridge-huts')).json();
  const title = `Forms ${Date.now()}-${made++}`;
  const answer = await request.post('/api/sets', { data: { document: { ...document, title } } });
  return ((await answer.json()) as { id: string }).id;
}
const documentOf = async (request: APIRequestContext, id: string) =>
  (await (await request.get(`/api/sets/${id}`)).json()).document;
/**
 * A number reserved for fiction, of this run of this test alone: the sender waits between two codes for one.
 */
const freshNumber = (): string => `07700 900${String(Math.floor(Math.random() * 1000)).padStart(3, '0')}`;
const live = (page: Page) => page.getByRole('region', { name: words.form.liveForm });
const fieldIn = (page: Page, id: string) => page.locator(`[data-field="${id}"]`);
const manner = (page: Page, label: string, choice: string) =>
  page.getByRole('region', { name: words.later.simulatedServices }).getByLabel(label).selectOption(choice);

/** Types over what a field holds, as a hand does: into it, all of it selected, a key each. */
async function retype(page: Page, label: string, text: string): Promise<void> {
  await live(page).getByLabel(label).focus();
  await page.keyboard.press('Control+A');
  await page.keyboard.type(text);
}

/** The tools of a field or section, which are seen while the focus or the pointer is there. */
const toolOf = (page: Page, name: string, tool: string) =>
  page.locator(`[data-sort="${name}"]`).getByRole('button', { name: tool });
const sectionsIn = async (request: APIRequestContext, id: string) =>
  (await documentOf(request, id)).forms[1].sections as {
    title: string;
    columns?: number;
    fields: string[];
  }[];

test('a form is put together on itself, by keyboard: fields, sections, columns, order; undone and kept', async ({
  page,
  request,
}) => {
  const id = await ownHuts(request);
  await page.goto(`/sets/${id}/forms/change`);
  // Tab leads through the form as its users know it; Shift+Tab to the tools of the field.
  await live(page).getByLabel('Arrival').focus();
  await page.keyboard.press('Shift+Tab');
  await expect(toolOf(page, 'arrival', words.form.moreForThisField)).toBeFocused();
  await page.keyboard.press('Shift+Tab');
  await page.keyboard.press('Enter');
  // An open menu takes the focus to its first entry; what is pressed before goes there.
  await expect(page.getByRole('menuitem').first()).toBeFocused();
  await expectNoViolations(page, '[role="menu"]');
  // Escape leads back to the tool, from the menu and from the dialog that it opens.
  const add = toolOf(page, 'arrival', words.form.addAFieldHere);
  await page.keyboard.press('Escape');
  await expect(add).toBeFocused();
  await page.keyboard.press('Enter');
  await page.getByRole('menuitem', { name: words.form.newField }).press('Enter');
  await expect(page.getByLabel(words.set.labelOptional)).toBeFocused();
  await page.keyboard.press('Escape');
  await expect(add).toBeFocused();
  await page.keyboard.press('Enter');
  await page.getByRole('menuitem', { name: /^Party size/ }).press('Enter');
  await expect(live(page).getByLabel('Party size')).toBeFocused();
  const fields = async () => (await sectionsIn(request, id)).map((section) => section.fields);
  await expect.poll(fields).toEqual([['mobile'], ['arrival', 'party', 'departure'], ['change-code']]);
  for (let i = 0; i < 3; i++) await page.keyboard.press('Shift+Tab');
  const handle = toolOf(page, 'party', words.form.moveThisField);
  await expect(handle).toBeFocused();
  // Over the heading into the section before.
  await page.keyboard.press('ArrowUp');
  await expect(handle).toBeFocused();
  await page.keyboard.press('ArrowUp');
  await expect.poll(fields).toEqual([['mobile', 'party'], ['arrival', 'departure'], ['change-code']]);
  await expect(handle).toBeFocused();
  await expectNoViolations(page, '.form-trial');
  const title = (at: number) => live(page).getByRole('textbox', { name: words.form.titleOfSection(at) });
  await title(2).focus();
  await page.keyboard.press('Shift+Tab');
  await page.keyboard.press('Enter');
  await page.getByRole('menuitem', { name: words.form.inOneColumn }).press('Enter');
  await title(1).fill('Who you are');
  await page.keyboard.press('Shift+Tab');
  await page.keyboard.press('Shift+Tab');
  await expect(toolOf(page, 'section 0', words.form.moveThisSection)).toBeFocused();
  await page.keyboard.press('ArrowDown');
  await expect(toolOf(page, 'section 1', words.form.moveThisSection)).toBeFocused();
  await expect
    .poll(async () => (await sectionsIn(request, id)).map((s) => [s.title, s.columns]))
    .toEqual([
      ['The new days', 1],
      ['Who you are', undefined],
      ['Confirm it', undefined],
    ]);
  // A section is added and its heading removed, and the focus goes to a title.
  await page.keyboard.press('Tab');
  await page.keyboard.press('Enter');
  await page.getByRole('menuitem', { name: words.form.addASection }).press('Enter');
  await expect(title(3)).toBeFocused();
  await expect(title(3)).toHaveValue(words.model.anotherSection);
  await page.keyboard.press('Shift+Tab');
  await page.keyboard.press('Enter');
  await page.getByRole('menuitem', { name: words.form.removeTheHeading }).press('Enter');
  await expect(title(2)).toBeFocused();
  await live(page).getByLabel('Departure').focus();
  await page.keyboard.press('Shift+Tab');
  await page.keyboard.press('Enter');
  await page.getByRole('menuitem', { name: words.form.removeFromTheForm('Departure') }).press('Enter');
  await expect(live(page).getByLabel('Guest’s mobile number')).toBeFocused();
  await expect
    .poll(async () => (await documentOf(request, id)).forms[1].rules.map((r: { id: string }) => r.id))
    .toEqual(['right']);
  await page.getByRole('button', { name: words.set.undo, exact: true }).click();
  await expect(live(page).getByLabel('Departure')).toBeVisible();
  await page.reload();
  await expect(title(2)).toHaveValue('Who you are');
});

test('a field is made in place, and put where it was asked for', { tag: '@long' }, async ({
  page,
  request,
}) => {
  const id = await ownHuts(request);
  await page.goto(`/sets/${id}/forms/change`);
  await live(page).getByRole('button', { name: words.later.addField, exact: true }).last().click();
  await page.getByRole('menuitem', { name: words.form.newField }).click();
  await page.getByLabel(words.set.labelOptional).fill('Reason');
  await page
    .getByRole('button', { name: /^text\b/i })
    .first()
    .click();
  await expect(live(page).getByLabel('Reason')).toBeFocused();
  await page.keyboard.type('snow');
  expect(new URL(page.url()).pathname).toBe(`/sets/${id}/forms/change`);
  await expect
    .poll(async () => (await sectionsIn(request, id)).at(-1)?.fields)
    .toEqual(['change-code', 'reason']);
  await expect(live(page).getByLabel('Reason')).toHaveValue('snow');
});

test('dragged on the form: a field goes into another section, where the mark is', { tag: '@long' }, async ({
  page,
  request,
}) => {
  const id = await ownHuts(request);
  await page.goto(`/sets/${id}/forms/change`);
  await fieldIn(page, 'arrival').hover();
  const handle = toolOf(page, 'arrival', words.form.moveThisField);
  await handle.hover();
  const from = (await handle.boundingBox())!;
  const to = (await fieldIn(page, 'mobile').boundingBox())!;
  await page.waitForTimeout(500);
  await page.mouse.move(from.x + 8, from.y + 8);
  await page.mouse.down();
  await page.mouse.move(from.x + 8, from.y - 10, { steps: 5 });
  await page.mouse.move(to.x + to.width / 2, to.y + 20, { steps: 10 });
  await expect(page.locator('[data-sort="mobile"]')).toHaveAttribute('data-drop', '');
  await page.mouse.up();
  await expect
    .poll(async () => (await sectionsIn(request, id)).map(({ fields }) => fields))
    .toEqual([['arrival', 'mobile'], ['departure'], ['change-code']]);
  await expect(page.locator('[data-drop]')).toHaveCount(0);
  // Dropped on a heading it comes directly after it, from below as well.
  await fieldIn(page, 'change-code').hover();
  await toolOf(page, 'change-code', words.form.moveThisField).hover();
  const last = (await toolOf(page, 'change-code', words.form.moveThisField).boundingBox())!;
  const heading = (await page.locator('[data-sort="section 1"]').boundingBox())!;
  await page.mouse.move(last.x + 8, last.y + 8);
  await page.mouse.down();
  await page.mouse.move(last.x + 8, last.y - 10, { steps: 5 });
  await page.mouse.move(heading.x + heading.width / 2, heading.y + heading.height / 2, { steps: 10 });
  await expect(page.locator('[data-sort="section 1"]')).toHaveAttribute('data-drop', '');
  await page.mouse.up();
  await expect
    .poll(async () => (await sectionsIn(request, id)).map(({ fields }) => fields))
    .toEqual([['arrival', 'mobile'], ['change-code', 'departure'], []]);
  // What is filled in goes along.
  await live(page).getByLabel('Arrival').fill('14022027');
  await expect(live(page).getByLabel('Arrival')).toHaveValue(/14/);
});

test('rules across fields: made, drawn, heard at their field, mended at either; what is filled in stays', {
  tag: '@long',
}, async ({ page, request }) => {
  const id = await ownHuts(request);
  await page.goto(`/sets/${id}/forms/booking`);
  const rules = page.getByRole('region', { name: words.later.crossFieldRules });
  const departure = live(page).getByLabel('Departure');
  await live(page).getByLabel('Arrival').fill('16022027');
  await departure.fill('14022027');
  await departure.press('Tab');
  await expect(fieldIn(page, 'departure')).toContainText('Departure must be after arrival.');
  const order = rules.getByRole('listitem').first();
  await expect(order).toContainText('fail');
  const lines = live(page).locator('svg.overflow-visible path');
  expect(await lines.count()).toBe(2);
  // The line of the rule that is pointed at, or in use, is bold; so are those of a condition.
  const bold = live(page).locator('svg.overflow-visible path[data-pointed]');
  await rules.getByRole('listitem').last().hover();
  await expect(bold).toHaveCount(1);
  await page.mouse.move(0, 0);
  await expect(bold).toHaveCount(0);
  await order.getByRole('button', { name: words.form.editTheRule('Departure') }).click();
  await expect(order.getByLabel(words.field.message, { exact: true })).toBeFocused();
  await expect(bold).toHaveCount(1);
  await page.keyboard.press('Escape');
  await expect(order.getByRole('button', { name: words.form.editTheRule('Departure') })).toBeFocused();
  await page.keyboard.press('Enter');
  await order.getByLabel(words.field.message, { exact: true }).fill('After ');
  await order.getByRole('button', { name: words.field.insertPlaceholder('other') }).click();
  await expect(fieldIn(page, 'departure')).toContainText('After Tuesday, 16 February 2027');
  await order.getByLabel(words.field.message, { exact: true }).fill('First you arrive, then you leave.');
  await expect(fieldIn(page, 'departure')).toContainText('First you arrive, then you leave.');
  await retype(page, 'Arrival', '13022027');
  await expect(fieldIn(page, 'departure')).not.toContainText('First you arrive');
  await order.getByLabel(words.form.mustBe).selectOption('at-least-days');
  await order.getByLabel(words.form.days, { exact: true }).fill('3');
  await departure.focus();
  await page.keyboard.press('Tab');
  await expect(fieldIn(page, 'departure')).toContainText('First you arrive');
  await order.getByRole('button', { name: words.later.deleteRule, exact: true }).click();
  await expect(rules.getByRole('button', { name: words.shared.addRule })).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(rules.getByRole('listitem')).toHaveCount(2);
  await expect(departure).toHaveValue('Sunday, 14 February 2027');
});

test('a field is made to hang on another, never in a circle, and goes out of the form with it', {
  tag: '@long',
}, async ({ page, request }) => {
  const id = await ownHuts(request);
  await page.goto(`/sets/${id}/forms/booking`);
  const conditions = page.getByRole('region', { name: words.form.conditions });
  await expect(conditions).toContainText(words.form.labelIsShownWhen('The dog’s name'));
  await expect(conditions.getByLabel(words.form.followedByIs, { exact: true })).toHaveValue('=yes');
  await conditions.getByRole('button', { name: words.later.newCondition }).click();
  const fresh = conditions.locator('[data-new-condition]');
  await fresh.getByLabel(words.form.showField).selectOption('dog');
  await fresh.getByLabel(words.form.when, { exact: true }).selectOption('dog-name');
  await expect(conditions.getByRole('status')).toContainText('Circular condition: dog');
  await fresh.getByRole('button', { name: words.form.cancel }).click();
  await expect(fresh).toHaveCount(0);
  await expect(conditions.getByRole('button', { name: words.later.newCondition })).toBeFocused();
  // From the field itself.
  await live(page).getByLabel('Deposit').focus();
  await page.keyboard.press('Shift+Tab');
  await page.keyboard.press('Enter');
  await page.getByRole('menuitem', { name: words.form.showOnlyWhen('Deposit') }).press('Enter');
  await expect(fresh.getByLabel(words.form.when, { exact: true })).toBeFocused();
  await fresh.getByLabel(words.form.when, { exact: true }).selectOption('hut');
  const deposit = conditions
    .getByRole('listitem')
    .filter({ hasText: words.form.labelIsShownWhen('Deposit') });
  await expect(deposit.getByLabel(words.form.when, { exact: true })).toBeFocused();
  await deposit.getByLabel(words.form.followedByIs, { exact: true }).selectOption('=two-tarns');
  await expect(live(page).getByLabel('Deposit')).toHaveCount(0);
  await live(page).getByLabel('Hut', { exact: true }).selectOption('two-tarns');
  await expect(live(page).getByLabel('Deposit')).toBeVisible();
  await live(page).getByLabel('Hut', { exact: true }).focus();
  await page.keyboard.press('Shift+Tab');
  await page.keyboard.press('Enter');
  await page.getByRole('menuitem', { name: words.form.removeFromTheForm('Hut'), exact: true }).press('Enter');
  await expect(live(page).getByLabel('Deposit')).toHaveCount(0);
  await expect(live(page).getByLabel('Guest’s mobile number')).toBeVisible();
  await page.getByRole('button', { name: words.set.undo, exact: true }).click();
  await expect(live(page).getByLabel('Hut', { exact: true })).toBeVisible();
});

test('the board says what would be seen when, and why the others are quiet', { tag: '@long' }, async ({
  page,
}) => {
  await page.goto('/sets/ridge-huts/forms/booking');
  const board = page.getByRole('region', { name: words.later.messageTiming });
  const row = board.getByRole('row', { name: /^Guest’s mobile number/ });
  await expect(row).toContainText('Enter a phone number.');
  await live(page).getByLabel('Deposit').fill('600');
  await expect(board.getByRole('row', { name: /^Deposit/ }).getByText('Enter £500.00 or less.')).toHaveCount(
    3,
  );
  await board.getByRole('button', { name: words.form.showWhyOtherRules }).click();
  await expect(row.getByText('needed: shown on blur').first()).toBeVisible();
});

test('submitted with something wrong it goes there; right, it is sent once, and shown raw, typed, as JSON and as FormData', async ({
  page,
}) => {
  await page.goto('/sets/ridge-huts/forms/booking');
  await live(page).getByRole('button', { name: words.later.submit }).click();
  await expect(live(page).getByLabel('Guest’s mobile number')).toBeFocused();
  await expect(live(page).getByText(/5 fields need attention/)).toBeVisible();
  await live(page)
    .getByText(/fields need/)
    .getByRole('button', { name: 'Hut', exact: true })
    .click();
  await expect(live(page).getByLabel('Hut', { exact: true })).toBeFocused();
  await page.getByRole('button', { name: words.form.fillWithSamples }).click();
  const requests: string[] = [];
  page.on('request', (one) => one.url().endsWith('/records') && requests.push(one.postData() ?? ''));
  await live(page).getByRole('button', { name: words.later.submit }).dblclick();
  await expect(live(page).getByText(words.form.submitted)).toBeVisible();
  expect(requests).toHaveLength(1);
  const record = page.getByRole('region', { name: words.form.record, exact: true });
  const row = record.getByRole('row', { name: /^Deposit/ });
  await expect(row).toContainText('500');
  await expect(row).toContainText('500.00');
  await expect(record.getByRole('row', { name: /^Hut pass/ })).toContainText('grants: a bunk at half price');
  await record.getByText(words.form.asJson).click();
  await expect(record.locator('pre')).toContainText('"arrival": "2027-02-14"');
  await record.getByText(words.form.asFormdata).click();
  await expect(record.getByText('AB-1234/FF')).toBeVisible();
});

test('a field that does not count is neither shown nor sent, and comes back as it was', async ({ page }) => {
  await page.goto('/sets/ridge-huts/forms/booking');
  await expect(live(page).getByLabel('The dog’s name')).toHaveCount(0);
  await live(page).getByLabel('Yes, a dog').check();
  await live(page).getByLabel('The dog’s name').fill('Bruno');
  await live(page).getByLabel('No dog').check();
  await expect(live(page).getByLabel('The dog’s name')).toHaveCount(0);
  await live(page).getByLabel('Yes, a dog').check();
  await expect(live(page).getByLabel('The dog’s name')).toHaveValue('Bruno');
});

test('the registry: asked on leaving, once; slow, silent, asked again; nothing jumps and nothing blocks typing', {
  tag: '@long',
}, async ({ page }) => {
  await page.goto('/sets/ridge-huts/forms/booking');
  const pass = live(page).getByLabel('Hut pass number');
  const asked: string[] = [];
  page.on('request', (one) => one.url().endsWith('/passes') && asked.push(JSON.parse(one.postData()!).value));
  const place = () => live(page).getByLabel('Arrival').boundingBox();
  const before = await place();
  await manner(page, words.form.delay, '1500');
  await retype(page, 'Hut pass number', 'RH0042AB');
  await pass.press('Tab');
  await expect(fieldIn(page, 'hut-pass')).toContainText('Checking…');
  await pass.press('End');
  await pass.press('Backspace');
  await pass.press('C');
  await pass.press('Tab');
  await expect(fieldIn(page, 'hut-pass')).toContainText('This pass is unknown');
  await retype(page, 'Hut pass number', 'RH0042AB');
  await pass.press('Tab');
  await expect(fieldIn(page, 'hut-pass')).toContainText('This pass is unknown');
  expect(asked).toEqual(['RH-0042/AB', 'RH-0042/AC']);
  await manner(page, words.form.delay, '0');
  await manner(page, words.form.failures, words.form.always);
  await retype(page, 'Hut pass number', 'AB1234FF');
  await pass.press('Tab');
  await expect(fieldIn(page, 'hut-pass')).toContainText('We could not check this just now.');
  expect(await place()).toEqual(before);
  await manner(page, words.form.failures, words.form.never);
  await fieldIn(page, 'hut-pass').getByRole('button', { name: words.ui.retry }).click();
  await expect(fieldIn(page, 'hut-pass')).toContainText('grants: a bunk at half price');
  expect(await place()).toEqual(before);
});

test('change of booking: from the telephone number to the confirmed change, by keyboard; a wrong code is taken out', {
  tag: '@long',
}, async ({ page }) => {
  await page.goto('/sets/ridge-huts/forms/change/alone');
  await page.getByLabel('Guest’s mobile number').fill(freshNumber());
  await page.getByLabel('Arrival').fill('14022027');
  await page.getByLabel('Departure').fill('16022027');
  const request = page.getByRole('button', { name: words.form.sendMeACode });
  await request.press('Enter');
  await expect(page.getByText(words.form.codeSent)).toBeVisible();
  await expect(page.getByRole('button', { name: withAny(words.form.anotherCodeInS(9)) })).toBeVisible();
  const telephone = page.getByRole('region', { name: words.form.simulatedPhone });
  const text = await telephone.getByText(/confirms the change/).textContent();
  expect(text).toMatch(/\n\n@localhost #\d{6}$/);
  const code = /#(\d{6})/.exec(text!)![1]!;
  const line = page.getByLabel('Code from our message');
  await line.focus();
  await page.keyboard.type(String((Number(code) + 1) % 1_000_000).padStart(6, '0'));
  await expect(fieldIn(page, 'change-code')).toContainText('This code is not valid.');
  await expect(line).toHaveValue('');
  await expect(line).toBeFocused();
  await expect(page.locator('[data-sending]')).toHaveAttribute('data-sending', 'no');
  await telephone.getByRole('button', { name: words.form.insertCode }).press('Enter');
  await expect(page.locator('[data-sending]')).toHaveAttribute('data-sending', 'sent');
  await expect(page.getByText('Received departure: 2027-02-16')).toBeVisible();
});

test('a code field without a server check gets a code on the simulated phone, and submits its form', async ({
  page,
  request,
}) => {
  const code = { id: 'code', kind: 'one-time-code', label: 'Code', entry: { length: 6, groups: [3, 3] } };
  const form = { id: 'confirm', title: 'Confirm', fields: ['code'], completes: 'code' };
  const id = await newSet(request, { fields: [code], forms: [form] });
  await page.goto(`/sets/${id}/forms/confirm`);
  const telephone = page.getByRole('region', { name: words.form.simulatedPhone });
  await expect(telephone).toContainText(words.form.noMessageYet);
  await page.getByRole('button', { name: words.form.sendMeACode }).click();
  await expect(telephone).toContainText(/\d{3} ?\d{3}/);
  await expect(live(page)).toContainText(words.form.nothingChecksIt('/api/services/codes/check'));
  await expectNoViolations(page, '.form-trial');
  await telephone.getByRole('button', { name: words.form.insertCode }).press('Enter');
  await expect(page.locator('[data-sending]')).toHaveAttribute('data-sending', 'sent');
});

test('a field that a condition hides is arranged under its section', { tag: '@long' }, async ({
  page,
  request,
}) => {
  const id = await ownHuts(request);
  await page.goto(`/sets/${id}/forms/booking`);
  // Only where something is hidden.
  await expect(live(page).getByText(words.form.notShownNow).filter({ visible: true })).toHaveCount(1);
  const handle = toolOf(page, 'dog-name', words.form.moveThisField);
  await page.locator('[data-sort="dog-name"]').hover();
  await handle.focus();
  const last = async () => (await documentOf(request, id)).forms[0].sections.at(-1).fields;
  const before = (await last()) as string[];
  const at = before.indexOf('dog-name');
  await page.keyboard.press('ArrowUp');
  await expect.poll(last).toEqual(before.with(at, before[at - 1]!).with(at - 1, 'dog-name'));
  await expect(handle).toBeFocused();
});

test('what is filled in is not lost by leaving; reset and a form that is held back', {
  tag: '@long',
}, async ({ page, request }) => {
  const id = await ownHuts(request);
  await page.goto(`/sets/${id}/forms/booking`);
  await page
    .getByRole('region', { name: words.later.submission })
    .getByLabel(words.form.submitButton)
    .selectOption('when-ready');
  const submit = live(page).getByRole('button', { name: words.later.submit });
  await expect(submit).toBeDisabled();
  await expect(live(page).getByText(words.form.completeAllFieldsToSubmit)).toBeVisible();
  await page.getByRole('button', { name: words.form.fillWithSamples }).click();
  await expect(submit).toBeEnabled();
  await expect.poll(async () => (await documentOf(request, id)).forms[0].submit).toBe('when-ready');
  const asked = page.waitForEvent('dialog');
  const gone = page.goto('/').catch(() => undefined);
  const dialog = await asked;
  expect(dialog.type()).toBe('beforeunload');
  await dialog.dismiss();
  await gone;
  await live(page).getByRole('button', { name: words.later.reset }).click();
  await expect(live(page).getByLabel('Deposit')).toHaveValue('');
  await expect(submit).toBeDisabled();
});

test('begins with what its address says', async ({ page }) => {
  await page.goto('/sets/ridge-huts/forms/booking/alone?mobile=07700900123&arrival=2027-02-14&nobody=1');
  await expect(page.getByLabel('Guest’s mobile number')).toHaveValue('07700 900123');
  await expect(page.getByLabel('Arrival')).toHaveValue('Sunday, 14 February 2027');
});

test('from the shelf to its forms, and a new one', { tag: '@long' }, async ({ page, request }) => {
  const id = await ownHuts(request);
  await page.goto('/');
  const section = page.locator(`[data-set="${id}"]`);
  await section.getByRole('link', { name: 'Change of booking' }).click();
  await page.waitForURL(`**/sets/${id}/forms/change`);
  await page.goto('/');
  await section
    .getByRole('button', { name: words.shared.actionsFor('') })
    .first()
    .click();
  await page.getByRole('menuitem', { name: words.shared.newForm }).click();
  await page.waitForURL(`**/sets/${id}/forms/form`);
  await expect(live(page).getByRole('textbox').first()).toBeVisible();
  const forms = async () => (await documentOf(request, id)).forms.length;
  await expect.poll(forms).toBe(3);
  await page.getByRole('button', { name: words.form.deleteForm }).click();
  const main = page.getByRole('main');
  await expect(main.getByRole('status')).toContainText(words.form.formWasDeleted(words.shared.newForm));
  await expect(main.getByRole('button', { name: words.form.bringFormBack })).toBeFocused();
  await expectNoViolations(page);
  await expect.poll(forms).toBe(2);
  // Undo restores it on this page, and the focus is where it was.
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: words.form.deleteForm })).toBeFocused();
  await expect(live(page).getByRole('textbox').first()).toBeVisible();
  await expect.poll(forms).toBe(3);
  await page.getByRole('button', { name: words.form.deleteForm }).click();
  await main.getByRole('link', { name: words.shared.backToTheShelf }).click();
  await page.waitForURL('**/');
  await expect.poll(forms).toBe(2);
});

for (const sheet of ['light', 'dark'])
  test(`axe finds nothing on the form screen, ${sheet} sheet`, { tag: '@long' }, async ({ page }) => {
    await page.addInitScript((s) => localStorage.setItem('arbeit.sheet', s), sheet);
    await page.goto('/sets/ridge-huts/forms/booking');
    await live(page).getByRole('button', { name: words.later.submit }).click();
    await page
      .getByRole('button', { name: words.form.editTheRule('Departure') })
      .first()
      .click();
    await page.getByRole('button', { name: words.later.newCondition }).click();
    await expectNoViolations(page);
    if (sheet === 'dark') return;
    await page.getByRole('button', { name: words.form.fillWithSamples }).click();
    await live(page).getByRole('button', { name: words.later.submit }).click();
    await expect(live(page).getByText(words.form.submitted)).toBeVisible();
    await expectNoViolations(page, '[aria-label="Record"]');
  });

test('fields that share a value in a form: each shows what is typed into the other, and both are sent', {
  tag: '@long',
}, async ({ page, request }) => {
  const id = await newSet(request, {
    fields: [
      { id: 'walk', kind: 'duration', label: 'Walk', entry: {}, initial: '75' },
      {
        id: 'minutes',
        kind: 'duration',
        label: 'In minutes',
        entry: { units: ['min'] },
        sameValueAs: 'walk',
      },
    ],
    forms: [{ id: 'day', title: 'Day', fields: ['walk', 'minutes'] }],
  });
  await page.goto(`/sets/${id}/forms/day`);
  await expect(live(page).getByLabel('In minutes')).toHaveValue('75 min');
  await retype(page, 'In minutes', '130');
  await expect(live(page).getByLabel('Walk')).toHaveValue(/^2.h 10.min$/);
  // The caret stays in the field that is typed into.
  await expect(live(page).getByLabel('In minutes')).toBeFocused();
  await retype(page, 'Walk', '1 h 5');
  await expect(live(page).getByLabel('In minutes')).toHaveValue('65 min');
  await page.keyboard.press('Control+Z');
  await expect(live(page).getByLabel('Walk')).toHaveValue('130 min');
  await expect(live(page).getByLabel('In minutes')).toHaveValue('130 min');
  await page.keyboard.press('Enter');
  for (const name of [/^Walk walk 130 130/, /^In minutes minutes 130 130/])
    await expect(page.getByRole('row', { name })).toBeVisible();
});

test('what needs attention leads to its field, also where that has another name in records', async ({
  page,
  request,
}) => {
  const needed = [{ id: 'needed', check: { type: 'required' } }];
  const id = await newSet(request, {
    fields: [
      { id: 'guest', kind: 'text', label: 'Guest', entry: {}, rules: needed },
      { id: 'hut', name: 'hut_name', kind: 'text', label: 'Hut', entry: {}, rules: needed },
    ],
    forms: [{ id: 'stay', title: 'Stay', fields: ['guest', 'hut'] }],
  });
  await page.goto(`/sets/${id}/forms/stay`);
  await live(page).getByRole('button', { name: words.form.submit }).click();
  await expect(live(page).getByLabel('Guest', { exact: true })).toBeFocused();
  await live(page).getByRole('button', { name: 'Hut', exact: true }).click();
  await expect(live(page).getByLabel('Hut', { exact: true })).toBeFocused();
});
