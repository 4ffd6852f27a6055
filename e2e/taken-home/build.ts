import { cpSync, mkdirSync, mkdtempSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, extname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import type { SetDocument } from '@arbeit/engine/document';
import { handOff, sourcesFrom } from '@arbeit/handoff/emit';
import type { Page } from '@playwright/test';
import { compile } from 'svelte/compiler';
import { build, type Plugin } from 'vite';

const root = fileURLToPath(new URL('../..', import.meta.url));

/** Applications that use what was handed off, each with what it needs beside it. */
const apps = {
  element: { files: ['element.js'], packages: [] },
  react: { files: ['react.jsx'], packages: ['react', 'react-dom', 'scheduler'] },
  vue: { files: ['vue.js'], packages: ['vue', '@vue'] },
  svelte: {
    files: ['svelte.js', 'Whole.svelte', 'Alone.svelte', 'One.svelte'],
    packages: ['svelte', 'esm-env', 'clsx', 'devalue'],
  },
} as const;
export type App = keyof typeof apps;

/** Where the applications of a run are served; nothing listens there, their files are handed to the page. */
const origin = 'http://localhost:4319';

/**
 * An application made outside the repository of nothing but handed-off files, its own few lines and its
 * framework.
 */
export interface Built {
  readonly folder: string;
  /** Opens it for a field or a form; requests of its own are answered by the test. */
  open(page: Page, search: Readonly<Record<string, string>>): Promise<void>;
  remove(): void;
}

/** Writes the hand-off of a set into a folder. */
async function writeHandOff(folder: string, set: SetDocument): Promise<void> {
  for (const [path, text] of await handOff({ set, sources: sourcesFrom(root) })) {
    mkdirSync(dirname(join(folder, path)), { recursive: true });
    writeFileSync(join(folder, path), text);
  }
}

/** Svelte's own compiler, as a bundler asks it. */
const svelte: Plugin = {
  name: 'svelte',
  transform(code, id) {
    return id.endsWith('.svelte') ? compile(code, { filename: id, generate: 'client' }).js.code : undefined;
  },
};

export async function builtApp(app: App, set: SetDocument): Promise<Built> {
  const { files, packages } = apps[app];
  const folder = mkdtempSync(join(tmpdir(), `arbeit-${app}-`));
  await writeHandOff(join(folder, 'taken'), set);
  for (const file of [...files, 'seen.js']) cpSync(join(root, 'e2e/taken-home', file), join(folder, file));
  for (const name of packages) {
    const place = join(folder, 'node_modules', name);
    mkdirSync(dirname(place), { recursive: true });
    symlinkSync(join(root, 'node_modules', name), place);
  }
  writeFileSync(
    join(folder, 'package.json'),
    JSON.stringify({ name: 'huts', private: true, type: 'module' }),
  );
  writeFileSync(
    join(folder, 'index.html'),
    `<!doctype html><html lang="en"><meta charset="utf-8"><title>Huts</title><body><script type="module" src="/${files[0]}"></script></body></html>`,
  );
  await build({
    root: folder,
    configFile: false,
    logLevel: 'error',
    plugins: [svelte],
    base: '/taken-home/',
    build: { outDir: 'dist', minify: true },
    resolve: { preserveSymlinks: true },
  });
  return {
    folder,
    async open(page, search) {
      await page.route(`${origin}/taken-home/**`, (route) => {
        const path = new URL(route.request().url()).pathname.replace('/taken-home', '');
        const file = join(folder, 'dist', path === '/' ? 'index.html' : path);
        const type = { '.js': 'text/javascript', '.html': 'text/html' }[extname(file)] ?? 'text/plain';
        return route.fulfill({ body: readFileSync(file), contentType: type });
      });
      await page.goto(`${origin}/taken-home/?${new URLSearchParams(search)}`);
      await page.waitForFunction(() => 'seen' in window && document.querySelector('[data-field]'));
    },
    remove: () => rmSync(folder, { recursive: true, force: true }),
  };
}
