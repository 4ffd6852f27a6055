import { createServer } from 'node:http';
import { fileURLToPath } from 'node:url';
import { chromium } from '@playwright/test';
import { build } from 'esbuild';
import { chromiumFlags } from '../e2e/chromium.ts';

export interface Added {
  readonly what: string;
  /** Milliseconds, medians over all keys of the run. */
  readonly plain: number;
  readonly bound: number;
  readonly limit: number;
}

const median = (values: readonly number[]): number => [...values].sort((a, b) => a - b)[values.length >> 1]!;

/**
 * Types real keys into a plain and a bound input by turns, in Chromium, and compares how long each key took.
 */
export async function inBrowser(root: string): Promise<Added[]> {
  const { port, close } = await serve(root, 'bench/page.ts');
  const browser = await chromium.launch({
    executablePath: process.env.ARBEIT_CHROMIUM ?? '/usr/bin/chromium',
    args: [...chromiumFlags],
  });
  const rows: Added[] = [];
  for (const others of [0, 1000]) {
    const page = await browser.newPage();
    await page.goto(`http://127.0.0.1:${port}/?others=${others}`);
    for (let round = 0; round < 20; round++)
      for (const id of round % 2 ? ['plain', 'bound'] : ['bound', 'plain']) {
        await page.focus(`#${id}`);
        await page.keyboard.press('Control+A');
        await page.keyboard.press('Delete');
        await page.keyboard.type('5550123456');
      }
    const times = await page.evaluate(() => (window as unknown as { times: Record<string, number[]> }).times);
    const what = others ? `a key with ${others} other fields on the page` : 'a key';
    rows.push({ what, plain: median(times.plain!), bound: median(times.bound!), limit: 1 });
    await page.close();
  }
  await browser.close();
  close();
  return rows;
}

/** A page of one script, on a port of its own. */
async function serve(root: string, entry: string): Promise<{ readonly port: number; close(): void }> {
  const { outputFiles } = await build({
    entryPoints: [fileURLToPath(new URL(entry, root))],
    bundle: true,
    minify: true,
    write: false,
    format: 'esm',
    jsx: 'automatic',
    define: { 'process.env.NODE_ENV': '"production"' },
    tsconfig: fileURLToPath(new URL('tsconfig.json', root)),
  });
  // Isolated, the page gets the fine clock.
  const headers = {
    'cross-origin-opener-policy': 'same-origin',
    'cross-origin-embedder-policy': 'require-corp',
  };
  const server = createServer((request, response) => {
    const isScript = request.url?.startsWith('/page.js');
    response.writeHead(200, { ...headers, 'content-type': isScript ? 'text/javascript' : 'text/html' });
    response.end(
      isScript
        ? outputFiles[0]!.contents
        : '<!doctype html><body><script type="module" src="/page.js"></script>',
    );
  });
  await new Promise<void>((ready) => server.listen(0, '127.0.0.1', ready));
  const { port } = server.address() as { port: number };
  return { port, close: () => void server.close() };
}

/** How many of a thousand fields React draws anew at a key into one of them, at most. */
export async function drawnAtKey(root: string): Promise<{ readonly drawn: number; readonly limit: number }> {
  const { port, close } = await serve(root, 'bench/form-page.tsx');
  const browser = await chromium.launch({
    executablePath: process.env.ARBEIT_CHROMIUM ?? '/usr/bin/chromium',
    args: [...chromiumFlags],
  });
  const page = await browser.newPage();
  await page.goto(`http://127.0.0.1:${port}/`);
  await page.locator('[name="f4"]').focus();
  const count = () => page.evaluate(() => (window as unknown as { drawn(): number }).drawn());
  let most = 0;
  for (const key of '12345678') {
    const before = await count();
    await page.keyboard.press(key);
    most = Math.max(most, (await count()) - before);
  }
  await browser.close();
  close();
  // The field itself, and the one whose rule reads it.
  return { drawn: most, limit: 2 };
}
