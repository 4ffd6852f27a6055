import { execFileSync } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { extname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { expect, type Locator, type Page } from '@playwright/test';
import * as words from '../apps/studio/words/index.ts';
import { test } from './alive.ts';

// The tutorials, done as they are written.

const root = fileURLToPath(new URL('..', import.meta.url));
const read = (name: string): string => readFileSync(join(root, 'docs', name), 'utf8');

/** What a step asks for, in its order: to click, to type, to press a key, or to see a text. */
const asked = /Click \*\*(?<click>.+?)\*\*|Type `(?<text>.+?)` into \*\*(?<into>.+?)\*\*|Press `(?<key>.+?)` in \*\*(?<at>.+?)\*\*|(?:You see|verdict) `(?<see>.+?)`/g; // biome-ignore format: one expression

/** The set that a step has just named: other tests have sets on the same shelf. */
const own = (page: Page, title: string): Locator =>
  page.locator('[data-set]').filter({
    has: page.getByRole('link', { name: title }).or(page.locator(`.set-title[value="${title}"]`)),
  });

async function click(page: Page, name: string, title: string): Promise<void> {
  if (name === words.shared.newField)
    return own(page, title).getByRole('button', { name, exact: true }).click();
  const by = (role: 'menuitem' | 'button' | 'link'): Locator =>
    page.getByRole(role, { name, exact: true }).locator('visible=true');
  const found = by('menuitem').or(by('button')).or(by('link')).first();
  if (name !== words.later.downloadZip) return found.click();
  const download = page.waitForEvent('download');
  await found.click();
  expect((await download).suggestedFilename()).toMatch(/\.zip$/);
}

/** The input with a label: the title of a new set, which has the focus, the live field, or any other. */
async function lineOf(page: Page, label: string): Promise<Locator> {
  if (label === words.shelf.setTitle) {
    const focused = page.locator('.set-title:focus');
    await expect(focused).toHaveAccessibleName(label);
    return focused;
  }
  const live = page.getByRole('region', { name: words.desk.liveField }).locator('input:not([type=radio])');
  const own = live.and(page.getByLabel(label, { exact: true }));
  return (await own.count()) > 0 ? own.first() : page.getByRole('textbox', { name: label, exact: true });
}

/** Focuses a line, after menus and panels that move the focus when they open or close. */
const settled = (line: Locator): Promise<void> =>
  expect(async () => {
    await line.focus();
    await line
      .page()
      .evaluate(() => new Promise((drawn) => requestAnimationFrame(() => setTimeout(drawn, 50))));
    expect(await line.evaluate((input) => input === document.activeElement)).toBe(true);
  }).toPass();

test('the tutorial of the studio', async ({ page }) => {
  await page.goto('/');
  const steps = [...read('tutorial.md').matchAll(/^\d+\. (.+)$/gm)].map(([, step]) => step!);
  expect(steps.length).toBeGreaterThan(10);
  let count = 0;
  let title = '';
  for (const step of steps)
    for (const { groups = {} } of step.matchAll(asked)) {
      count++;
      const { click: name, text, into, key, at, see } = groups as Record<string, string | undefined>;
      if (name) await click(page, name, title);
      else if (text && into) {
        const line = await lineOf(page, into);
        await settled(line);
        await page.keyboard.press(into === words.shelf.setTitle ? 'Control+a' : 'End');
        await page.keyboard.type(text);
        if (into === words.shelf.setTitle) {
          await page.keyboard.press('Enter');
          title = text;
          await expect(own(page, title)).toBeVisible();
        }
      } else if (key && at) {
        await settled(await lineOf(page, at));
        await page.keyboard.press(key);
      } else if (see)
        await expect
          .poll(
            () =>
              page.evaluate(
                (wanted) =>
                  [...document.querySelectorAll('input')].some(({ value }) => value.includes(wanted)) ||
                  document.body.innerText.includes(wanted),
                see,
              ),
            `${see}, in: ${step}`,
          )
          .toBe(true);
    }
  expect(count).toBeGreaterThan(20);
});

test('the tutorial of the command line', async ({ page }) => {
  const folder = mkdtempSync(join(tmpdir(), 'arbeit-tutorial-'));
  const blocks = [...read('tutorial-command-line.md').matchAll(/^```(\w+)(?: (\S+))?\n([\s\S]*?)^```$/gm)];
  let out = '';
  for (const [, language, name, body = ''] of blocks)
    if (name) writeFileSync(join(folder, name), body);
    else if (language === 'sh') {
      const [node, bin = '', ...rest] = body.trim().split(' ');
      expect(node).toBe('node');
      out = execFileSync(process.execPath, [join(root, bin), ...rest], { cwd: folder, encoding: 'utf8' });
    } else expect(out).toContain(body.trim());
  const types: Readonly<Record<string, string>> = { '.html': 'text/html', '.js': 'text/javascript' };
  const server = createServer(({ url = '/' }, response) => {
    const path = join(folder, new URL(url, 'http://x').pathname.replace(/\/$/, '/index.html'));
    response.setHeader('content-type', types[extname(path)] ?? 'text/plain');
    // A browser asks for more than the folder has, such as an icon.
    if (!existsSync(path)) response.statusCode = 404;
    response.end(existsSync(path) ? readFileSync(path) : '');
  });
  await new Promise<void>((listening) => server.listen(0, '127.0.0.1', listening));
  await page.goto(`http://127.0.0.1:${(server.address() as AddressInfo).port}/`, { waitUntil: 'commit' });
  const input = page.getByLabel('Hut pass');
  await input.pressSequentially('1234');
  await expect(input).toHaveValue('RH-1234');
  await page.getByRole('button', { name: 'Send' }).click();
  await expect(page).toHaveURL(/\?pass=1234$/);
  server.close();
});
