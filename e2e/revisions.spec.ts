import { type APIRequestContext, expect, type Page } from '@playwright/test';
import * as words from '../apps/studio/words/index.ts';
import { test } from './alive.ts';
import { expectNoViolations } from './axe.ts';
import { save, stored } from './sets.ts';

const pin = (length: number) => ({ id: 'box', kind: 'pin', label: 'Key box', entry: { length } });
const setOf = (title: string, ...fields: readonly object[]) => ({
  arbeit: 2,
  title,
  locale: 'en-GB',
  fields,
});

/** A set at its second revision: its PIN had four digits and has five. */
async function revised(request: APIRequestContext): Promise<{ id: string; title: string }> {
  const title = `Revised ${Math.random()}`;
  const made = await request.post('/api/sets', { data: { document: setOf(title, pin(4)) } });
  const { id } = (await made.json()) as { id: string };
  const note = { id: 'note', kind: 'text', label: 'Note', entry: {} };
  const saved = await save(request, await stored(request, id), setOf(title, pin(5), note));
  expect(saved.status(), await saved.text()).toBe(200);
  return { id, title };
}
const documentOf = async (request: APIRequestContext, id: string) =>
  (await (await request.get(`/api/sets/${id}`)).json()).document;
const list = (page: Page) => page.getByRole('region', { name: words.shared.revisions, exact: true });
const compared = (page: Page) => page.getByRole('region', { name: words.revisions.compared });

test('a revision is named, looked at as it was, and brought back; undo takes that back', async ({
  page,
  request,
}) => {
  const { id } = await revised(request);
  await page.goto(`/sets/${id}/revisions`);
  await expect(list(page).getByRole('listitem')).toHaveCount(2);
  const changes = list(page).getByRole('listitem').first().locator('.revision-changes');
  await expect(changes).toHaveText(/Added “Note”\s*Changed “Key box” \(format\)/);
  // The latest change is compared without a click.
  await expect(compared(page).getByRole('status')).toHaveText(words.revisions.ofDiffer(2, 2));
  await page.getByRole('textbox', { name: words.revisions.nameOfRevision(1) }).fill('Four digits');
  await expect
    .poll(async () => (await (await request.get(`/api/sets/${id}/revisions`)).json()).at(-1).name)
    .toBe('Four digits');
  await page.reload();
  await expect(page.getByRole('textbox', { name: words.revisions.nameOfRevision(1) })).toHaveValue(
    'Four digits',
  );
  await page.getByRole('button', { name: 'Preview Four digits (1)' }).click();
  const was = page.getByRole('region', { name: words.revisions.asItWas('Four digits (1)') });
  await was.getByLabel('Key box').fill('12345');
  await expect(was.getByLabel('Key box')).toHaveValue('1234');
  await expectNoViolations(page);
  await page.getByRole('button', { name: words.revisions.restoreWithTitle('Four digits (1)') }).click();
  await expect(list(page).getByRole('status')).toContainText('Four digits (1) was restored.');
  await expect.poll(async () => (await documentOf(request, id)).fields).toEqual([pin(4)]);
  await page.getByRole('button', { name: words.set.undo, exact: true }).click();
  await expect.poll(async () => (await documentOf(request, id)).fields.length).toBe(2);
});

test('what two revisions do otherwise: values, a tape with what each shows; fields beside each other, other sets', {
  tag: '@long',
}, async ({ page, request }) => {
  const { id } = await revised(request);
  const other = `Other ${Math.random()}`;
  await request.post('/api/sets', { data: { document: setOf(other, pin(5)) } });
  await page.goto(`/sets/${id}/revisions`);
  await page.getByRole('button', { name: words.revisions.compareWithCurrentWithTitle('Revision 1') }).click();
  await expect(compared(page).getByRole('status')).toHaveText(words.revisions.ofDiffer(2, 2));
  const found = compared(page).getByRole('list', { name: words.set.whatWasFound }).getByRole('listitem');
  await expect(found.first()).toContainText('Key box behaves differently');
  await expect(found.first()).toContainText(/No longer accepted: \d{4}/);
  await expect(found.first().getByRole('row', { name: /^before / })).toBeVisible();
  await expect(found.nth(1)).toContainText('Note added');
  await expectNoViolations(page);
  // One field beside another.
  await compared(page)
    .getByLabel(words.revisions.whichSet('Before'))
    .selectOption({ label: words.revisions.currentVersion });
  await compared(page).getByLabel(words.revisions.whichField('Before')).selectOption({ label: 'Key box' });
  await compared(page).getByLabel(words.revisions.whichField('After')).selectOption({ label: 'Note' });
  await expect(compared(page).getByRole('status')).toHaveText(words.revisions.ofDiffer(1, 1));
  // And the same field of another set.
  await compared(page).getByLabel(words.revisions.whichSet('After')).selectOption({ label: other });
  await compared(page).getByLabel(words.revisions.whichField('After')).selectOption({ label: 'Key box' });
  await expect(compared(page).getByRole('status')).toHaveText(words.revisions.noDifferencesInBehaviour);
});

test('what is asked of revisions that are not there is answered so', async ({ request }) => {
  const { id } = await revised(request);
  for (const path of ['revisions/9', 'revisions/0', 'revisions/x', 'revisions/99999999999'])
    expect([path, (await request.get(`/api/sets/${id}/${path}`)).status()]).toEqual([path, 404]);
  expect((await request.get('/api/sets/nowhere/revisions')).status()).toBe(404);
  const named = (name: unknown) => request.patch(`/api/sets/${id}/revisions/1`, { data: { name } });
  expect([
    (await named('')).status(),
    (await named('x'.repeat(201))).status(),
    (await named(null)).status(),
    (await named(7)).status(),
  ]).toEqual([400, 400, 200, 400]);
});
