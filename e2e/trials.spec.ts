import { expect, type Page } from '@playwright/test';
import * as words from '../apps/studio/words/index.ts';
import { test } from './alive.ts';
import { expectNoViolations } from './axe.ts';
import { documentOf, newSet, saved } from './sets.ts';
import { withAny } from './with-any.ts';

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

const list = (page: Page) => page.getByRole('region', { name: words.shared.trials, exact: true });
const breaks = (page: Page) => page.getByRole('region', { name: words.later.mutationTests });
const editor = (page: Page, name: string) => page.getByRole('textbox', { name: words.trials.tapeOf(name) });

test('trials run by themselves; a miss is told by two rulers and opens on the desk at its row', async ({
  page,
  request,
}) => {
  const id = await newSet(request, { fields: [price], trials: [edge, wrong] });
  await page.goto(`/sets/${id}/trials`);
  await expect(list(page).getByRole('status').first()).toHaveText(words.trials.ofPassedFailed(1, 2, 1));
  await expect(list(page).getByText(words.trials.ofExpectationsMet(2))).toBeVisible();
  await page.getByRole('button', { name: words.trials.closeOpen(false, 'Not what is there') }).click();
  const misses = page.getByRole('list', { name: words.trials.failedExpectations });
  await expect(misses.getByRole('row', { name: 'expected "£51|"' })).toBeVisible();
  await expect(misses.getByRole('row', { name: 'actual "£50|"' })).toBeVisible();
  await expect(misses.locator('[data-apart]')).toHaveText(['1', '0']);
  await expectNoViolations(page);
  await misses.getByRole('link', { name: words.trials.showOnDesk }).click();
  await page.waitForURL(/fields\/price\?trial=wrong&line=6$/);
  const here = page.locator('[aria-current="step"]');
  await expect(here).toContainText('backspace');
  await expect(here).toContainText('£50');
  await expect(
    page.getByRole('region', { name: words.desk.liveField }).getByLabel('Price of a bed'),
  ).toHaveValue('£50');
  // The shelf tells what came of them, and leads back.
  await page.goto('/');
  const told = page.locator(`[data-set="${id}"]`).getByRole('link', {
    name: words.shelf.trialsOf('Price of a bed', words.shelf.passedFailed(1, 1), false),
  });
  await told.click();
  await page.waitForURL(new RegExp(`/sets/${id}/trials$`));
});

test('a tape is written with its mistakes told at their place; what cannot be read is not saved and not lost', {
  tag: '@long',
}, async ({ page, request }) => {
  const id = await newSet(request, { fields: [price], trials: [edge] });
  await page.goto(`/sets/${id}/trials#edge`);
  const tape = editor(page, 'Up to the edge');
  await tape.click();
  await page.keyboard.press('Control+End');
  await page.keyboard.type('expect valeu "x"');
  const mistakes = page.getByRole('status', { name: words.trials.whatIsWrong });
  await expect(mistakes).toContainText(
    words.desk.lineColumn(6, 8, 'Unknown expectation "valeu". Did you mean "value"?'),
  );
  await page.reload();
  await expect(editor(page, 'Up to the edge')).toContainText('expect valeu "x"');
  expect((await documentOf(request, id)).trials[0].tape).toBe(edge.tape);
  await page.getByRole('button', { name: words.trials.revertToTheLastValid }).click();
  await expect(mistakes).toBeEmpty();
  await editor(page, 'Up to the edge').click();
  await page.keyboard.press('Control+A');
  await page.keyboard.type('field price');
  await expect(mistakes).toContainText(words.trials.thisTrialHasNoExpectations);
  await page.keyboard.press('Enter');
  await page.keyboard.type('expect codes none');
  await page.keyboard.press('Escape');
  await expect(list(page).getByText(words.trials.ofExpectationsMet(1))).toBeVisible();
  await saved(page);
  expect((await documentOf(request, id)).trials[0].tape).toBe('field price\nexpect codes none');
});

test('broken on purpose: a strip of what is noticed, trials for the rest; all of them taken, nothing is missed', {
  tag: '@long',
}, async ({ page, request }) => {
  const id = await newSet(request, { fields: [price], trials: [edge] });
  await page.goto(`/sets/${id}/trials`);
  await breaks(page).getByRole('button', { name: words.later.runMutationTests }).click();
  await expect(breaks(page).getByRole('status')).toHaveText(withAny(words.trials.mutationsTested(9)));
  await breaks(page)
    .getByRole('button', { name: words.trials.mutationsOf(false, 'Price of a bed') })
    .click();
  const way = breaks(page)
    .getByRole('listitem')
    .filter({ hasText: /^rule “most” dropped/i });
  await expect(way.getByText('expect flags !valid')).toBeVisible();
  const caught = breaks(page)
    .getByRole('listitem')
    .filter({ hasText: /^rule “most”: max 499 instead of 500/i });
  await expect(caught).toContainText(words.trials.caughtBy('edge'));
  await expectNoViolations(page);
  await way.getByRole('button', { name: words.trials.addThisTrial }).click();
  await expect(list(page).getByRole('status').first()).toHaveText(withAny(words.trials.allPassedInMs(2, 9)));
  await breaks(page)
    .getByRole('button', { name: withAny(words.trials.addAllSuggestedTrials(9)) })
    .click();
  // They are looked at before they are added; their names differ.
  const suggested = breaks(page).getByRole('group', { name: words.trials.suggestedTrials });
  const names = await suggested.locator('label').allTextContents();
  expect([new Set(names).size, names.length > 3]).toEqual([names.length, true]);
  await expectNoViolations(page);
  await suggested.getByRole('button', { name: words.trials.addTrials(names.length) }).click();
  await expect(breaks(page).getByText(words.trials.trialsWereAdded(names.length))).toBeVisible();
  await expect(list(page).getByRole('status').first()).not.toHaveText(
    withAny(words.trials.allPassedInMs(2, 9)),
  );
  await expect(list(page).getByRole('status').first()).toHaveText(withAny(words.trials.allPassedInMs(9, 9)));
  await breaks(page).getByRole('button', { name: words.later.runAgain }).click();
  await expect(breaks(page).getByRole('list', { name: words.trials.results })).toContainText('0 not caught');
  await saved(page);
  // One step each way.
  await page.getByRole('button', { name: words.set.undo }).click();
  await expect(list(page).getByRole('status').first()).toHaveText(withAny(words.trials.allPassedInMs(2, 9)));
});

test('it can be stopped, and what was found stays; a thread that dies is told', { tag: '@long' }, async ({
  page,
  request,
}) => {
  const id = await newSet(request, { fields: [price], trials: [edge] });
  await page.goto('/sets/ridge-huts/trials');
  await expect(list(page).getByRole('status').first()).toHaveText(withAny(words.trials.allPassedInMs(29, 9)));
  await breaks(page).getByRole('button', { name: words.later.runMutationTests }).click();
  await expect(breaks(page).getByRole('progressbar')).toBeVisible();
  await expect(
    breaks(page)
      .getByRole('button', { name: words.trials.mutationsOf(false, '') })
      .first(),
  ).toBeVisible();
  await breaks(page).getByRole('button', { name: words.later.stop }).click();
  await expect(breaks(page).getByRole('status')).toHaveText(
    withAny(words.trials.stoppedAfterOfMutations(9, 99)),
  );
  await expect(
    breaks(page)
      .getByRole('button', { name: words.trials.mutationsOf(false, '') })
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
    words.store.theTestRunnerStoppedUnexpectedly,
  );
  await page.unroute('**/*.js');
  await page.getByRole('button', { name: words.later.runAgain }).click();
  await expect(list(page).getByRole('status').first()).toHaveText(withAny(words.trials.allPassedInMs(1, 9)));
});

test('by key alone: typed on the desk, what is expected chosen, kept as a trial, named, and run', async ({
  page,
  request,
}) => {
  const id = await newSet(request, { fields: [price] });
  await page.goto(`/sets/${id}/fields/price`);
  await page.getByRole('region', { name: words.desk.liveField }).getByLabel('Price of a bed').focus();
  await page.keyboard.type('501');
  await page.keyboard.press('Tab');
  const expected = page.getByRole('group', { name: words.desk.expectAtThisRow });
  await expect(expected).toBeHidden();
  await page.getByRole('button', { name: words.desk.moreTapeActions }).click();
  await page.getByRole('menuitem', { name: words.desk.chooseExpectations }).click();
  await expect(expected.getByLabel(words.desk.display)).toBeChecked();
  await expect(expected.getByLabel(words.desk.messageText)).not.toBeChecked();
  await expected.getByLabel(words.desk.raw).focus();
  await page.keyboard.press('Space');
  await page.getByRole('button', { name: words.desk.stepBack }).focus();
  await page.keyboard.press('Enter');
  // The cell itself, by mouse: kept with one click on the row one stands at.
  await page.locator('[aria-current="step"] td').nth(1).click();
  await expect(page.locator('[aria-current="step"] td[data-expected]')).toHaveCount(1);
  await page.keyboard.press('Control+k');
  await page.keyboard.type(words.shared.saveTapeAsTrial);
  await page.keyboard.press('Enter');
  await page.getByRole('link', { name: words.desk.giveItAName }).press('Enter');
  await page.waitForURL('**/trials#price');
  await expect(list(page).getByRole('status').first()).toHaveText(withAny(words.trials.allPassedInMs(1, 9)));
  await page.getByRole('textbox', { name: words.trials.nameOfTheTrial('price') }).fill('Too dear');
  await page
    .getByRole('textbox', { name: words.trials.descriptionOfTheTrial('price') })
    .fill('Beds are cheap.');
  await saved(page);
  const [trial] = (await documentOf(request, id)).trials;
  expect(trial).toMatchObject({ id: 'price', name: 'Too dear', why: 'Beds are cheap.' });
  expect(trial.tape).toMatch(
    /^field price\ntoday .*\nfocus\ntype "501"\nexpect display "£501\|"\nleave\nexpect display "£501.00"\nexpect value "501.00"\nexpect codes above-max\n$/,
  );
  await page.getByRole('button', { name: words.trials.deleteTrial }).press('Enter');
  await expect(list(page).getByText(words.trials.noTrialsYet)).toBeVisible();
});

test('what the trials reach: seen and never seen; a set without fields or trials looks meant', {
  tag: '@long',
}, async ({ page, request }) => {
  const id = await newSet(request, { fields: [price], trials: [edge] });
  await page.goto(`/sets/${id}/trials`);
  const row = page
    .getByRole('region', { name: words.later.coverage })
    .getByRole('row')
    .filter({ hasText: 'most' });
  await expect(row).toContainText('pass covered');
  await expect(row).toContainText('fail not covered');
  await page.setViewportSize({ width: 400, height: 800 });
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(400);
  const answer = await request.post('/api/sets', {
    data: { document: { arbeit: 2, title: `Empty ${Math.random()}`, locale: 'en-GB', fields: [] } },
  });
  await page.goto(`/sets/${(await answer.json()).id}/trials`);
  await expect(list(page).getByText(words.trials.noTrialsYet)).toBeVisible();
  await expect(breaks(page).getByRole('button', { name: words.later.runMutationTests })).toBeDisabled();
  await expectNoViolations(page);
});

test('axe finds nothing on the trials of the demo, on the dark sheet', { tag: '@long' }, async ({ page }) => {
  await page.addInitScript(() => localStorage.setItem('arbeit.sheet', 'dark'));
  await page.goto('/sets/ridge-huts/trials');
  await expect(list(page).getByRole('status').first()).toHaveText(withAny(words.trials.allPassedInMs(29, 9)));
  await page.getByRole('button', { name: words.trials.closeOpen(false, 'rejects an easy PIN') }).click();
  await expect(editor(page, 'rejects an easy PIN')).toBeVisible();
  await expectNoViolations(page);
});
