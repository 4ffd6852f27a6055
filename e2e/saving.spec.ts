import AxeBuilder from '@axe-core/playwright';
import { type APIRequestContext, expect, type Page } from '@playwright/test';
import { patient, test } from './alive.ts';
import { newSet } from './sets.ts';

const pin = { id: 'pin', kind: 'pattern', label: 'Key-box PIN', entry: { pattern: '<4 digit>' } };
/** Fields of a set that is larger than a page may send while it goes away. */
const large = () =>
  Array.from({ length: 700 }, (_, i) => ({
    ...pin,
    id: `pin-${i}`,
    hint: i ? `${'y'.repeat(60)} ${i}` : '',
  }));
const stored = async (request: APIRequestContext, id: string) =>
  (await (await request.get(`/api/sets/${id}`)).json()) as {
    revision: number;
    document: { fields: { hint?: string }[] };
  };
const hintOf = async (request: APIRequestContext, id: string) =>
  (await stored(request, id)).document.fields[0]!.hint;
const hint = (page: Page) => page.getByLabel('Hint', { exact: true });

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
  await expect(page.getByText(/kept in this browser and sent again/)).toBeVisible();
  await hint(page).fill('made without a server, twice');
  await page.goto('about:blank', { waitUntil: 'commit' });
  expect(await hintOf(request, id)).toBe('');
  await page.goto(`/sets/${id}/fields/pin-0`);
  await expect(hint(page)).toHaveValue('made without a server, twice');
  await expect(page.getByText(/were put back/)).toBeVisible();
  expect(await hintOf(request, id)).toBe('');
  await page.evaluate(() => localStorage.removeItem('away'));
  await expect.poll(() => hintOf(request, id)).toBe('made without a server, twice');
  await expect(page.getByText('Saved', { exact: true }).first()).toBeVisible();
});

test('a set larger than a page may send while it goes away', async ({ page, request }) => {
  const id = await newSet(request, { fields: large() });
  await page.goto(`/sets/${id}/fields/pin-0`);
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
  const line = page.getByRole('region', { name: 'Pattern' }).getByLabel('Pattern', { exact: true });
  await line.fill('<4 digit>-<2 lett');
  await page.reload();
  await expect(line).toHaveValue('<4 digit>-<2 lett');
  await line.fill('<4 digit>-<2 letter>');
  await page.reload();
  await expect(line).toHaveValue('<4 digit>-<2 letter>');
});

test('refused versions are found again, compared and taken back', async ({ page, request }) => {
  const id = await newSet(request, { fields: [pin] });
  const save = (base: number, hint: string) => {
    const document = { arbeit: 1, title: 'Huts', locale: 'en-GB', fields: [{ ...pin, hint }] };
    return request.put(`/api/sets/${id}`, { data: { base, document } });
  };
  expect((await save(1, 'theirs')).status()).toBe(200);
  expect((await save(1, 'mine')).status()).toBe(409);
  expect((await save(1, 'mine, older')).status()).toBe(409);
  await page.goto('/');
  await page.locator(`[data-set="${id}"]`).getByRole('button', { name: 'Menu of the set Huts' }).click();
  await page.getByRole('menuitem', { name: 'Refused versions' }).click();
  await expect(page.getByText('Of “Key-box PIN”: the hint.')).toHaveCount(2);
  expect((await new AxeBuilder({ page }).analyze()).violations).toEqual([]);
  await page.getByRole('button', { name: 'Throw it away' }).first().click();
  await expect(page.getByText('Thrown away.')).toBeVisible();
  await expect(page.getByText('Of “Key-box PIN”: the hint.')).toHaveCount(1);
  await page.getByRole('button', { name: 'Take it back' }).click();
  await expect(page.getByText(/Taken back/)).toBeVisible();
  await expect(page.getByText(/None\./)).toBeVisible();
  expect(await stored(request, id)).toMatchObject({ revision: 3, document: { fields: [{ hint: 'mine' }] } });
});
