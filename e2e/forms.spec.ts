import { type APIRequestContext, expect, type Page } from '@playwright/test';
import * as words from '../apps/studio/words/index.ts';
import { test } from './alive.ts';
import { expectNoViolations } from './axe.ts';
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

test('a form is put together by keyboard: fields, sections, columns, order; undone and kept', async ({
  page,
  request,
}) => {
  const id = await ownHuts(request);
  await page.goto(`/sets/${id}/forms/change`);
  await page.getByRole('button', { name: words.later.editLayout }).press('Enter');
  const arrangement = page.getByRole('region', { name: words.form.arrangement });
  await arrangement.getByRole('button', { name: words.form.addAField }).press('Enter');
  // An open menu takes the focus to its first entry; what is pressed before goes there.
  await expect(page.getByRole('menuitem').first()).toBeFocused();
  await page.getByRole('menuitem', { name: /^Party size/ }).press('Enter');
  await expect(live(page).getByLabel('Party size')).toBeVisible();
  const handle = arrangement.getByRole('button', { name: /^Reorder Party size/ });
  for (let i = 0; i < 3; i++) await handle.press('ArrowUp');
  await expect(handle).toBeFocused();
  const sections = async () => (await documentOf(request, id)).forms[1].sections;
  await expect
    .poll(async () => (await sections()).map((s: { fields: string[] }) => s.fields))
    .toEqual([['mobile'], ['arrival', 'party', 'departure'], ['change-code']]);
  await arrangement.getByRole('button', { name: 'Two columns in The new days' }).press('Enter');
  await arrangement.getByLabel(words.form.titleOfSection(1)).fill('Who you are');
  await arrangement.getByRole('button', { name: words.form.addASection }).press('Enter');
  await expect
    .poll(async () =>
      (await sections()).map((s: { title: string; columns?: number }) => [s.title, s.columns]),
    )
    .toEqual([
      ['Who you are', undefined],
      ['The new days', 1],
      ['Confirm it', undefined],
      [words.model.anotherSection, undefined],
    ]);
  await arrangement.getByRole('button', { name: words.form.removeFromTheForm('Departure') }).press('Enter');
  await expect
    .poll(async () => (await documentOf(request, id)).forms[1].rules.map((r: { id: string }) => r.id))
    .toEqual(['right']);
  await page.getByRole('button', { name: words.set.undo, exact: true }).click();
  await expect(live(page).getByLabel('Departure')).toBeVisible();
  await page.reload();
  await expect(live(page).getByText('Who you are')).toBeVisible();
});

test('dragged: a field goes into another section', async ({ page, request }) => {
  const id = await ownHuts(request);
  await page.goto(`/sets/${id}/forms/change`);
  await page.getByRole('button', { name: words.later.editLayout }).click();
  const handle = (name: RegExp) => page.getByRole('button', { name });
  await handle(/^Reorder Arrival/).hover();
  const from = (await handle(/^Reorder Arrival/).boundingBox())!;
  const to = (await handle(/^Reorder Guest’s mobile/).boundingBox())!;
  await page.waitForTimeout(500);
  await page.mouse.move(from.x + 8, from.y + 8);
  await page.mouse.down();
  await page.mouse.move(from.x + 8, from.y - 10, { steps: 5 });
  await page.mouse.move(to.x + 8, to.y + 10, { steps: 10 });
  await page.mouse.up();
  await expect
    .poll(async () => (await documentOf(request, id)).forms[1].sections[0].fields)
    .toContain('arrival');
});

test('rules across fields: made, drawn, heard at their field, mended at either; what is filled in stays', async ({
  page,
  request,
}) => {
  const id = await ownHuts(request);
  await page.goto(`/sets/${id}/forms/booking`);
  const rules = page.getByRole('region', { name: words.later.crossFieldRules });
  const departure = live(page).getByLabel('Departure');
  await live(page).getByLabel('Arrival').fill('16022027');
  await departure.fill('14022027');
  await departure.press('Tab');
  await expect(fieldIn(page, 'departure')).toContainText('Departure must be after arrival.');
  await expect(rules.getByRole('button', { name: /fail Departure after Arrival/ })).toBeVisible();
  expect(await live(page).locator('svg.overflow-visible path').count()).toBe(2);
  await rules.getByRole('button', { name: /Departure after Arrival/ }).click();
  await rules.getByLabel(words.field.message, { exact: true }).fill('First you arrive, then you leave.');
  await expect(fieldIn(page, 'departure')).toContainText('First you arrive, then you leave.');
  await retype(page, 'Arrival', '13022027');
  await expect(fieldIn(page, 'departure')).not.toContainText('First you arrive');
  await rules.getByLabel(words.form.mustBe).selectOption('at-least-days');
  await rules.getByLabel(words.form.days).fill('3');
  await departure.focus();
  await page.keyboard.press('Tab');
  await expect(fieldIn(page, 'departure')).toContainText('First you arrive');
  await rules.getByRole('button', { name: words.later.deleteRule }).click();
  await rules.getByRole('button', { name: words.shared.addRule }).click();
  await expect(rules.getByRole('listitem')).toHaveCount(2);
  await expect(departure).toHaveValue('Sunday, 14 February 2027');
});

test('a field is made to hang on another, never in a circle, and goes out of the form with it', async ({
  page,
  request,
}) => {
  const id = await ownHuts(request);
  await page.goto(`/sets/${id}/forms/booking`);
  const conditions = page.getByRole('region', { name: words.form.conditions });
  await expect(conditions).toContainText(
    '“The dog’s name” is shown when “Are you bringing a dog?” is Yes, a dog',
  );
  await conditions.getByRole('button', { name: words.later.newCondition }).click();
  await conditions.getByLabel(words.form.showField).selectOption('dog');
  await conditions.getByLabel(words.form.when, { exact: true }).selectOption('dog-name');
  await conditions.getByRole('button', { name: words.form.addCondition }).click();
  await expect(conditions.getByRole('status')).toContainText('Circular condition: dog');
  await conditions.getByLabel(words.form.showField).selectOption('deposit');
  await conditions.getByLabel(words.form.when, { exact: true }).selectOption('hut');
  await conditions.getByLabel(words.form.followedByIs, { exact: true }).selectOption('=two-tarns');
  await conditions.getByRole('button', { name: words.form.addCondition }).click();
  await expect(live(page).getByLabel('Deposit')).toHaveCount(0);
  await live(page).getByLabel('Hut', { exact: true }).selectOption('two-tarns');
  await expect(live(page).getByLabel('Deposit')).toBeVisible();
  await page.getByRole('button', { name: words.later.editLayout }).click();
  await page.getByRole('button', { name: words.form.removeFromTheForm('Hut') }).click();
  await expect(live(page).getByLabel('Deposit')).toHaveCount(0);
  await expect(live(page).getByLabel('Guest’s mobile number')).toBeVisible();
  await page.getByRole('button', { name: words.set.undo, exact: true }).click();
  await expect(live(page).getByLabel('Hut', { exact: true })).toBeVisible();
});

test('the board says what would be seen when, and why the others are quiet', async ({ page }) => {
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

test('the registry: asked on leaving, once; slow, silent, asked again; nothing jumps and nothing blocks typing', async ({
  page,
}) => {
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

test('change of booking: from the telephone number to the confirmed change, by keyboard; a wrong code is taken out', async ({
  page,
}) => {
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

test('what is filled in is not lost by leaving; reset and a form that is held back', async ({
  page,
  request,
}) => {
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

test('from the shelf to its forms, and a new one', async ({ page, request }) => {
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
  test(`axe finds nothing on the form screen, ${sheet} sheet`, async ({ page }) => {
    await page.addInitScript((s) => localStorage.setItem('arbeit.sheet', s), sheet);
    await page.goto('/sets/ridge-huts/forms/booking');
    await page.getByRole('button', { name: words.later.editLayout }).click();
    await live(page).getByRole('button', { name: words.later.submit }).click();
    await page.getByRole('button', { name: 'Departure after Arrival' }).click();
    await expectNoViolations(page);
    if (sheet === 'dark') return;
    await page.getByRole('button', { name: words.form.fillWithSamples }).click();
    await live(page).getByRole('button', { name: words.later.submit }).click();
    await expect(live(page).getByText(words.form.submitted)).toBeVisible();
    await expectNoViolations(page, '[aria-label="Record"]');
  });
