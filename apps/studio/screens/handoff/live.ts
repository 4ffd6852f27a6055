import { compileField, fieldIdsOf, type SetDocument } from '@arbeit/engine/document';
import { kinds } from '@arbeit/engine/kinds';
import { inAttribute } from '@arbeit/handoff';
import { applications, handOff, snippets, sourcesFrom, type Use } from '@arbeit/handoff/emit';
import { build, type Loader, type Plugin } from 'esbuild';
import { withoutCustomCode } from './without-custom-code.ts';

/** Uses with a live preview. */
export const liveUses = ['element', 'dom', 'react', 'vue', 'svelte'] as const satisfies readonly Use[];
export type LiveUse = (typeof liveUses)[number];

/** A page with a running snippet: its markup, one script, its styles. */
export interface LivePage {
  readonly markup: string;
  readonly script: string;
  /** Styles beside those that its elements bring. */
  readonly sheet: string;
}

/** Lets the bundler read modules from memory: the files of the hand-off, and of the application. */
const inMemory = (files: ReadonlyMap<string, string>): Plugin => ({
  name: 'in-memory',
  setup({ onLoad, onResolve }) {
    onResolve({ filter: /^\./, namespace: 'memory' }, ({ path, importer }) => ({
      path: new URL(path, `file:///${importer}`).pathname.slice(1),
      namespace: 'memory',
    }));
    // The starter is beside them; relative imports of frameworks are their own.
    onResolve({ filter: /^\.\// }, ({ path, importer }) =>
      importer === '<stdin>' ? { path: path.slice(2), namespace: 'memory' } : undefined,
    );
    onLoad({ filter: /.*/, namespace: 'memory' }, async ({ path }) => ({
      contents: await compiled(path, files.get(path) ?? ''),
      loader: loaders[path.slice(path.lastIndexOf('.') + 1)] ?? 'js',
      resolveDir: process.cwd(),
    }));
  },
});

/** How files are read, by extension. Styles are in the page itself. */
const loaders: Readonly<Record<string, Loader>> = { css: 'empty', ts: 'ts', tsx: 'tsx', vue: 'ts' };

/** Compiles a component with Vue's or Svelte's own compiler, loaded only if needed. */
async function compiled(path: string, code: string): Promise<string> {
  if (path.endsWith('.vue')) {
    const { compileScript, parse } = await import('@vue/compiler-sfc');
    const { descriptor } = parse(code, { filename: path });
    return compileScript(descriptor, { id: path, inlineTemplate: true }).content;
  }
  if (path.endsWith('.svelte')) {
    const { compile } = await import('svelte/compiler');
    return compile(code, { filename: path, generate: 'client' }).js.code;
  }
  return code;
}

/** The files of a running snippet, and the module that starts it. */
async function partsOf(
  set: SetDocument,
  use: LiveUse,
): Promise<{ readonly files: ReadonlyMap<string, string>; readonly start: string; readonly code: string }> {
  const handed = await handOff({ set, uses: [use, 'dom'], sources: sourcesFrom(process.cwd()) });
  const app = applications(set, [use, 'server'], kinds).find((one) => one.use === use && one.name === use);
  if (!app) {
    const [snippet] = snippets(set, [use]);
    const code = snippet?.code ?? '';
    const start = use === 'element' ? 'elements.js' : 'snippet.js';
    return { files: new Map([...handed, ['snippet.js', code]]), start, code };
  }
  const fields = [...handed].map(([path, text]) => [`src/fields/${path}`, text] as const);
  const start = [...app.files.keys()].find((path) => /^src\/main\.tsx?$/.test(path)) ?? '';
  return { files: new Map([...app.files, ...fields]), start, code: '' };
}

/**
 * The page that shows a snippet running, built as a developer would build it. Custom code is left out,
 * because there is no sandbox on that page. `undefined` if the use has no snippet.
 */
export async function livePage(stored: SetDocument, use: LiveUse): Promise<LivePage | undefined> {
  const set = withoutCustomCode(stored, kinds);
  if (set.fields.length === 0) return undefined;
  const { files, start, code } = await partsOf(set, use);
  const { outputFiles } = await build({
    stdin: {
      contents: `${simulatedServer}\nimport './${start}';\n${aside}`,
      resolveDir: process.cwd(),
      loader: 'js',
    },
    bundle: true,
    write: false,
    format: 'iife',
    target: 'es2022',
    minify: true,
    jsx: 'automatic',
    define: {
      'process.env.NODE_ENV': '"production"',
      __VUE_OPTIONS_API__: 'false',
      __VUE_PROD_DEVTOOLS__: 'false',
      __VUE_PROD_HYDRATION_MISMATCH_DETAILS__: 'false',
    },
    logLevel: 'silent',
    plugins: [inMemory(files)],
  });
  return {
    markup: markupOf(use, code, set),
    script: outputFiles[0]?.text ?? '',
    sheet: ['src/app.css', 'src/fields/look.css'].map((path) => files.get(path) ?? '').join('\n'),
  };
}

/**
 * A simulated server: the page cannot make requests (`proxy.ts`). It accepts every record, and every value
 * that a server check asks about.
 */
const simulatedServer = `
const away = globalThis.fetch;
globalThis.fetch = async (path, options) =>
  options?.method === 'POST'
    ? Response.json(path === '/records' ? { findings: [] } : { verdict: 'pass' })
    : away(path, options);`;

/** Keeps a form from leaving the page; the submitted record is shown under it. */
const aside = `
addEventListener('submit', (event) => {
  const out = document.querySelector('output');
  const data = [...new FormData(event.target)];
  if (out && (!event.defaultPrevented || event.target.noValidate)) out.textContent = data.map(([name, value]) => name + ': ' + value).join('\\n');
  event.preventDefault();
});
parent.postMessage('live', '*');`;

function markupOf(use: LiveUse, code: string, set: SetDocument): string {
  const inside =
    use === 'element'
      ? code.replace(/<script[\s\S]*?<\/script>\s*/g, '')
      : use === 'dom'
        ? domMarkup(code, set)
        : '';
  if (use === 'element' || use === 'dom') return `<div id="live">${inside}</div><output></output>`;
  // An application with a form has an output of its own.
  const hasForm = (set.forms ?? []).some((form) => fieldIdsOf(form).length > 0);
  return `<div id="app"></div>${hasForm ? '' : '<output></output>'}`;
}

/** The input that the plain script binds, under its label. */
function domMarkup(code: string, set: SetDocument): string {
  const [, name = ''] = /\[name="([^"]+)"\]/.exec(code) ?? [];
  const definition = set.fields.find(({ id }) => id === name);
  if (!definition) return '';
  const { html } = compileField(definition, set, kinds);
  const type = typeof html.type === 'string' ? html.type : 'text';
  return `<form><label>${inAttribute(definition.label)} <input name="${inAttribute(name)}" type="${inAttribute(type)}"></label></form>`;
}
