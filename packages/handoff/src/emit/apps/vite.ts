import { inAttribute } from '../../escape.ts';
import type { AppFacts, Application, AppName } from './application.ts';
import {
  appSheet,
  checkFunction,
  fieldsScript,
  indented,
  json,
  lines,
  packageFile,
  serverConstants,
  textFunction,
  withoutScripts,
} from './shared.ts';
import type { Package } from './versions.ts';

const receiving: readonly string[] = [
  "  if (request.method !== 'POST' || path !== '/records') return next();",
  '  try {',
  '    const text = await textOf(request);',
  '    // The page sends JSON; without JavaScript the browser sends the form itself.',
  "    const isJson = request.headers['content-type']?.includes('json');",
  '    const { status, body } = await checked(isJson ? JSON.parse(text) : new URLSearchParams(text));',
  '    answer(response, status, body);',
  '  } catch (error) {',
  '    answer(response, 400, { error: String(error) });',
  '  }',
];

/**
 * `records.ts`: what the development server of Vite returns to the page. A real server does the same.
 * `undefined` if there is nothing to return.
 */
export function recordsFile(facts: AppFacts): string | undefined {
  const { form, asks } = facts;
  const isAsking = asks.length > 0;
  if (!form && !isAsking) return undefined;
  return lines(
    '// What your server does, for `npm run dev` and `npm run preview`.',
    "import type { IncomingMessage, ServerResponse } from 'node:http';",
    "import type { Plugin } from 'vite';",
    form ? `import { check${form.stem} } from './src/fields/server.js';` : false,
    '',
    serverConstants(facts),
    checkFunction(facts, true),
    form ? textFunction(true) : false,
    'function answer(response: ServerResponse, status: number, body: object): void {',
    "  response.writeHead(status, { 'Content-Type': 'application/json; charset=utf-8' });",
    '  response.end(JSON.stringify(body));',
    '}',
    '',
    'async function handle(request: IncomingMessage, response: ServerResponse, next: () => void) {',
    "  const path = new URL(request.url ?? '/', 'http://localhost').pathname;",
    isAsking &&
      "  if (request.method === 'POST' && asked.includes(path)) return answer(response, 200, { verdict: 'pass' });",
    form ? receiving : '  next();',
    '}',
    '',
    'export const records: Plugin = {',
    "  name: 'records',",
    '  configureServer: ({ middlewares }) => void middlewares.use(handle),',
    '  configurePreviewServer: ({ middlewares }) => void middlewares.use(handle),',
    '};',
  );
}

/** `index.html`: the page that starts `src/main`, and the form for browsers without JavaScript. */
export const indexFile = (facts: AppFacts, main: string): string =>
  lines(
    '<!doctype html>',
    `<html lang="${inAttribute(facts.language)}"${facts.isRightToLeft ? ' dir="rtl"' : ''}>`,
    '  <head>',
    '    <meta charset="utf-8">',
    '    <meta name="viewport" content="width=device-width, initial-scale=1">',
    `    <title>${inAttribute(facts.form?.title ?? facts.title)}</title>`,
    '  </head>',
    '  <body>',
    '    <main id="app"></main>',
    '    <noscript>',
    indented(withoutScripts(facts), 6),
    '    </noscript>',
    `    <script type="module" src="/src/${main}"></script>`,
    '  </body>',
    '</html>',
  );

/** `tsconfig.json` for Vite: strict, and the declarations of the fields are checked too. */
const tsconfig = (options: object = {}): string =>
  json({
    compilerOptions: {
      target: 'ES2022',
      lib: ['ES2023', 'DOM', 'DOM.Iterable'],
      module: 'ESNext',
      moduleResolution: 'bundler',
      types: ['vite/client', 'node'],
      allowImportingTsExtensions: true,
      verbatimModuleSyntax: true,
      strict: true,
      noEmit: true,
      ...options,
    },
    include: ['src', 'records.ts'],
    // Of the hand-off, what is imported is checked; other frameworks are not installed here.
    exclude: ['src/fields', 'node_modules'],
  });

/** What an application for Vite has of its own. */
export interface ViteParts {
  readonly name: Extract<AppName, 'react' | 'vue' | 'svelte'>;
  readonly title: string;
  /** The files that a developer writes, by path, most important first. */
  readonly own: readonly string[];
  /** Its plugin: the line that imports it, and the call. */
  readonly plugin: readonly [imported: string, call: string];
  /** The command that checks types. */
  readonly check: string;
  readonly packages: { readonly used: readonly Package[]; readonly built: readonly Package[] };
  /** Options of the compiler beside the usual ones. */
  readonly options: object;
  /** Name of the module in `src` that starts it. */
  readonly main: string;
  /** Its files in `src`, by name. */
  readonly files: Readonly<Record<string, string>>;
}

/** An application for Vite and TypeScript. */
export function viteApp(facts: AppFacts, parts: ViteParts): Application {
  const { name, title, own, plugin, check, packages, options, main, files } = parts;
  const records = recordsFile(facts);
  const scripts = { dev: 'vite', build: `${check} && vite build`, preview: 'vite preview' };
  const built = [...packages.built, '@types/node', 'typescript', 'vite'] as const;
  const [imported, call] = plugin;
  return {
    name,
    use: name,
    title,
    own: [...own, ...(records ? ['records.ts'] : [])],
    files: new Map([
      ['.gitignore', 'dist\nnode_modules\n'],
      ['fields.mjs', fieldsScript('src/fields')],
      ['index.html', indexFile(facts, main)],
      ['package.json', packageFile(facts, name, scripts, packages.used, built)],
      ...(records ? [['records.ts', records] as const] : []),
      ...Object.entries({ ...files, 'app.css': appSheet }).map(
        ([path, text]) => [`src/${path}`, text] as const,
      ),
      ['tsconfig.json', tsconfig(options)],
      [
        'vite.config.ts',
        lines(
          imported,
          "import { defineConfig } from 'vite';",
          records ? "import { records } from './records.ts';" : false,
          '',
          `export default defineConfig({ plugins: [${call}${records ? ', records' : ''}] });`,
        ),
      ],
    ]),
  };
}
