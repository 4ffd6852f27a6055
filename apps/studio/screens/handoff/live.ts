import { compileField, type SetDocument } from '@arbeit/engine/document';
import { kinds } from '@arbeit/engine/kinds';
import { inAttribute } from '@arbeit/handoff';
import { handOff, snippets, sourcesFrom, type Use } from '@arbeit/handoff/emit';
import { build, type Plugin } from 'esbuild';
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

/** Lets the bundler read modules from memory: the files of the hand-off, and the snippet. */
const inMemory = (files: ReadonlyMap<string, string>): Plugin => ({
  name: 'in-memory',
  setup({ onLoad, onResolve }) {
    onResolve({ filter: /^\./, namespace: 'memory' }, ({ path, importer }) => ({
      path: new URL(path, `file:///${importer}`).pathname.slice(1),
      namespace: 'memory',
    }));
    onResolve({ filter: /^snippet$/ }, () => ({ path: 'snippet', namespace: 'memory' }));
    // The starter is beside them; relative imports of frameworks are their own.
    onResolve({ filter: /^\.\// }, ({ path, importer }) =>
      importer === '<stdin>' ? { path: path.slice(2), namespace: 'memory' } : undefined,
    );
    onLoad({ filter: /.*/, namespace: 'memory' }, ({ path }) => ({
      contents: files.get(path) ?? '',
      loader: path === 'snippet' ? 'jsx' : path.endsWith('.css') ? 'empty' : 'js',
      resolveDir: process.cwd(),
    }));
  },
});

/** Compiles a snippet with Vue's or Svelte's own compiler, loaded only if needed. */
async function compiledSnippet(use: LiveUse, code: string): Promise<string> {
  if (use === 'vue') {
    const { compileScript, parse } = await import('@vue/compiler-sfc');
    const { descriptor } = parse(code, { filename: 'Snippet.vue' });
    return compileScript(descriptor, { id: 'snippet', inlineTemplate: true }).content;
  }
  if (use === 'svelte') {
    const { compile } = await import('svelte/compiler');
    return compile(code, { filename: 'Snippet.svelte', generate: 'client' }).js.code;
  }
  return code;
}

/** The code that starts a snippet, by use. `shown` is what the snippet exports, if anything. */
const starters: Readonly<Record<LiveUse, (shown: string) => string>> = {
  element: () => "import './elements.js';",
  dom: () => "import 'snippet';",
  react: (shown) =>
    `import { createElement } from 'react'; import { createRoot } from 'react-dom/client'; import { ${shown} } from 'snippet';
createRoot(document.querySelector('#live')).render(createElement(${shown}, {}));`,
  vue: () =>
    "import { createApp } from 'vue'; import Snippet from 'snippet'; createApp(Snippet).mount('#live');",
  svelte: () =>
    "import { mount } from 'svelte'; import Snippet from 'snippet'; mount(Snippet, { target: document.querySelector('#live') });",
};

/**
 * The page that shows a snippet running, built as a developer would build it. Custom code is left out,
 * because there is no sandbox on that page. `undefined` if the use has no snippet.
 */
export async function livePage(stored: SetDocument, use: LiveUse): Promise<LivePage | undefined> {
  const set = withoutCustomCode(stored, kinds);
  const [snippet] = snippets(set, [use]);
  if (!snippet) return undefined;
  const files = new Map(await handOff({ set, uses: [use, 'dom'], sources: sourcesFrom(process.cwd()) }));
  files.set('snippet', await compiledSnippet(use, snippet.code));
  const [, shown = ''] = /export function (\w+)\((?:\))/.exec(snippet.code) ?? [];
  const { outputFiles } = await build({
    stdin: { contents: `${starters[use](shown)}\n${aside}`, resolveDir: process.cwd(), loader: 'js' },
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
    markup: markupOf(use, snippet.code, set),
    script: outputFiles[0]?.text ?? '',
    sheet: files.get('look.css') ?? '',
  };
}

/** Keeps a form from leaving the page; the submitted record is shown under it. */
const aside = `
addEventListener('submit', (event) => {
  const out = document.querySelector('output');
  const data = [...new FormData(event.target)];
  if (!event.defaultPrevented || event.target.noValidate) out.textContent = data.map(([name, value]) => name + ': ' + value).join('\\n');
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
  return `<div id="live">${inside}</div><output></output>`;
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
