import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { createServer } from 'node:http';
import { createRequire } from 'node:module';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { type Browser, chromium } from '@playwright/test';
import { chromiumFlags } from '../e2e/chromium.ts';

/** How long a page takes from being asked for until it answers to keys and clicks, in milliseconds. */
export interface Opened {
  readonly what: string;
  readonly milliseconds: number;
  readonly limit: number;
  /** The same of a page that holds nothing, from the same browser in the same run. */
  readonly empty: number;
}

const times = 9;
const port = 4398;

/** Median over visits with nothing in the cache, each from a browser context of its own. */
async function opened(browser: Browser, address: string): Promise<number> {
  const all: number[] = [];
  for (let i = 0; i < times + 1; i++) {
    const context = await browser.newContext();
    const page = await context.newPage();
    await page.addInitScript(() => {
      const seen = () => {
        if (document.documentElement?.dataset.alive === undefined) return;
        observer.disconnect();
        (window as unknown as { alive: number }).alive = performance.now();
      };
      const observer = new MutationObserver(seen);
      observer.observe(document, { attributes: true, childList: true, subtree: true });
    });
    await page.goto(address);
    await page.waitForFunction(() => (window as unknown as { alive?: number }).alive !== undefined);
    const alive = await page.evaluate(() => (window as unknown as { alive: number }).alive);
    // The first visit finds a server that has answered nobody yet.
    if (i > 0) all.push(alive);
    await context.close();
  }
  return all.sort((a, b) => a - b)[times >> 1] ?? 0;
}

const fields = Array.from({ length: 200 }, (_, i) => ({
  id: `pin-${i}`,
  label: `Key-box PIN of hut ${i}`,
  kind: i % 2 ? 'pattern' : 'date',
  entry: i % 2 ? { pattern: '<4 digit>' } : {},
}));

/** The studio as it is built: a shelf with a set of two hundred fields, and a desk of it. */
export async function studioOpened(root: string): Promise<Opened[]> {
  const studio = fileURLToPath(new URL('apps/studio/', root));
  const data = mkdtempSync(join(tmpdir(), 'arbeit-bench-'));
  const next = createRequire(join(studio, 'package.json')).resolve('next/dist/bin/next');
  const env = { ...process.env, ARBEIT_DATA: data, NEXT_TELEMETRY_DISABLED: '1' };
  const server = spawn(process.execPath, [next, 'start', '-p', String(port), '-H', '127.0.0.1'], {
    cwd: studio,
    env,
    stdio: 'ignore',
  });
  const nothing = createServer((_, response) => {
    response.setHeader('content-type', 'text/html');
    response.end('<!doctype html><script>document.documentElement.dataset.alive = ""</script>');
  });
  await new Promise<void>((ready) => nothing.listen(0, '127.0.0.1', ready));
  const browser = await chromium.launch({
    executablePath: process.env.ARBEIT_CHROMIUM ?? '/usr/bin/chromium',
    args: [...chromiumFlags],
  });
  try {
    const address = `http://localhost:${port}`;
    for (let i = 0; i < 120; i++) {
      const isUp = await fetch(address).then(
        (answer) => answer.ok,
        () => false,
      );
      if (isUp) break;
      await new Promise((later) => setTimeout(later, 250));
    }
    const made = await fetch(`${address}/api/sets`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ document: { arbeit: 2, title: 'Two hundred', locale: 'en-GB', fields } }),
    });
    const { id } = (await made.json()) as { id: string };
    const { port: bare } = nothing.address() as { port: number };
    const empty = await opened(browser, `http://127.0.0.1:${bare}/`);
    const rows: Opened[] = [];
    for (const [what, path, limit] of [
      ['a shelf of 200 fields', '/', 1000],
      ['a desk of them', `/sets/${id}/fields/pin-101`, 700],
    ] as const)
      rows.push({ what, limit, empty, milliseconds: await opened(browser, address + path) });
    return rows;
  } finally {
    await browser.close();
    nothing.close();
    server.kill('SIGTERM');
    rmSync(data, { recursive: true, force: true });
  }
}
