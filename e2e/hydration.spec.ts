import { expect, type Page } from '@playwright/test';
import { test } from './alive.ts';
import { newSet } from './sets.ts';

/**
 * Pages are taken over as they were drawn: in another language than the set, with own code, on dark paper,
 * from right to left.
 */
const check = 'export default ({ value }) => (value === "13" ? { code: "unlucky" } : undefined);';
const shape = "export function shape(content) { return content.replace(/(..)(?=.)/g, '$1-'); }";
const required = { id: 'needed', check: { type: 'required' } };
const fields = [
  { id: 'german', kind: 'currency', label: 'Anzahlung', locale: 'de-DE', entry: { currency: 'EUR' }, rules: [required] },
  { id: 'japanese', kind: 'text', label: 'Name', locale: 'ja-JP', entry: {}, rules: [required] },
  { id: 'arabic', kind: 'number', label: 'Number', locale: 'ar-EG', entry: {}, initial: '12' },
  { id: 'checked', kind: 'number', label: 'Checked', entry: {}, initial: '13', rules: [{ id: 'own', check: { type: 'custom', code: check }, show: 'at-once' }] },
  { id: 'shaped', kind: 'custom', label: 'Shaped', entry: { code: shape }, initial: '1234' },
  { id: 'asked', kind: 'text', label: 'Asked', entry: {}, initial: 'x', rules: [{ id: 'known', check: { type: 'remote', ask: '/api/services/passes' } }] },
  { id: 'pin', kind: 'pin', label: 'PIN', entry: { length: 4 }, initial: '1357' },
]; // biome-ignore format: a field a line

/** What goes wrong on a page from now on. */
function wrongOn(page: Page): readonly string[] {
  const wrong: string[] = [];
  page.on('pageerror', (error) => wrong.push(error.message));
  page.on('console', (message) => {
    if (message.type() === 'error') wrong.push(`${message.text()} ${message.location().url}`);
  });
  return wrong;
}

for (const [locale, colorScheme] of [
  ['en-GB', 'dark'],
  ['de-DE', 'dark'],
  ['ar-EG', 'light'],
] as const)
  test.describe(`a set in ${locale}, on ${colorScheme} paper`, {
    tag: locale === 'ar-EG' ? [] : '@long',
  }, () => {
    test('every page is taken over without a word, and keeps its paper', async ({ page, request }) => {
      await page.emulateMedia({ colorScheme });
      const id = await newSet(request, {
        locale,
        fields,
        forms: [{ id: 'all', title: 'All', fields: fields.map((field) => field.id) }],
      });
      const pages = [
        '/',
        ...fields.flatMap((field) => [
          `/sets/${id}/fields/${field.id}`,
          `/sets/${id}/fields/${field.id}/alone`,
        ]),
        `/sets/${id}/forms/all`,
        `/sets/${id}/forms/all/alone`,
        `/sets/${id}/texts`,
        `/sets/${id}/trials`,
        `/sets/${id}/revisions`,
      ];
      const wrong = wrongOn(page);
      for (const path of pages) {
        await page.goto(path);
        // Hydration errors are reported before the page is idle.
        await page.evaluate(() => new Promise((done) => requestIdleCallback(done)));
        expect(wrong, path).toEqual([]);
        expect(await page.evaluate(() => document.documentElement.dataset.sheet), path).toBe(colorScheme);
      }
    });
  });
