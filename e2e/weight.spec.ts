import { expect } from '@playwright/test';
import { test } from './alive.ts';

/** What a first visit may weigh on the wire, scripts and fonts and all, in bytes. */
const most = 300_000;

const field = (i: number) => ({
  id: `pin-${i}`,
  label: `Key-box PIN of hut ${i}`,
  kind: 'pattern',
  entry: { pattern: '<4 digit>' },
  hint: 'Four digits, as the warden wrote them on the card.',
});

test('a first visit to a shelf and a desk of 1,000 fields stays light', async ({ browser, request }) => {
  const made = await request.post('/api/sets', {
    data: {
      document: {
        arbeit: 2,
        title: 'A thousand huts',
        locale: 'en-GB',
        fields: Array.from({ length: 1000 }, (_, i) => field(i)),
      },
    },
  });
  expect(made.status(), await made.text()).toBe(201);
  const { id } = (await made.json()) as { id: string };
  const weights: Record<string, number> = {};
  // With many other sets the shelf weighs what it does with some.
  for (let i = 0; i < 80; i++)
    await request.post('/api/sets', {
      data: { document: { arbeit: 2, title: `Huts of valley ${i}`, locale: 'en-GB', fields: [] } },
    });
  const touch = await request.get(`/api/sets/${id}`);
  const { generation } = (await touch.json()) as { generation: string };
  const operations = [{ do: 'set', at: ['title'], value: 'A thousand huts and more' }];
  const save = { generation, page: 'weight', counter: 1, base: 1, operations };
  expect((await request.put(`/api/sets/${id}`, { data: save })).status()).toBe(200);
  for (const path of ['/', `/sets/${id}/fields/pin-500`]) {
    const context = await browser.newContext();
    const page = await context.newPage();
    const wire = await context.newCDPSession(page);
    await wire.send('Network.enable');
    let bytes = 0;
    wire.on('Network.loadingFinished', (event) => {
      bytes += event.encodedDataLength;
    });
    await page.goto(path);
    await page.waitForLoadState('networkidle');
    weights[path] = bytes;
    await context.close();
  }
  for (const [path, bytes] of Object.entries(weights)) expect(bytes, path).toBeLessThan(most);
});
