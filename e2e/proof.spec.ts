import { expect, type Page } from '@playwright/test';
import * as words from '../apps/studio/words/index.ts';
import { test } from './alive.ts';
import { expectNoViolations } from './axe.ts';
import { newSet } from './sets.ts';
import { withAny } from './with-any.ts';

const price = {
  id: 'price',
  kind: 'currency',
  label: 'Price of a bed',
  entry: { currency: 'GBP' },
  rules: [{ id: 'most', check: { type: 'range', max: '500' } }],
};

const laws = (page: Page) => page.getByRole('region', { name: words.later.lawCheck });

test('a set is held against the laws on all cores; what was found outlives the page', async ({
  page,
  request,
}) => {
  const id = await newSet(request, { fields: [price] });
  await page.goto(`/sets/${id}/trials`);
  await expect(laws(page).getByRole('status')).toHaveText(words.trials.notRunYetSentence);
  await laws(page).getByLabel(words.trials.forLabel).selectOption(words.trials.tenThousandEvents);
  await laws(page).getByLabel(words.trials.seed).fill('7');
  await laws(page).getByRole('button', { name: words.later.run, exact: true }).click();
  await expect(laws(page).getByRole('status')).toHaveText(
    withAny(words.trials.eventsSeed('9,999', 7, words.trials.noLawIsBroken)),
  );
  const row = laws(page).getByRole('row', { name: /^Price of a bed/ });
  await expect(row.getByText('kept')).toHaveCount(12);
  await expectNoViolations(page);
  // A table that is wider than the page is scrolled by itself.
  await page.setViewportSize({ width: 400, height: 800 });
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(400);
  const said = await laws(page).getByRole('status').textContent();
  await page.reload();
  await expect(laws(page).getByRole('status')).toHaveText(said ?? '');
  await expect(row).toBeVisible();
});

test('a law check that goes on for ever is stopped, and stays where it was', { tag: '@long' }, async ({
  page,
  request,
}) => {
  const id = await newSet(request, { fields: [price] });
  await page.goto(`/sets/${id}/trials`);
  await laws(page).getByLabel(words.trials.forLabel).selectOption(words.trials.tenMinutes);
  await laws(page).getByRole('button', { name: words.later.run, exact: true }).press('Enter');
  // By key it is stopped where it was begun.
  await expect(laws(page).getByRole('button', { name: words.later.stop })).toBeFocused();
  await expect(laws(page).getByRole('status')).toHaveText(
    withAny(words.trials.soFar(words.trials.eventsOf('9,999', undefined), words.trials.noLawIsBroken)),
  );
  await laws(page).getByRole('button', { name: words.later.stop }).click();
  await expect(laws(page).getByRole('status')).toHaveText(
    withAny(
      words.trials.stoppedAfterSeed(words.trials.eventsOf('9,999', undefined), 1, words.trials.noLawIsBroken),
    ),
  );
});

test('a tape in the address is played on the desk', async ({ page, request }) => {
  const id = await newSet(request, { fields: [price] });
  const tape = 'field price\nfocus\ntype "501"\nleave\n';
  await page.goto(`/sets/${id}/fields/price?tape=${encodeURIComponent(tape)}`);
  await expect(
    page.getByRole('region', { name: words.desk.liveField }).getByLabel('Price of a bed'),
  ).toHaveValue('£501.00');
});

const brought = (page: Page) => page.getByRole('region', { name: words.later.testYourOwnFormatter });
const said = (page: Page) => brought(page).getByRole('status').first();

test('a function somebody brings: the laws it breaks by its keys, and the field that does the same', {
  tag: '@long',
}, async ({ page, request }) => {
  const id = await newSet(request, { fields: [price] });
  await page.goto(`/sets/${id}/trials`);
  await brought(page).getByRole('button', { name: words.later.run, exact: true }).click();
  await expect(said(page)).toHaveText(/^[5-8] of 12 laws are broken\.$/);
  await expect(brought(page)).toContainText('(<3 digit>) <3 digit>-<4 digit>');
  const count = brought(page).getByRole('region', {
    name: words.trials.restoreTheCaretByCounting,
  });
  const undo = count.getByRole('region', { name: words.trials.keysThatBreakLaw(7, 'restored caret') });
  await expect(undo.getByRole('row').last()).toContainText(words.model.undo);
  await expectNoViolations(page);
  await brought(page).getByRole('button', { name: words.trials.addThisField }).click();
  await brought(page).getByRole('link', { name: words.trials.openOnDesk }).click();
  await page.waitForURL(/fields\/field$/);
  await expect(page.getByRole('region', { name: words.desk.liveField })).toBeVisible();
});

test('what is no function, throws, or never ends, is told; and nothing of it reaches the page', {
  tag: '@long',
}, async ({ page, request }) => {
  const id = await newSet(request, { fields: [price] });
  await page.goto(`/sets/${id}/trials`);
  const write = async (code: string) => {
    await brought(page).getByRole('textbox', { name: words.trials.yourFormatter }).click();
    await page.keyboard.press('Control+A');
    await page.keyboard.insertText(code);
    await brought(page).getByRole('button', { name: /^Run/ }).click();
  };
  await write('const n = 1;');
  await expect(said(page)).toHaveText('No function with a text parameter found.');
  // What was written and what came of it are there after a reload.
  await page.reload();
  await expect(brought(page).getByRole('textbox', { name: words.trials.yourFormatter })).toHaveText(
    'const n = 1;',
  );
  await expect(said(page)).toHaveText('No function with a text parameter found.');
  await write('(text) => document.title');
  await expect(brought(page)).toContainText("'document' is not defined");
  await expect(brought(page)).toContainText(words.trials.noBuiltInFieldKind);
  await write('(text) => { [].indexOf.call({ length: 2 ** 53 - 1 }, 1); return text; }');
  await expect(said(page)).toContainText(words.trials.stoppedLong);
  await write('(text) => text.trim()');
  await expect(said(page)).toHaveText(/laws? (?:is|are) broken\.$/);
});

test('a trial by other hands: the same, or where it comes to something else and why; played so on the desk', {
  tag: '@long',
}, async ({ page, request }) => {
  const dated = { id: 'when', kind: 'date', label: 'Day', entry: {} };
  const trial = { id: 'day', name: 'A day', tape: 'field when\nfocus\ntype "4"\nexpect display "04/|"\n' };
  const id = await newSet(request, { fields: [dated], trials: [trial] });
  await page.goto(`/sets/${id}/trials#day`);
  const by = page.getByRole('region', { name: words.trials.otherInputMethodsWithName('A day') });
  await expect(by.getByRole('listitem').filter({ hasText: words.trials.dictated })).toContainText(
    words.trials.theSame,
  );
  const program = by.getByRole('listitem').filter({ hasText: words.trials.setByCode });
  await expect(program).toContainText(words.trials.differentResultAtLine(3));
  await expect(program).toContainText(words.trials.autofillReplacesTheWholeValue);
  await expectNoViolations(page);
  await program.getByRole('link').click();
  await page.waitForURL(/hand=program$/);
  await expect(page.getByRole('region', { name: words.desk.liveField }).getByLabel('Day')).toHaveValue('4');
});

test('a tape that was recorded elsewhere opens on the desk of its field; one of another field, or none at all, is told', {
  tag: '@long',
}, async ({ page, request }) => {
  const id = await newSet(request, { fields: [price] });
  await page.goto(`/sets/${id}/fields/price`);
  const tape = page.getByRole('region', { name: words.desk.tape, exact: true });
  const open = (text: string) =>
    tape
      .getByLabel(words.desk.openATape)
      .setInputFiles({ name: 'one.tape', mimeType: 'text/plain', buffer: Buffer.from(text) });
  await open(
    'tape "Recorded in Price"\nfield price\ntoday 2027-02-10\nfocus\ntype "12x5"\ncaret 2\nbackspace\n',
  );
  const line = page.getByRole('region', { name: words.desk.liveField }).getByLabel('Price of a bed');
  await expect(line).toHaveValue('£25');
  await expect(tape.getByText(withAny(words.desk.rows(9)))).toBeVisible();
  await open('field other\ntype "1"\n');
  await expect(tape.getByRole('status').first()).toHaveText(words.desk.thisTape('field', 'other', 'price'));
  await expect(line).toHaveValue('£25');
  await open('what is this');
  await expect(tape.getByRole('status').first()).toContainText('Line 1, column 1:');
  await page.keyboard.press('Tab');
  await expectNoViolations(page);
});

test('a miss of a form’s trial opens on the form, filled in up to that row', { tag: '@long' }, async ({
  page,
  request,
}) => {
  const trial = {
    id: 'all',
    name: 'Filled in',
    tape: 'form stay\nfocus price\ntype "501"\nfocus note\ntype "late"\nexpect note raw "early"\ntype "r"\n',
  };
  const note = { id: 'note', kind: 'text', label: 'Note', entry: {} };
  const forms = [{ id: 'stay', title: 'Stay', fields: ['price', 'note'] }];
  const id = await newSet(request, { fields: [price, note], forms, trials: [trial] });
  await page.goto(`/sets/${id}/trials#all`);
  await page.getByRole('link', { name: words.trials.toThisRow }).click();
  await page.waitForURL(/forms\/stay\?trial=all&line=6$/);
  await expect(page.getByLabel('Price of a bed').first()).toHaveValue('£501.00');
  await expect(page.getByLabel('Note', { exact: true }).first()).toHaveValue('late');
});

test('what breaking found is about the set as it stands, after a reload as well, until that is changed', {
  tag: '@long',
}, async ({ page, request }) => {
  const id = await newSet(request, { fields: [price] });
  await page.goto(`/sets/${id}/trials`);
  const breaks = page.getByRole('region', { name: words.later.mutationTests });
  await breaks.getByRole('button', { name: words.later.runMutationTests }).click();
  await expect(breaks.getByRole('status')).toHaveText(withAny(words.trials.mutationsTested(9)));
  await page.reload();
  await expect(breaks.getByRole('status')).toHaveText(withAny(words.trials.mutationsTested(9)));
  const changed = breaks.getByText(words.trials.theSetHasChangedSince);
  await expect(changed).toBeHidden();
  const look = words.trials.addAllSuggestedTrials(2).replace('2', '');
  await breaks.getByRole('button', { name: look }).click();
  await breaks
    .getByRole('group', { name: words.trials.suggestedTrials })
    .getByRole('button', { name: /^Add/ })
    .click();
  await expect(changed).toBeVisible();
});
