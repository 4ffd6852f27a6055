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

/** Types real keys into a plain and a bound input by turns, in Chromium, and compares how long each key took. */
export async function inBrowser(root: string): Promise<Added[]> {
  const { outputFiles } = await build({
    entryPoints: [fileURLToPath(new URL('bench/page.ts', root))],
    bundle: true,
    minify: true,
    write: false,
    format: 'esm',
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
  server.close();
  return rows;
}
