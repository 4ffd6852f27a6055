import { createServer, type Server } from 'node:http';
import { expect, test } from '@playwright/test';
import { chromium } from './browsers/chromium.ts';
import type { Driven } from './browsers/driven.ts';
import { firefox } from './browsers/firefox.ts';
import { type Point, pointerOn } from './browsers/pointer.ts';
import { screen } from './browsers/processes.ts';
import { webkit } from './browsers/webkit.ts';
import { boundPage } from './dom-page.ts';

/**
 * Text dragged by a real pointer inside a field: browsers differ in their events, and in what they have
 * selected afterwards.
 */
let server: Server;
let address = '';
test.beforeAll(async () => {
  const page = await boundPage(
    '<p style="font:20px monospace"><input name="a" style="font:20px monospace;width:300px"></p><p><input id="other" style="font:20px monospace;width:300px"></p>',
    { a: { kind: 'pattern', entry: { pattern: '<2 letter>-<1-8 alnum>' } } },
  );
  server = createServer((_, response) => {
    response.setHeader('content-type', 'text/html; charset=utf-8');
    response.end(page);
  }).listen(0, '127.0.0.1');
  await new Promise((listening) => server.once('listening', listening));
  address = `http://127.0.0.1:${(server.address() as { readonly port: number }).port}/`;
});
test.afterAll(() => server.close());

const look = (browser: Driven) =>
  browser.run(async () => {
    await new Promise((done) => setTimeout(done, 100));
    const input = document.querySelector<HTMLInputElement>('input[name=a]')!;
    const { stores } = (
      window as unknown as { arbeit: { stores: Record<string, { state(): { body: { display: string } } }> } }
    ).arbeit;
    const other = document.querySelector<HTMLInputElement>('#other')!.value;
    return [input.value, stores.a!.state().body.display, other];
  });
/** Where the character of an offset begins, in the line. */
const placeOf = (browser: Driven, offset: number, id = 'input[name=a]'): Promise<Point> =>
  browser.run(
    (offset: number, id: string) => {
      const input = document.querySelector<HTMLInputElement>(id)!;
      const style = getComputedStyle(input);
      const canvas = document.createElement('canvas').getContext('2d')!;
      canvas.font = '20px monospace';
      const box = input.getBoundingClientRect();
      const width = canvas.measureText(input.value.slice(0, offset)).width;
      return [
        box.left + Number.parseFloat(style.borderLeftWidth) + Number.parseFloat(style.paddingLeft) + width,
        box.top + box.height / 2,
      ] as const;
    },
    offset,
    id,
  );

const moved = ['ab-3412', 'ab-3412', ''];
const copied = ['ab-123412', 'ab-123412', ''];

for (const [name, launch] of Object.entries({ chromium, firefox, webkit }))
  test(`${name}: moved, copied, refused, and taken out of the field`, {
    tag: name === 'chromium' ? [] : '@long',
  }, async () => {
    const own = await screen();
    const browser = await launch({ display: own.display });
    // Whether it moves or copies, WebKit decides by how its toolkit reads the pointer: either must come out
    // whole.
    const either = (wanted: readonly string[], other: readonly string[], found: readonly string[]) =>
      name === 'webkit' && JSON.stringify(found) === JSON.stringify(other) ? other : wanted;
    try {
      await browser.goto(address);
      const pointer = await pointerOn(browser, own.display);
      /** Selects "12", and returns where it is taken. */
      const begin = async (): Promise<Point> => {
        await browser.goto(address);
        await browser.run(() => document.querySelector<HTMLInputElement>('input[name=a]')!.focus());
        await browser.keys(...'ab1234');
        expect((await look(browser))[0]).toBe('ab-1234');
        await browser.run(() =>
          document.querySelector<HTMLInputElement>('input[name=a]')!.setSelectionRange(3, 5),
        );
        const [x, y] = await placeOf(browser, 3);
        const [end] = await placeOf(browser, 5);
        return [(x + end) / 2, y];
      };
      const seen = async (): Promise<readonly string[]> => (await look(browser)) as readonly string[];
      await pointer.drag(await begin(), await placeOf(browser, 7));
      let found = await seen();
      expect(found, 'moved').toEqual(either(moved, copied, found));
      await pointer.drag(await begin(), await placeOf(browser, 7), 'ctrl');
      found = await seen();
      expect(found, 'copied').toEqual(either(copied, moved, found));
      await pointer.drag(await begin(), await placeOf(browser, 0));
      expect(await seen(), 'refused').toEqual(['ab-1234', 'ab-1234', '']);
      await pointer.drag(await begin(), await placeOf(browser, 0, '#other'));
      found = await seen();
      expect(found, 'blur').toEqual(either(['ab-34', 'ab-34', '12'], ['ab-1234', 'ab-1234', '12'], found));
    } finally {
      await browser.close();
      await own.close();
    }
  });
