import { inAttribute, inScript } from '../../escape.ts';
import { listed } from '../../imports.ts';
import { nativeRows, sectionRows } from '../html-page.ts';
import type { AppFacts } from './application.ts';
import { type Package, pinned } from './versions.ts';

/** A line, several, or none. */
export type Lines = string | false | readonly Lines[];

/** Lines as the text of a file; `false` is left out. */
export const lines = (...all: readonly Lines[]): string => `${flat(all).join('\n').trimEnd()}\n`;

const flat = (all: Lines): readonly string[] =>
  all === false ? [] : typeof all === 'string' ? [all] : all.flatMap(flat);

/** An import, on several lines if it is long. Types come after values. */
export function imported(names: readonly string[], place: string): string {
  const sorted = [...names].sort((a, b) => bare(a).localeCompare(bare(b), 'en'));
  const one = listed('import', sorted, place);
  if (one.length <= 100) return one;
  return ['import {', ...sorted.map((name) => `  ${name},`), `} from '${place}';`].join('\n');
}
const bare = (name: string): string => name.replace(/^type /, '');

/** An object as a JSON file. */
export const json = (value: unknown): string => `${JSON.stringify(value, null, 2)}\n`;

/** Lines moved to the right; empty ones stay empty. */
export const indented = (all: readonly string[], by: number): readonly string[] =>
  all.map((line) => (line ? ' '.repeat(by) + line : line));

/** The `package.json` of an application. `scripts` are its commands; each copies the fields first. */
export const packageFile = (
  { title, slug }: AppFacts,
  name: string,
  scripts: Readonly<Record<string, string>>,
  dependencies: readonly Package[],
  devDependencies: readonly Package[],
): string =>
  json({
    name: `${slug}-${name}`,
    private: true,
    description: `An application with the fields of “${title}”.`,
    type: 'module',
    scripts: Object.fromEntries(
      Object.entries(scripts).flatMap(([script, command]) => [
        ...(script === 'dev' || script === 'build' ? [[`pre${script}`, 'node fields.mjs']] : []),
        [script, command],
      ]),
    ),
    dependencies: pinned(...dependencies),
    devDependencies: pinned(...devDependencies),
  });

/** `fields.mjs`: copies the fields into an application. `to` is their folder in it. */
export const fieldsScript = (
  to: string,
): string => `// Copies the fields of the hand-off around this folder to ${to}. npm runs it before "dev" and "build".
// To move the application elsewhere, copy its folder with ${to}; fields.mjs then does nothing.
import { cpSync, existsSync, mkdirSync, readdirSync, rmSync } from 'node:fs';
import { fileURLToPath } from 'node:url';

const from = fileURLToPath(new URL('../../', import.meta.url));
const to = fileURLToPath(new URL('./${to}/', import.meta.url));
const isIn = (name) =>
  ['package.json', 'look.css', 'run-time', 'types'].includes(name) || /\\.(?:js|d\\.ts)$/.test(name);

if (existsSync(\`\${from}fields.js\`) && existsSync(\`\${from}run-time\`)) {
  rmSync(to, { recursive: true, force: true });
  mkdirSync(to, { recursive: true });
  for (const name of readdirSync(from).filter(isIn))
    cpSync(from + name, to + name, { recursive: true });
}
`;

/** The check of a record on the server, for any of the applications. */
const checking = ({ form, asks }: AppFacts): readonly Lines[] =>
  form
    ? [
        '// The calendar day where the people are who fill in the form: set their time zone.',
        "const day = new Intl.DateTimeFormat('en-CA', { timeZone: 'Europe/London' });",
        '',
        '/** Checks a record with the rules of the page. Answers with what is wrong, by field. */',
        'async function checked(record: unknown) {',
        `  const result = await check${form.stem}(record, {`,
        '    today: day.format(new Date()),',
        asks.length > 0 && "    ask: async () => ({ verdict: 'pass' }),",
        '  });',
        '  if (!result.ok) return { status: 422, body: { findings: result.findings } };',
        '  // Store result.record.values here.',
        '  return { status: 200, body: { findings: [], values: result.record.values } };',
        '}',
        '',
      ]
    : [];

const readingText: readonly string[] = [
  '/** The text of a request. A record is never longer than this. */',
  'async function textOf(request: IncomingMessage): Promise<string> {',
  "  let text = '';",
  "  for await (const part of request.setEncoding('utf8')) {",
  '    text += part;',
  "    if (text.length > 1_000_000) throw new RangeError('The record is too long.');",
  '  }',
  '  return text;',
  '}',
  '',
];

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
 * `records.ts`: what the development server of Vite answers to the page. It is the part that a real server
 * takes over.
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
    checking(facts),
    isAsking
      ? [
          '/** A simulated service for what your rules ask: it accepts every value. */',
          `const asked = [${asks.map(inScript).join(', ')}];`,
          '',
        ]
      : false,
    form ? readingText : false,
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

/** `vite.config.ts` with the plugin of a framework. */
export const viteConfig = (facts: AppFacts, importPlugin: string, plugin: string): string => {
  const hasRecords = recordsFile(facts) !== undefined;
  return lines(
    importPlugin,
    "import { defineConfig } from 'vite';",
    hasRecords ? "import { records } from './records.ts';" : false,
    '',
    `export default defineConfig({ plugins: [${plugin}${hasRecords ? ', records' : ''}] });`,
  );
};

/** The form with native controls, as a browser without JavaScript shows it. */
export const withoutScripts = ({ form, natives, words }: AppFacts): readonly string[] => [
  form ? '<form method="post" action="/records">' : '<form>',
  ...indented(form ? sectionRows(natives, form.sections) : nativeRows(natives), 2),
  `  <button>${inAttribute(words.submit)}</button>`,
  '</form>',
];

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
export const tsconfig = (options: object = {}): string =>
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

/** `app.css`: a plain page around the fields, light and dark. */
export const appSheet = `:root { color-scheme: light dark; font: 1rem/1.5 system-ui, sans-serif; }
body { max-inline-size: 48rem; margin: 2rem auto; padding-inline: 1rem; }
form { display: grid; gap: 1rem; }
h1 { margin: 0; font-size: 1.5rem; }
fieldset { min-inline-size: 0; margin: 0; padding: 0; border: 0; }
legend { margin-block-end: .5rem; padding: 0; font-weight: bold; }
fieldset > div, .fields { display: grid; gap: .5rem 1.5rem; align-items: start; }
@media (min-width: 40rem) { [data-columns="2"] { grid-template-columns: 1fr 1fr; } }
button { justify-self: start; padding: .5em 1.25em; font: inherit; }
[role=alert], [data-wrong] [data-arbeit=message] { color: light-dark(#a3162a, #ff9aa2); }
output { font: .875rem/1.5 ui-monospace, monospace; white-space: pre-wrap; overflow-wrap: anywhere; }
`;
