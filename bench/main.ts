import { fileURLToPath } from 'node:url';
import { gzipSync } from 'node:zlib';
import { build } from 'esbuild';
import { minify } from 'terser';
import { inBrowser } from './browser.ts';
import { keystrokes } from './keystroke.ts';

// Everything in one run, so that each ratio has both its sides from the same machine at the same time.
const root = process.env.ARBEIT_ROOT!;

interface Line {
  readonly what: string;
  readonly found: string;
  readonly limit: string;
  readonly good: boolean | null;
}

async function size(): Promise<Line> {
  const { outputFiles } = await build({
    entryPoints: [fileURLToPath(new URL('bench/shipped.ts', root))],
    bundle: true,
    minify: true,
    write: false,
    format: 'esm',
    target: 'es2022',
  });
  const { code } = await minify(outputFiles[0]!.text, {
    module: true,
    compress: { passes: 3, unsafe_arrows: true, pure_getters: true },
  });
  const bytes = gzipSync(code!, { level: 9 }).length;
  return {
    what: 'engine/run, pattern kind, and dom: minified, gzipped',
    found: `${bytes} bytes`,
    limit: '8192',
    good: bytes <= 8192,
  };
}

const lines: Line[] = [];
for (const { what, ratio, limit } of keystrokes())
  lines.push({
    what: `${what}, against by hand`,
    found: `× ${ratio.toFixed(2)}`,
    limit: limit === null ? '' : `× ${limit}`,
    good: limit === null ? null : ratio <= limit,
  });
for (const { what, plain, bound, limit } of await inBrowser(root))
  lines.push({
    what: `${what}, in Chromium, added to a plain input’s ${plain.toFixed(3)} ms`,
    found: `${(bound - plain).toFixed(3)} ms`,
    limit: `${limit} ms`,
    good: bound - plain <= limit,
  });
lines.push(await size());

const width = Math.max(...lines.map((line) => line.what.length));
process.stdout.write(`\n${'measured'.padEnd(width)}  ${'found'.padStart(12)}  ${'at most'.padStart(8)}\n`);
for (const { what, found, limit, good } of lines)
  process.stdout.write(
    `${what.padEnd(width)}  ${found.padStart(12)}  ${limit.padStart(8)}${good === false ? '  OVER' : ''}\n`,
  );
process.exitCode = lines.some((line) => line.good === false) ? 1 : 0;
