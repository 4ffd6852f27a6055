import { type APIRequestContext, expect, type Page } from '@playwright/test';
import { test } from './alive.ts';
import { expectNoViolations } from './axe.ts';

const price = {
  id: 'price',
  kind: 'currency',
  label: 'Price of a bed',
  entry: { currency: 'GBP' },
  rules: [{ id: 'most', check: { type: 'range', max: '500' } }],
};
const edge = {
  id: 'edge',
  name: 'Up to the edge',
  why: 'A bed is never dearer.',
  tape: 'field price\ntype "500"\nexpect display "£500|"\nleave\nexpect codes none\n',
};
const wrong = { id: 'wrong', name: 'Not what is there', tape: 'field price\ntype "501"\nhome\ncaret 4\nbackspace\nexpect display "£51|"\ntype "2"\n' }; // biome-ignore format: a document a line

async function newSet(request: APIRequestContext, trials: readonly object[] = [edge]): Promise<string> {
  const document = { arbeit: 1, title: `Trials ${Math.random()}`, locale: 'en-GB', fields: [price], ...(trials.length ? { trials } : {}) };
  const answer = await request.post('/api/sets', { data: { document } });
  expect(answer.status(), await answer.text()).toBe(201);
  return ((await answer.json()) as { id: string }).id;
} // biome-ignore format: a document a line
const documentOf = async (request: APIRequestContext, id: string) =>
  (await (await request.get(`/api/sets/${id}`)).json()).document;
const saved = (page: Page) => expect(page.getByText('Saved', { exact: true }).first()).toBeVisible();
const list = (page: Page) => page.getByRole('region', { name: 'Trials', exact: true });
const breaks = (page: Page) => page.getByRole('region', { name: 'Broken on purpose' });
const editor = (page: Page, name: string) => page.getByRole('textbox', { name: `Tape of ${name}` });

test('trials run by themselves; a miss is told by two rulers and opens on the desk at its row', async ({
  page,
  request,
}) => {
  const id = await newSet(request, [edge, wrong]);
  await page.goto(`/sets/${id}/trials`);
  await expect(list(page).getByRole('status').first()).toHaveText('1 of 2 hold, 1 does not.');
  await expect(list(page).getByText('2 things expected, all there')).toBeVisible();
  await page.getByRole('button', { name: 'Open Not what is there' }).click();
  const misses = page.getByRole('list', { name: 'What did not hold' });
  await expect(misses.getByRole('row', { name: 'expected "£51|"' })).toBeVisible();
  await expect(misses.getByRole('row', { name: 'was there "£50|"' })).toBeVisible();
  await expect(misses.locator('[data-apart]')).toHaveText(['1', '0']);
  await expectNoViolations(page);
  await misses.getByRole('link', { name: 'To this row on the desk' }).click();
  await page.waitForURL(/fields\/price\?trial=wrong&line=6$/);
  const here = page.locator('[aria-current="step"]');
  await expect(here).toContainText('backspace');
  await expect(here).toContainText('£50');
  await expect(page.getByRole('region', { name: 'Live field' }).getByLabel('Price of a bed')).toHaveValue(
    '£50',
  );
});

test('a tape is written with its mistakes told at their place; what cannot be read is not saved and not lost', async ({
  page,
  request,
}) => {
  const id = await newSet(request);
  await page.goto(`/sets/${id}/trials#edge`);
  const tape = editor(page, 'Up to the edge');
  await tape.click();
  await page.keyboard.press('Control+End');
  await page.keyboard.type('expect valeu "x"');
  const mistakes = page.getByRole('status', { name: 'What is wrong with the tape' });
  await expect(mistakes).toContainText('Line 6, column 8: "valeu" cannot be expected: is "value" meant?');
  await page.reload();
  await expect(editor(page, 'Up to the edge')).toContainText('expect valeu "x"');
  expect((await documentOf(request, id)).trials[0].tape).toBe(edge.tape);
  await page.getByRole('button', { name: 'Back to the last tape that read' }).click();
  await expect(mistakes).toBeEmpty();
  await editor(page, 'Up to the edge').click();
  await page.keyboard.press('Control+A');
  await page.keyboard.type('field price');
  await expect(mistakes).toContainText('expects nothing');
  await page.keyboard.press('Enter');
  await page.keyboard.type('expect codes none');
  await page.keyboard.press('Escape');
  await expect(list(page).getByText('1 thing expected, all there')).toBeVisible();
  await saved(page);
  expect((await documentOf(request, id)).trials[0].tape).toBe('field price\nexpect codes none');
});

test('broken on purpose: a strip of what is noticed, trials for the rest; all of them taken, nothing is missed', async ({
  page,
  request,
}) => {
  const id = await newSet(request);
  await page.goto(`/sets/${id}/trials`);
  await breaks(page).getByRole('button', { name: 'Break it' }).click();
  await expect(breaks(page).getByRole('status')).toHaveText(/^\d+ ways tried\.$/);
  await breaks(page).getByRole('button', { name: 'Open what came of breaking Price of a bed' }).click();
  const way = breaks(page)
    .getByRole('listitem')
    .filter({ hasText: /^The rule “most” dropped/i });
  await expect(way.getByText('expect flags !valid')).toBeVisible();
  const caught = breaks(page)
    .getByRole('listitem')
    .filter({ hasText: /^The rule “most”: max 499 instead of 500/i });
  await expect(caught).toContainText('Noticed by edge.');
  await expectNoViolations(page);
  await way.getByRole('button', { name: 'Take this trial' }).click();
  await expect(list(page).getByRole('status').first()).toHaveText(/^All 2 hold, in \d+ ms\.$/);
  await breaks(page)
    .getByRole('button', { name: /^Take all \d+ trials found$/ })
    .click();
  await expect(list(page).getByRole('status').first()).toHaveText(/^All (?!2 )\d+ hold, in \d+ ms\.$/);
  await breaks(page).getByRole('button', { name: 'Break it again' }).click();
  await expect(breaks(page).getByRole('list', { name: 'What came of them' })).toContainText(
    '0 noticed by none',
  );
  await saved(page);
  // One step each way.
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(list(page).getByRole('status').first()).toHaveText(/^All 2 hold/);
});

test('it can be stopped, and what was found stays; a thread that dies is told', async ({ page, request }) => {
  const id = await newSet(request);
  await page.goto('/sets/ridge-huts/trials');
  await expect(list(page).getByRole('status').first()).toHaveText(/^All 28 hold/);
  await breaks(page).getByRole('button', { name: 'Break it' }).click();
  await expect(breaks(page).getByRole('progressbar')).toBeVisible();
  await expect(
    breaks(page)
      .getByRole('button', { name: /^Open what came of breaking/ })
      .first(),
  ).toBeVisible();
  await breaks(page).getByRole('button', { name: 'Stop' }).click();
  await expect(breaks(page).getByRole('status')).toHaveText(/^Stopped after \d+ of \d+ ways\.$/);
  await expect(
    breaks(page)
      .getByRole('button', { name: /^Open what came of breaking/ })
      .first(),
  ).toBeVisible();
  await page.route('**/*.js', (route) =>
    /worker|turbopack-worker/.test(route.request().url()) ||
    route.request().headers()['sec-fetch-dest'] === 'worker'
      ? route.abort()
      : route.continue(),
  );
  await page.goto(`/sets/${id}/trials`);
  await expect(list(page).getByRole('status').first()).toHaveText(
    'What runs the trials came to an end. Run them again.',
  );
  await page.unroute('**/*.js');
  await page.getByRole('button', { name: 'Run again' }).click();
  await expect(list(page).getByRole('status').first()).toHaveText(/^It holds, in \d+ ms\.$/);
});

test('by key alone: typed on the desk, what is expected chosen, kept as a trial, named, and run', async ({
  page,
  request,
}) => {
  const id = await newSet(request, []);
  await page.goto(`/sets/${id}/fields/price`);
  await page.getByRole('region', { name: 'Live field' }).getByLabel('Price of a bed').focus();
  await page.keyboard.type('501');
  await page.keyboard.press('Tab');
  const expected = page.getByRole('group', { name: 'A trial expects at this row' });
  await expect(expected.getByLabel('display')).toBeChecked();
  await expect(expected.getByLabel('its wording')).not.toBeChecked();
  await expected.getByLabel('raw').focus();
  await page.keyboard.press('Space');
  await page.getByRole('button', { name: 'Step back' }).focus();
  await page.keyboard.press('Enter');
  // The cell itself, by mouse: kept with one click on the row one stands at.
  await page.locator('[aria-current="step"] td').nth(1).click();
  await expect(page.locator('[aria-current="step"] td[data-expected]')).toHaveCount(1);
  await page.keyboard.press('Control+k');
  await page.keyboard.type('Keep the tape');
  await page.keyboard.press('Enter');
  await page.getByRole('link', { name: 'Give it a name and a reason' }).press('Enter');
  await page.waitForURL('**/trials#price');
  await expect(list(page).getByRole('status').first()).toHaveText(/^It holds, in \d+ ms\.$/);
  await page.getByRole('textbox', { name: 'Name of the trial price' }).fill('Too dear');
  await page.getByRole('textbox', { name: 'Why the trial price is there' }).fill('Beds are cheap.');
  await saved(page);
  const [trial] = (await documentOf(request, id)).trials;
  expect(trial).toMatchObject({ id: 'price', name: 'Too dear', why: 'Beds are cheap.' });
  expect(trial.tape).toMatch(
    /^field price\ntoday .*\nfocus\ntype "501"\nexpect display "£501\|"\nleave\nexpect display "£501.00"\nexpect value "501.00"\nexpect codes above-max\n$/,
  );
  await page.getByRole('button', { name: 'Delete this trial' }).press('Enter');
  await expect(list(page).getByText('There are none yet.')).toBeVisible();
});

test('what the trials reach: seen and never seen; a set without fields or trials looks meant', async ({
  page,
  request,
}) => {
  const id = await newSet(request);
  await page.goto(`/sets/${id}/trials`);
  const row = page
    .getByRole('region', { name: 'What the trials reach' })
    .getByRole('row')
    .filter({ hasText: 'most' });
  await expect(row).toContainText('pass seen');
  await expect(row).toContainText('fail never seen');
  await page.setViewportSize({ width: 400, height: 800 });
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(400);
  const answer = await request.post('/api/sets', {
    data: { document: { arbeit: 1, title: `Empty ${Math.random()}`, locale: 'en-GB', fields: [] } },
  });
  await page.goto(`/sets/${(await answer.json()).id}/trials`);
  await expect(list(page).getByText('There are none yet.')).toBeVisible();
  await expect(breaks(page).getByRole('button', { name: 'Break it' })).toBeDisabled();
  await expectNoViolations(page);
});

test('axe finds nothing on the trials of the demo, on the dark sheet', async ({ page }) => {
  await page.addInitScript(() => localStorage.setItem('arbeit.sheet', 'dark'));
  await page.goto('/sets/ridge-huts/trials');
  await expect(list(page).getByRole('status').first()).toHaveText(/^All 28 hold/);
  await page.getByRole('button', { name: 'Open A PIN that is too easy' }).click();
  await expect(editor(page, 'A PIN that is too easy')).toBeVisible();
  await expectNoViolations(page);
});

const audit = (page: Page) => page.getByRole('region', { name: 'Law audit' });

test('a set is held against the laws on all cores; what was found outlives the page', async ({
  page,
  request,
}) => {
  const id = await newSet(request);
  await page.goto(`/sets/${id}/trials`);
  await expect(audit(page).getByRole('status')).toHaveText('Not tried yet.');
  await audit(page).getByLabel('for').selectOption('10,000 events a field');
  await audit(page).getByLabel('seed').fill('7');
  await audit(page).getByRole('button', { name: 'Audit it' }).click();
  await expect(audit(page).getByRole('status')).toHaveText(/^1\d,\d{3} events, seed 7: no law is broken\.$/, {
    timeout: 60_000,
  });
  const row = audit(page).getByRole('row', { name: /^Price of a bed/ });
  await expect(row.getByText('kept')).toHaveCount(12);
  await expectNoViolations(page);
  // A table that is wider than the page is scrolled by itself.
  await page.setViewportSize({ width: 400, height: 800 });
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(400);
  const said = await audit(page).getByRole('status').textContent();
  await page.waitForTimeout(500);
  await page.reload();
  await expect(audit(page).getByRole('status')).toHaveText(said ?? '');
  await expect(row).toBeVisible();
});

test('an audit that goes on for ever is stopped, and stays where it was', async ({ page, request }) => {
  const id = await newSet(request);
  await page.goto(`/sets/${id}/trials`);
  await audit(page).getByLabel('for').selectOption('ten minutes');
  await audit(page).getByRole('button', { name: 'Audit it' }).press('Enter');
  // By key it is stopped where it was begun.
  await expect(audit(page).getByRole('button', { name: 'Stop' })).toBeFocused();
  await expect(audit(page).getByRole('status')).toHaveText(/^\d+,\d{3} events; so far no law is broken…$/, {
    timeout: 60_000,
  });
  await audit(page).getByRole('button', { name: 'Stop' }).click();
  await expect(audit(page).getByRole('status')).toHaveText(
    /^Stopped after [\d,]+ events, seed 1: no law is broken\.$/,
  );
});

test('a tape in the address is played on the desk', async ({ page, request }) => {
  const id = await newSet(request);
  const tape = 'field price\nfocus\ntype "501"\nleave\n';
  await page.goto(`/sets/${id}/fields/price?tape=${encodeURIComponent(tape)}`);
  await expect(page.getByRole('region', { name: 'Live field' }).getByLabel('Price of a bed')).toHaveValue(
    '£501.00',
  );
});

const brought = (page: Page) => page.getByRole('region', { name: 'The function you have' });
const said = (page: Page) => brought(page).getByRole('status').first();

test('a function somebody brings: the laws it breaks by its keys, and the field that does the same', async ({
  page,
  request,
}) => {
  const id = await newSet(request);
  await page.goto(`/sets/${id}/trials`);
  await brought(page).getByRole('button', { name: 'Try it' }).click();
  await expect(said(page)).toHaveText(/^[5-8] of 12 laws are broken\.$/, { timeout: 60_000 });
  await expect(brought(page)).toContainText('(<3 digit>) <3 digit>-<4 digit>');
  const count = brought(page).getByRole('region', {
    name: 'The caret is put back by counting letters and digits',
  });
  const undo = count.getByRole('region', { name: 'Keys that break law 7, caret counted' });
  await expect(undo.getByRole('row').last()).toContainText('undo');
  await expectNoViolations(page);
  await brought(page).getByRole('button', { name: 'Take this field into the set' }).click();
  await brought(page).getByRole('link', { name: 'To its desk' }).click();
  await page.waitForURL(/fields\/field$/);
  await expect(page.getByRole('region', { name: 'Live field' })).toBeVisible();
});

test('what is no function, throws, or never ends, is told; and nothing of it reaches the page', async ({
  page,
  request,
}) => {
  const id = await newSet(request);
  await page.goto(`/sets/${id}/trials`);
  const write = async (code: string) => {
    await brought(page).getByRole('textbox', { name: 'Your formatter' }).click();
    await page.keyboard.press('Control+A');
    await page.keyboard.insertText(code);
    await brought(page)
      .getByRole('button', { name: /Try it/ })
      .click();
  };
  await write('const n = 1;');
  await expect(said(page)).toHaveText('There is no function in it that takes a text.', { timeout: 30_000 });
  // What was written and what came of it are there after a reload.
  await page.waitForTimeout(500);
  await page.reload();
  await expect(brought(page).getByRole('textbox', { name: 'Your formatter' })).toHaveText('const n = 1;');
  await expect(said(page)).toHaveText('There is no function in it that takes a text.');
  await write('(text) => document.title');
  await expect(brought(page)).toContainText("'document' is not defined", { timeout: 30_000 });
  await expect(brought(page)).toContainText('No kind of field was found');
  await write('(text) => { [].indexOf.call({ length: 2 ** 53 - 1 }, 1); return text; }');
  await expect(said(page)).toContainText('kept the engine busy for too long', { timeout: 30_000 });
  await write('(text) => text.trim()');
  await expect(said(page)).toHaveText(/laws? (?:is|are) broken\.$/, { timeout: 60_000 });
});

test('a trial by other hands: the same, or where it comes to something else and why; played so on the desk', async ({
  page,
  request,
}) => {
  const dated = { id: 'when', kind: 'date', label: 'Day', entry: {} };
  const trial = { id: 'day', name: 'A day', tape: 'field when\nfocus\ntype "4"\nexpect display "04/|"\n' };
  const answer = await request.post('/api/sets', {
    data: {
      document: {
        arbeit: 1,
        title: `Hands ${Math.random()}`,
        locale: 'en-GB',
        fields: [dated],
        trials: [trial],
      },
    },
  });
  const { id } = (await answer.json()) as { id: string };
  await page.goto(`/sets/${id}/trials#day`);
  const by = page.getByRole('region', { name: 'A day by other hands' });
  await expect(by.getByRole('listitem').filter({ hasText: 'dictated' })).toContainText('the same');
  const program = by.getByRole('listitem').filter({ hasText: 'written by a program' });
  await expect(program).toContainText('line 3 comes to something else');
  await expect(program).toContainText('It is a whole value and not typing');
  await expectNoViolations(page);
  await program.getByRole('link').click();
  await page.waitForURL(/hand=program$/);
  await expect(page.getByRole('region', { name: 'Live field' }).getByLabel('Day')).toHaveValue('4');
});

test('a tape that was recorded elsewhere opens on the desk of its field; one of another field, or none at all, is told', async ({
  page,
  request,
}) => {
  const id = await newSet(request);
  await page.goto(`/sets/${id}/fields/price`);
  const tape = page.getByRole('region', { name: 'Tape', exact: true });
  const open = (text: string) =>
    tape
      .getByLabel('Open a tape')
      .setInputFiles({ name: 'one.tape', mimeType: 'text/plain', buffer: Buffer.from(text) });
  await open(
    'tape "Recorded in Price"\nfield price\ntoday 2027-02-10\nfocus\ntype "12x5"\ncaret 2\nbackspace\n',
  );
  const line = page.getByRole('region', { name: 'Live field' }).getByLabel('Price of a bed');
  await expect(line).toHaveValue('£25');
  await expect(tape.getByRole('status').first()).toContainText('rows');
  await open('field other\ntype "1"\n');
  await expect(tape.getByRole('status').first()).toHaveText(
    'It is a tape of the field “other”, and this is the desk of “price”.',
  );
  await expect(line).toHaveValue('£25');
  await open('what is this');
  await expect(tape.getByRole('status').first()).toContainText('Line 1, column 1:');
  await page.keyboard.press('Tab');
  await expectNoViolations(page);
});

test('a miss of a form’s trial opens on the form, filled in up to that row', async ({ page, request }) => {
  const trial = {
    id: 'all',
    name: 'Filled in',
    tape: 'form stay\nfocus price\ntype "501"\nfocus note\ntype "late"\nexpect note raw "early"\ntype "r"\n',
  };
  const note = { id: 'note', kind: 'text', label: 'Note', entry: {} };
  const document = {
    arbeit: 1,
    title: `Form ${Math.random()}`,
    locale: 'en-GB',
    fields: [price, note],
    forms: [{ id: 'stay', title: 'Stay', fields: ['price', 'note'] }],
    trials: [trial],
  };
  const answer = await request.post('/api/sets', { data: { document } });
  const { id } = (await answer.json()) as { id: string };
  await page.goto(`/sets/${id}/trials#all`);
  await page.getByRole('link', { name: 'To this row on its form' }).click();
  await page.waitForURL(/forms\/stay\?trial=all&line=6$/);
  await expect(page.getByLabel('Price of a bed').first()).toHaveValue('£501.00');
  await expect(page.getByLabel('Note', { exact: true }).first()).toHaveValue('late');
});
