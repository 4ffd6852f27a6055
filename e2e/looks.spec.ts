import type { SetDocument } from '@arbeit/engine/document';
import { expect, type Page, test } from '@playwright/test';
import { type LiveUse, livePage } from '../apps/studio/screens/handoff/live.ts';
import { expectNoViolations } from './axe.ts';

/**
 * The looks a definition can ask for, in what is handed off: the elements, and the snippet for React with its
 * sheet of looks.
 */
const icon = '<svg viewBox="0 0 2 2"><circle cx="1" cy="1" r="1"/></svg>';
const huts = [
  { value: 'windgap', label: 'Windgap' },
  { value: 'tarns', label: 'Two Tarns' },
];
const guide = { pattern: '<2 latin upper>-<4 digit>', ghost: true };
const required = [{ id: 'needed', check: { type: 'required' } }];
const fields = [
  { id: 'sum', kind: 'text', label: 'Sum', hint: 'In all.', look: { before: '№', behind: 'kg', width: 8 }, entry: {} },
  { id: 'beside', kind: 'text', label: 'Beside', hint: 'A hint.', look: { label: 'beside' }, entry: {}, rules: required },
  { id: 'inside', kind: 'date', label: 'Inside', placeholder: '14/02/2027', look: { label: 'inside' }, entry: {} },
  { id: 'signs', kind: 'text', label: 'Signs before it', look: { label: 'inside', before: 'MW£', icon }, entry: {} },
  { id: 'long', kind: 'text', label: `A label ${'that goes on and on '.repeat(9)}`, look: { label: 'inside', size: 'large', before: '€' }, entry: {} },
  { id: 'lines', kind: 'text', label: 'Lines', look: { label: 'inside' }, entry: { lines: 3 } },
  { id: 'list', kind: 'choice', label: 'List', look: { label: 'inside' }, entry: { options: huts } },
  { id: 'guided', kind: 'pattern', label: 'Guided', look: { size: 'small' }, entry: guide },
  { id: 'guided-inside', kind: 'pattern', label: 'Guided inside', look: { label: 'inside' }, entry: guide },
  { id: 'segments', kind: 'choice', label: 'Segments', look: { label: 'beside' }, entry: { draw: 'segments', options: huts } },
  { id: 'buttons', kind: 'choice', label: 'Buttons', look: { label: 'inside' }, entry: { draw: 'radio', options: huts } },
  { id: 'extras', kind: 'choices', label: 'Extras', entry: { options: huts } },
  { id: 'pin', kind: 'pin', label: 'PIN', look: { label: 'inside' }, entry: { length: 4 } },
  { id: 'code', kind: 'one-time-code', label: 'Code', look: { label: 'beside' }, entry: { length: 6 } },
]; // biome-ignore format: a field a line
const set = {
  arbeit: 2,
  title: 'Looks',
  locale: 'en-GB',
  fields,
  forms: [{ id: 'all', title: 'All', fields: fields.map(({ id }) => id) }],
} as unknown as SetDocument;

async function put(page: Page, use: LiveUse): Promise<void> {
  const { markup, script, sheet } = (await livePage(set, use))!;
  const every = fields.map(({ id }) => `<arbeit-field field="${id}"></arbeit-field>`).join('');
  const whole = markup.replace(/(?:\s*<arbeit-field[^>]*><\/arbeit-field>)+\s*<!-- and so on -->/, every);
  await page.setContent(
    `<!doctype html><html lang="en"><title>Looks</title><style>${sheet}</style><style>body { font: 16px sans-serif; background: white; color: black }</style><main><h1>Looks</h1>${whole}</main></html>`,
  );
  await page.addScriptTag({ content: script });
}

/** Every piece of every field as it lies on the page: what it is, where it is, and what is in it. */
const laid = (page: Page) =>
  page.evaluate(() => {
    const names = ['label', 'frame', 'icon', 'sign', 'hint', 'message', 'box', 'ghost'];
    const roots = [...document.querySelectorAll<HTMLElement>('[data-arbeit=field], arbeit-field')];
    return roots.map((root) => {
      const inside: ParentNode = root.shadowRoot ?? root;
      const rectOf = (element: Element) => {
        const { left, top, right, bottom } = element.getBoundingClientRect();
        return { left, top, right, bottom };
      };
      const named = (name: string) =>
        [...inside.querySelectorAll(`[part~=${name}], [data-arbeit=${name}]${name === 'box' ? ', [data-box]' : ''}`)];
      const label = inside.querySelector('[part~=label], [data-arbeit=label], label')!;
      const lines = [...inside.querySelectorAll<HTMLElement>('input:not([type=radio], [type=checkbox]), textarea, select')];
      return {
        field: label.textContent!.trim().slice(0, 20),
        root: rectOf(root),
        isMoved: root.hasAttribute('data-active') || root.hasAttribute('data-filled'),
        label: rectOf(label),
        pieces: Object.fromEntries(names.map((name) => [name, named(name).map(rectOf)])),
        lines: lines.map((line) => ({ ...rectOf(line), padding: Number.parseFloat(getComputedStyle(line).paddingTop), size: Number.parseFloat(getComputedStyle(line).fontSize) })),
        picks: [...inside.querySelectorAll('input:is([type=radio], [type=checkbox])')].map((pick) => [rectOf(pick), rectOf(pick.closest('label')!)] as const),
      };
    });
  }); // biome-ignore format: a piece a line

type Rect = { left: number; top: number; right: number; bottom: number };
const isApart = (a: Rect, b: Rect): boolean =>
  a.right <= b.left + 0.5 || b.right <= a.left + 0.5 || a.bottom <= b.top + 0.5 || b.bottom <= a.top + 0.5;

for (const use of ['element', 'react'] as const)
  for (const width of [1000, 360])
    test(`${use}: a label covers nothing, nothing sticks out, nothing moves when a message comes, at ${width}`, {
      tag: use === 'react' && width === 1000 ? '@long' : [],
    }, async ({ page }) => {
      await page.setViewportSize({ width, height: 1400 });
      await put(page, use);
      await page.addStyleTag({ content: '* { transition: none !important }' });
      const check = async () => {
        const all = await laid(page);
        expect(all).toHaveLength(fields.length);
        for (const { field, root, isMoved, label, pieces, lines, picks } of all) {
          for (const name of ['icon', 'sign', 'box', 'hint', 'message'])
            for (const piece of pieces[name]!) expect([field, name, isApart(label, piece)]).toEqual([field, name, true]);
          for (const line of lines) {
            expect([field, line.left >= root.left - 0.5, line.right <= root.right + 0.5]).toEqual([field, true, true]);
            // On its line a label stands alone, or over the room where text is.
            const isClear = isApart(label, line) || label.bottom <= line.top + line.padding + 1;
            const isAlone = !isMoved && label.top >= line.top && label.bottom <= line.bottom;
            expect([field, isClear || isAlone]).toEqual([field, true]);
          }
          // A box of a code is wide enough for its character, however many there are and however narrow the
          // page.
          for (const box of picks.length ? [] : pieces.box!) expect([field, box.right - box.left >= 20]).toEqual([field, true]);
          for (const [pick, words] of picks) {
            expect([field, pick.right - pick.left < 30]).toEqual([field, true]);
            expect([field, words.right <= root.right + 0.5, words.bottom - words.top < 40]).toEqual([field, true, true]);
          }
          expect(label.right, field).toBeLessThanOrEqual(root.right + 0.5);
        }
        return all;
      }; // biome-ignore format: a claim a line
      const before = await check();
      expect(await page.evaluate(() => document.documentElement.scrollWidth <= innerWidth)).toBe(true);
      // What is typed stands where its guide text goes on.
      for (const name of ['Guided', 'Guided inside']) {
        await page.getByLabel(name, { exact: true }).click();
        await page.keyboard.type('ab1');
      }
      for (const name of ['Inside', 'Signs before it', 'Lines']) {
        await page.getByLabel(name, { exact: true }).click();
        await page.keyboard.type('12');
      }
      await page.getByLabel('List', { exact: true }).selectOption('tarns');
      await page.getByLabel('PIN', { exact: true }).click();
      await page.keyboard.type('12');
      await page.getByLabel('Beside', { exact: true }).focus();
      await page.keyboard.press('Tab');
      await expect(page.getByText('Please fill in this field.')).toBeVisible();
      const after = await check();
      const places = (all: typeof before) => all.map(({ field, root }) => [field, Math.round(root.top)]);
      expect(places(after)).toEqual(places(before));
      for (const one of after)
        if (one.pieces.ghost!.length && one.field.startsWith('Guided')) {
          const [ghost] = one.pieces.ghost!;
          const [line] = one.lines;
          expect([one.field, ghost!.left - line!.left, ghost!.top - line!.top]).toEqual([one.field, 0, 0]);
        }
      await expectNoViolations(page);
    });

for (const use of ['vue', 'svelte'] as const)
  test(`${use}: what stands around a line is in the snippet, and tied to it`, async ({ page }) => {
    const one = { ...set, fields: [{ ...fields[3], hint: 'In all.', look: { label: 'inside', icon, before: '£', behind: 'a head' } }], forms: [] }; // biome-ignore format: one set
    const { markup, script, sheet } = (await livePage(one as unknown as SetDocument, use))!;
    await page.setContent(
      `<!doctype html><html lang="en"><title>Looks</title><style>${sheet}</style><main><h1>Looks</h1>${markup}</main></html>`,
    );
    await page.addScriptTag({ content: script });
    const line = page.getByLabel('Signs before it');
    await expect(line).toHaveAccessibleDescription('In all.');
    await expect(page.locator('[data-arbeit=icon] circle')).toBeAttached();
    const [all] = await laid(page);
    for (const name of ['icon', 'sign', 'hint'])
      for (const piece of all!.pieces[name]!)
        expect([name, isApart(all!.label, piece)]).toEqual([name, true]);
    expect(all!.pieces.sign).toHaveLength(2);
    await line.fill('12');
    await expect(page.locator('[data-arbeit=field]')).toHaveAttribute('data-filled', '');
    await expectNoViolations(page);
  });
