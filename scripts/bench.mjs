import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { chromium } from './chromium.mjs';
import { install } from './install.mjs';
import { root } from './packages.mjs';
import { buildStudio } from './studio.mjs';

install();
if (!buildStudio()) process.exit(1);
const ARBEIT_CHROMIUM = chromium();
const { build } = await import('esbuild');
const outfile = join(root, 'bench', 'dist', 'main.mjs');
await build({
  entryPoints: [join(root, 'bench', 'main.ts')],
  outfile,
  bundle: true,
  platform: 'node',
  format: 'esm',
  // As a page carries it: what is known beforehand is put in its place.
  minifySyntax: true,
  tsconfig: join(root, 'tsconfig.json'),
  packages: 'external',
  logLevel: 'error',
});
const env = { ...process.env, ARBEIT_CHROMIUM, ARBEIT_ROOT: pathToFileURL(root).href };
process.exit(spawnSync(process.execPath, [outfile], { stdio: 'inherit', env }).status ?? 1);
