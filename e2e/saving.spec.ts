import AxeBuilder from '@axe-core/playwright';
import { type APIRequestContext, expect, type Page } from '@playwright/test';
import * as words from '../apps/studio/words/index.ts';
import { patient, test } from './alive.ts';
import { newSet, save, stored } from './sets.ts';
import { withAny } from './with-any.ts';

const pin = { id: 'pin', kind: 'pattern', label: 'Key-box PIN', entry: { pattern: '<4 digit>' } };
/** Fields of a set that is larger than a page may send while it goes away. */
const large = () =>
  Array.from({ length: 700 }, (_, i) => ({
    ...pin,
    id: `pin-${i}`,
    hint: i ? `${'y'.repeat(60)} ${i}` : '',
  }));
const hintOf = async (request: APIRequestContext, id: string) =>
  (await stored(request, id)).document.fields[0]!.hint;
const hint = (page: Page) => page.getByLabel(words.shared.hint, { exact: true });

test('reloaded right after an edit, the edit is there, is saved, and is no conflict with oneself', async ({
  page,
  request,
}) => {
  const id = await newSet(request, { fields: [pin] });
  await page.goto(`/sets/${id}/fields/pin`);
  for (const text of ['one', 'one two', 'one two three']) {
    await hint(page).fill(text);
    await page.reload();
    await expect(hint(page)).toHaveValue(text);
    await expect(page.getByRole('alertdialog')).toHaveCount(0);
    await hint(page).fill(`${text}!`);
    await page.reload();
    await expect(hint(page)).toHaveValue(`${text}!`);
  }
  await expect.poll(() => hintOf(request, id)).toBe('one two three!');
  const refused = await (await request.get(`/api/sets/${id}/refused`)).json();
  expect(refused).toEqual([]);
});

test('with the server away nothing is lost: it is kept, told, put back on return and sent again by itself', async ({
  page,
  request,
}) => {
  // A browser's own ways of being offline let through what is sent while a page goes away.
  await page.addInitScript(() => {
    const { fetch } = globalThis;
    globalThis.fetch = (input, init) =>
      init?.method === 'PUT' && localStorage.getItem('away')
        ? Promise.reject(new TypeError('away'))
        : fetch(input, init);
  });
  const id = await newSet(request, { fields: large() });
  await page.goto(`/sets/${id}/fields/pin-0`);
  await page.evaluate(() => localStorage.setItem('away', 'yes'));
  await hint(page).fill('made without a server');
  await expect(page.getByText(words.set.yourChangesAreKept)).toBeVisible();
  await hint(page).fill('made without a server, twice');
  await page.goto('about:blank', { waitUntil: 'commit' });
  expect(await hintOf(request, id)).toBe('');
  await page.goto(`/sets/${id}/fields/pin-0`);
  await expect(hint(page)).toHaveValue('made without a server, twice');
  await expect(page.getByText(withAny(words.set.unsavedChangesFromWereRestored('*')))).toBeVisible();
  expect(await hintOf(request, id)).toBe('');
  await page.evaluate(() => localStorage.removeItem('away'));
  await expect.poll(() => hintOf(request, id)).toBe('made without a server, twice');
  await expect(page.getByText(words.set.saved, { exact: true }).first()).toBeVisible();
});

test('a set larger than a page may send while it goes away', { tag: '@long' }, async ({ page, request }) => {
  const id = await newSet(request, { fields: large() });
  await page.goto(`/sets/${id}/fields/pin-0`);
  // What saves is loaded with the first edit. Until it has arrived, a page that leaves keeps a draft instead.
  await hint(page).fill('first words');
  await expect.poll(() => hintOf(request, id)).toBe('first words');
  await expect(page.getByText(words.set.saved, { exact: true }).first()).toBeVisible();
  await hint(page).fill('last words');
  await page.goto('about:blank', { waitUntil: 'commit' });
  await page.goto('/');
  await expect.poll(() => hintOf(request, id)).toBe('last words');
});

test('what another living page has not saved yet is its own', async ({ page, request, context }) => {
  const id = await newSet(request, { fields: [pin] });
  await page.route('**/api/sets/**', (route) =>
    route.request().method() === 'PUT' ? route.abort() : route.continue(),
  );
  await page.goto(`/sets/${id}/fields/pin`);
  await hint(page).fill('still typing');
  const other = patient(await context.newPage());
  await other.goto(`/sets/${id}/fields/pin`);
  await expect(hint(other)).toHaveValue('');
  await page.close();
  await other.reload();
  await expect(hint(other)).toHaveValue('still typing');
});

test('a faulty pattern is unsaved work too', async ({ page, request }) => {
  const id = await newSet(request, { fields: [pin] });
  await page.goto(`/sets/${id}/fields/pin`);
  const line = page
    .getByRole('region', { name: words.shared.pattern })
    .getByLabel(words.shared.pattern, { exact: true });
  await line.fill('<4 digit>-<2 lett');
  await page.reload();
  await expect(line).toHaveValue('<4 digit>-<2 lett');
  await line.fill('<4 digit>-<2 letter>');
  await page.reload();
  await expect(line).toHaveValue('<4 digit>-<2 letter>');
});

test('refused versions are found again, compared and taken back', { tag: '@long' }, async ({
  page,
  request,
}) => {
  const id = await newSet(request, { fields: [pin] });
  const first = await stored(request, id);
  const send = async (hint: string, from: string) => {
    const document = { ...first.document, title: 'Huts', fields: [{ ...first.document.fields[0], hint }] };
    return (await save(request, first, document, from)).status();
  };
  expect(await send('theirs', 'a')).toBe(200);
  for (const [hint, from] of [['mine', 'b'], ['mine, older', 'c'], ['mine, older', 'c']] as const) // biome-ignore format: a list
    expect(await send(hint, from)).toBe(409);
  await page.goto('/');
  await page
    .locator(`[data-set="${id}"]`)
    .getByRole('button', { name: words.shared.actionsFor('Huts') })
    .click();
  await page.getByRole('menuitem', { name: words.shared.conflictingSaves }).click();
  await expect(page.getByText(words.model.changedWithNameListed('“Key-box PIN”', 'hint'))).toHaveCount(2);
  expect((await new AxeBuilder({ page }).analyze()).violations).toEqual([]);
  await page.getByRole('button', { name: words.shared.deleteLabel }).first().click();
  // The list is fetched anew, and what was said stays: the page is not mounted anew.
  await expect(page.getByText(words.model.changedWithNameListed('“Key-box PIN”', 'hint'))).toHaveCount(1);
  await expect(page.getByText(words.set.deleted)).toBeVisible();
  await expect(page).toHaveURL(new RegExp(`/sets/${id}/refused$`));
  await page.getByRole('button', { name: words.set.restoreThisVersion }).click();
  await expect(page.getByText(/Restored/)).toBeVisible();
  await expect(page.getByText(/No conflicting saves\./)).toBeVisible();
  expect(await stored(request, id)).toMatchObject({ revision: 3, document: { fields: [{ hint: 'mine' }] } });
});

test('two tabs of a browser show each other’s changes at once, and undo takes back one’s own alone', async ({
  page,
  request,
  context,
}) => {
  const id = await newSet(request, { fields: [pin] });
  const other = patient(await context.newPage());
  await page.goto(`/sets/${id}/fields/pin`);
  await other.goto(`/sets/${id}/fields/pin`);
  await hint(page).fill('from the first');
  await expect(hint(other)).toHaveValue('from the first');
  await other.getByLabel(words.shared.placeholder).fill('1234');
  await expect(page.getByLabel(words.shared.placeholder)).toHaveValue('1234');
  await page.getByRole('button', { name: words.set.undo, exact: true }).click();
  await expect(hint(page)).toHaveValue('');
  await expect(hint(other)).toHaveValue('');
  await expect(other.getByLabel(words.shared.placeholder)).toHaveValue('1234');
  expect((await stored(request, id)).document.fields[0]).toMatchObject({ placeholder: '1234' });
});

test('two browsers that change something else of one field come to the same', { tag: '@long' }, async ({
  page,
  request,
  browser,
}) => {
  const id = await newSet(request, { fields: [pin] });
  const other = patient(await (await browser.newContext()).newPage());
  await page.goto(`/sets/${id}/fields/pin`);
  await other.goto(`/sets/${id}/fields/pin`);
  await hint(page).fill('by one');
  await expect.poll(() => hintOf(request, id)).toBe('by one');
  await other.getByLabel(words.shared.placeholder).fill('1234');
  await expect(hint(other)).toHaveValue('by one');
  await expect(other.getByText(words.set.saved, { exact: true }).first()).toBeVisible();
  expect((await stored(request, id)).document.fields[0]).toMatchObject({
    hint: 'by one',
    placeholder: '1234',
  });
  await other.context().close();
});

test('somebody who only looks on sees what others save, as soon as it is saved', { tag: '@long' }, async ({
  page,
  request,
  browser,
}) => {
  const id = await newSet(request, { fields: [pin] });
  const other = patient(await (await browser.newContext()).newPage());
  await page.goto(`/sets/${id}/fields/pin`);
  await other.goto(`/sets/${id}/fields/pin`);
  await other.keyboard.press('Tab');
  await hint(page).fill('seen by both');
  await expect(hint(other)).toHaveValue('seen by both');
  // What is being typed elsewhere in the same field stays.
  await other.getByLabel(words.shared.placeholder).fill('1234');
  await hint(page).fill('seen by both, once more');
  await expect(hint(other)).toHaveValue('seen by both, once more');
  await expect(other.getByLabel(words.shared.placeholder)).toHaveValue('1234');
  await expect(page.getByLabel(words.shared.placeholder)).toHaveValue('1234');
  await other.context().close();
});

test('a shelf of many sets asks for changes once, and a page that is not seen asks for none', {
  tag: '@long',
}, async ({ page, request }) => {
  for (let i = 0; i < 10; i++) await newSet(request, { fields: [pin] });
  const asked: number[] = [];
  page.on('request', (one) => {
    const { pathname, searchParams } = new URL(one.url());
    if (pathname === '/api/changes') asked.push(searchParams.getAll('set').length);
  });
  await page.goto('/');
  await page.keyboard.press('Tab');
  await expect.poll(() => asked).toEqual([10]);
  const show = (state: 'hidden' | 'visible') =>
    page.evaluate((is) => {
      Object.defineProperty(document, 'visibilityState', { value: is, configurable: true });
      document.dispatchEvent(new Event('visibilitychange'));
    }, state);
  const closed = page.waitForEvent('requestfailed', (one) => one.url().includes('/api/changes'));
  await show('hidden');
  await closed;
  await show('visible');
  await expect.poll(() => asked).toEqual([10, 10]);
});

test('after a restore of the store, the page asks which version to continue with', { tag: '@long' }, async ({
  page,
  request,
}) => {
  const id = await newSet(request, { fields: [pin] });
  const found = await stored(request, id);
  const theirs = { ...found, revision: 4, generation: 'g_restored' };
  await page.route('**/api/sets/s_*', (route) =>
    route.request().method() === 'PUT'
      ? route.fulfill({ status: 409, json: { because: 'generation', theirs, kept: null } })
      : route.continue(),
  );
  await page.goto(`/sets/${id}/fields/pin`);
  await hint(page).fill('of this page');
  const dialog = page.getByRole('alertdialog', { name: words.set.theStoreWasRestored });
  await expect(dialog).toContainText('at revision 4. This page shows a different version. If you use');
  expect((await new AxeBuilder({ page }).analyze()).violations).toEqual([]);
  await dialog.getByRole('button', { name: words.set.useTheVersion }).click();
  await expect(hint(page)).toHaveValue('');
  await page.getByRole('button', { name: words.set.undo, exact: true }).click();
  await expect(hint(page)).toHaveValue('of this page');
});

test('of many sets the shelf lists some, more as they are asked for, and finds them by their title', {
  tag: '@long',
}, async ({ page, request }) => {
  // Sets of other tests come and go meanwhile: only those of this one have the mark.
  const mark = `Ridge ${Math.random().toString(36).slice(2)}`;
  for (let i = 0; i < 130; i++) {
    const document = { arbeit: 2, title: `${mark} valley ${i}`, locale: 'en-GB', fields: [pin] };
    await request.post('/api/sets', { data: { document } });
  }
  await page.goto('/');
  const further = page.getByRole('region', { name: words.shelf.olderSets });
  const lines = further.locator('[data-set]');
  const more = further.getByRole('button', { name: withAny(words.shelf.showOfMoreSets(9, 9)) });
  await expect(more).toBeVisible();
  expect(await lines.count()).toBeLessThanOrEqual(50);
  await page.getByRole('searchbox', { name: words.shared.findAField }).fill(mark.toUpperCase());
  await expect(more).toHaveText(words.shelf.showOfMoreSets(50, 80));
  await more.click();
  await expect(more).toHaveText(words.shelf.showOfMoreSets(30, 30));
  expect((await new AxeBuilder({ page }).analyze()).violations).toEqual([]);
  await more.click();
  await expect(more).toHaveCount(0);
  // Each of them once, with its fields or by its title.
  const ids = await page.locator('[data-set]').evaluateAll((all) => all.map((one) => (one as HTMLElement).dataset.set)); // biome-ignore format: a question
  expect([ids.length, new Set(ids).size]).toEqual([130, 130]);
  await page.getByRole('searchbox', { name: words.shared.findAField }).fill(`${mark} valley 77`);
  await further.getByRole('button', { name: words.shelf.openWithTitle(`${mark} valley 77`) }).click();
  await expect(page.getByRole('textbox', { name: words.shelf.setTitle })).toHaveValue(`${mark} valley 77`);
  await page.route('**/api/sets?*', (route) => route.abort());
  await page.getByRole('searchbox', { name: words.shared.findAField }).fill(`${mark} valley 8`);
  await expect(further.getByRole('status').last()).toHaveText(/could not be listed: no response/);
});

test('renamed in another tab, the page goes on saving its set; the old address leads to it', {
  tag: '@long',
}, async ({ page, request }) => {
  const id = await newSet(request, { fields: [pin] });
  await page.goto(`/sets/${id}/fields/pin`);
  const to = `renamed-${Date.now()}`;
  expect((await request.patch(`/api/sets/${id}`, { data: { id: to } })).status()).toBe(200);
  await hint(page).fill('after the renaming');
  await expect.poll(() => hintOf(request, to)).toBe('after the renaming');
  await page.goto(`/sets/${id}/fields/pin`);
  await expect(page).toHaveURL(new RegExp(`/sets/${to}/fields/pin$`));
  await expect(hint(page)).toHaveValue('after the renaming');
});

test('links of a page that was opened before a rename lead to its own set, not to another that took the id', {
  tag: '@long',
}, async ({ page, request }) => {
  const id = await newSet(request, { fields: [{ ...pin, hint: 'mine' }] });
  await page.goto(`/sets/${id}/fields/pin`);
  const to = `renamed-${Date.now()}`;
  await request.patch(`/api/sets/${id}`, { data: { id: to } });
  const other = await newSet(request, { fields: [pin] });
  expect((await request.patch(`/api/sets/${other}`, { data: { id } })).status()).toBe(200);
  const links = page.getByRole('link');
  await links.filter({ hasText: words.shared.trials }).click();
  await expect(page.getByRole('heading', { level: 1, name: words.shared.trials })).toBeVisible();
  await expect(page).toHaveURL(new RegExp(`/sets/${to}/trials$`));
  await page.goBack();
  await expect(hint(page)).toHaveValue('mine');
  // The link as it is copied, opened in another browser: with what stands behind it.
  const { key } = await stored(request, to);
  await page.goto(`/sets/${key}/fields/pin?today=2027-03-14#top`);
  await expect(page).toHaveURL(new RegExp(`/sets/${to}/fields/pin\\?today=2027-03-14#top$`));
  await expect(hint(page)).toHaveValue('mine');
});

test('a page that was opened before a rename acts on its own set, not on another that took the id', {
  tag: '@long',
}, async ({ page, request }) => {
  const id = await newSet(request, { fields: [pin] });
  await page.goto('/');
  const first = await stored(request, id);
  const { title } = first.document;
  const to = `renamed-${Date.now()}`;
  await request.patch(`/api/sets/${id}`, { data: { id: to } });
  const other = await newSet(request, { fields: [pin] });
  expect((await request.patch(`/api/sets/${other}`, { data: { id } })).status()).toBe(200);
  const section = page.locator(`[data-set="${id}"]`);
  await section.getByRole('button', { name: words.shared.actionsFor(title) }).click();
  await page.getByRole('menuitem', { name: words.shared.deleteSet }).click();
  await expect(page.getByText(words.shelf.wasDeleted(title))).toBeVisible();
  expect((await request.get(`/api/sets/${first.key}`)).status()).toBe(404);
  expect((await request.get(`/api/sets/${id}`)).status()).toBe(200);
  await page.getByRole('button', { name: words.shared.restore }).click();
  await expect.poll(async () => (await request.get(`/api/sets/${first.key}`)).status()).toBe(200);
});

test('a page load alone makes no revision', async ({ page, request }) => {
  const { entry: _, ...bare } = { ...pin, kind: 'text', entry: {} };
  const id = await newSet(request, { fields: [bare] });
  for (const path of ['/', `/sets/${id}/fields/pin`, `/sets/${id}/revisions`]) {
    await page.goto(path);
    const following = page.waitForRequest(/\/api\/changes/);
    await page.mouse.click(5, 5);
    await following;
  }
  expect((await stored(request, id)).revision).toBe(1);
});

for (const how of ['refuses', 'never answers'] as const)
  test(`a browser that ${how} to keep something is told of, and leaving asks`, async ({ page, request }) => {
    await page.addInitScript((what) => {
      const { open } = IDBFactory.prototype;
      IDBFactory.prototype.open = function (...rest) {
        if (what === 'refuses') throw new DOMException('full', 'QuotaExceededError');
        const opening = open.apply(this, rest);
        Object.defineProperty(opening, 'onsuccess', { set: () => undefined });
        return opening;
      };
    }, how);
    await page.route('**/api/sets/s_*', (route) =>
      route.request().method() === 'PUT' ? route.abort() : route.continue(),
    );
    const id = await newSet(request, { fields: [pin] });
    await page.goto(`/sets/${id}/fields/pin`);
    await hint(page).pressSequentially('kept nowhere');
    await expect(page.getByText(words.set.thisBrowserCannotKeep)).toBeVisible();
    const asked = page.waitForEvent('dialog').then(async (dialog) => {
      const type = dialog.type();
      await dialog.dismiss();
      return type;
    });
    await page.close({ runBeforeUnload: true });
    expect(await asked).toBe('beforeunload');
  });
