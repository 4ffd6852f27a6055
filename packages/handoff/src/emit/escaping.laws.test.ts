import type { SetDocument } from '@arbeit/engine/document';
import { kinds } from '@arbeit/engine/kinds';
import { parse as parseVue } from '@vue/compiler-sfc';
import { transformSync } from 'esbuild';
import fc from 'fast-check';
import { parse, parseFragment } from 'parse5';
import { parse as parseSvelte } from 'svelte/compiler';
import { expect, test } from 'vitest';
import { inAttribute, inComment, inHtml, inMarkdown, inQuotes, inScript, scriptInPage } from '../escape.ts';
import type { Use } from './adapters.ts';
import { applications } from './apps/index.ts';
import { inJsx } from './apps/react.ts';

/**
 * A text that a person wrote is never code, in whatever language it ends up: random texts of the signs that
 * mean something there, through the real parsers.
 */
const signs = ['<', '>', '&', '"', "'", '`', '{', '}', '{{', '}}', '{#if x}', '{@html x}', '${', '</', '<!--', '-->', '<script>', '</script>', '</label>', '&amp;', '&#123;', '*/', '\\', '|', '[', ']', '(', ')', 'a', 'Ä', '…', ' ', '😀', '\u2028', 'onclick=x', '="'] as const; // biome-ignore format: a list
const texts = fc
  .array(fc.constantFrom(...signs), { minLength: 1, maxLength: 8 })
  .map((all) => `x${all.join('')}x`);

/** A set with a text wherever an application writes one. */
const setOf = (text: string): SetDocument =>
  ({
    arbeit: 2,
    title: text,
    locale: 'en-GB',
    fields: [
      {
        id: 'f',
        name: text,
        kind: 'text',
        label: text,
        hint: text,
        placeholder: text,
        entry: {},
        look: { before: text },
      },
      { id: 'c', kind: 'choice', label: text, entry: { options: [{ value: 'a', label: text }] } },
    ],
    forms: [{ id: 'b', title: text, sections: [{ title: text, fields: ['f', 'c'] }] }],
  }) as unknown as SetDocument;
const appOf = (use: Use, text: string, app: string = use): ReadonlyMap<string, string> =>
  applications(setOf(text), [use, 'server'], kinds).find(({ name }) => name === app)!.files;

/** A text as HTML has it: line separators are blanks in an attribute. */
const flat = (text: string): string => text.replace(/\s+/g, ' ').trim();

interface Node {
  readonly type?: string | number;
  readonly tag?: string;
  readonly props?: readonly { readonly exp?: { readonly content: string } }[];
  readonly name?: string;
  readonly content?: unknown;
  readonly data?: string;
  readonly children?: readonly Node[];
  readonly fragment?: { readonly nodes: readonly Node[] };
}

const inside = (node: Node): readonly Node[] => node.children ?? node.fragment?.nodes ?? [];
const all = (node: Node): readonly Node[] => [node, ...inside(node).flatMap(all)];
const textOf = (node: Node): string =>
  inside(node)
    .map((child) => String(child.content ?? child.data ?? ''))
    .join('');

/** What `store.field(…)` is called with in a piece of code. */
const nameIn = (code: string): unknown =>
  new Function('store', `return ${code}`)({ field: (name: string) => name });

test('a string in single quotes is that text, and nothing that an attribute cannot contain', () => {
  fc.assert(
    fc.property(texts, (text) => {
      expect(new Function(`return ${inQuotes(text)}`)()).toBe(text);
      expect(inQuotes(text).slice(1, -1)).not.toMatch(/["'&<>`]/);
    }),
  );
});

test('Vue: titles and names are text', () => {
  fc.assert(
    fc.property(texts, (text) => {
      const { descriptor, errors } = parseVue(appOf('vue', text).get('src/App.vue')!, { sourceMap: false });
      expect(errors).toEqual([]);
      const nodes = all(descriptor.template!.ast as unknown as Node);
      const [first] = nodes.filter(({ tag }) => tag === 'Field');
      expect(nameIn(first!.props![0]!.exp!.content)).toBe(text);
      // The two pieces of code between tags (Vue, NodeTypes.INTERPOLATION): what the server says, the record.
      expect(nodes.filter(({ type }) => type === 5)).toHaveLength(2);
      for (const wanted of ['h1', 'legend'])
        expect(flat(textOf(nodes.find(({ tag }) => tag === wanted)!))).toBe(flat(text));
    }),
  );
});

test('Svelte: the same', () => {
  fc.assert(
    fc.property(texts, (text) => {
      const code = appOf('svelte', text).get('src/App.svelte')!;
      const { fragment } = parseSvelte(code, { modern: true }) as unknown as {
        readonly fragment: Node & { nodes: readonly Node[] };
      };
      const nodes = fragment.nodes.flatMap(all);
      expect(nameIn(/store\.field\(('[^']*')\)/.exec(code)![0])).toBe(text);
      expect(nodes.filter(({ type }) => /^(?:HtmlTag|ConstTag|RenderTag)$/.test(String(type)))).toEqual([]);
      for (const wanted of ['h1', 'legend']) {
        const node = nodes.find(({ name }) => name === wanted)!;
        expect(inside(node).filter(({ type }) => type === 'ExpressionTag')).toEqual([]);
        expect(flat(textOf(node))).toBe(flat(text));
      }
    }),
  );
});

test('JSX: the same', () => {
  fc.assert(
    fc.property(texts, (text) => {
      const { code } = transformSync(`<p>${inJsx(text)}</p>`, { loader: 'jsx', jsxFactory: 'h' });
      const h = (_: unknown, __: unknown, ...inner: string[]) => inner.join('');
      expect(new Function('h', `return ${code}`)(h)).toBe(text);
    }),
  );
});

test('Angular: the same, with braces and `@`', () => {
  fc.assert(
    fc.property(texts, fc.constantFrom('@if (x) {', '@let a = 1;', '@'), (text, sign) => {
      const html = appOf('element', text + sign, 'angular').get('src/app.html')!;
      for (const wanted of ['h1', 'legend']) {
        const [, inner = ''] = new RegExp(`<${wanted}>(.*)</${wanted}>`).exec(html) ?? [];
        expect(inner).not.toMatch(/[{}@<>]/);
        const { childNodes } = parseFragment(inner) as unknown as {
          readonly childNodes: readonly HtmlNode[];
        };
        expect(flat(childNodes.map(({ value }) => value).join(''))).toBe(flat(text + sign));
      }
    }),
  );
});

test('a page that a server writes: texts of the definition and of whoever fills it in', () => {
  fc.assert(
    fc.property(texts, texts, (text, typed) => {
      const code = appOf('element', text, 'page').get('page.mjs')!;
      const page = new Function(`${code.replace('export function', 'function')} return page;`)() as (
        raw: object,
        findings: readonly object[],
        record: string,
      ) => string;
      const html = page({ [text]: typed, c: 'a' }, [{ field: text, message: typed }], typed);
      const elements = (node: HtmlNode): readonly HtmlNode[] => [
        node,
        ...(node.childNodes ?? []).flatMap(elements),
      ];
      const found = elements(parse(html) as unknown as HtmlNode);
      const words = (name: string) =>
        found
          .filter(({ nodeName }) => nodeName === name)
          .map((one) =>
            elements(one)
              .map(({ value = '' }) => value)
              .join(''),
          );
      const attribute = (wanted: string) =>
        found.flatMap(({ attrs = [] }) =>
          attrs.filter(({ name }) => name === wanted).map(({ value }) => value),
        );
      expect(words('h1').map(flat)).toEqual([flat(text)]);
      expect(words('legend').map(flat)).toEqual([flat(text)]);
      expect(words('output')).toEqual([typed]);
      expect(words('p')).toEqual([typed, '']);
      expect(attribute('value')).toEqual([typed, '', 'a']);
      expect(attribute('name').map(flat)).toEqual(expect.arrayContaining([flat(text), 'c']));
      expect(attribute('selected')).toEqual(['']);
      expect(words('script')).toEqual(['', '']);
    }),
  );
});

interface HtmlNode {
  readonly nodeName: string;
  readonly value?: string;
  readonly attrs?: readonly { readonly name: string; readonly value: string }[];
  readonly childNodes?: readonly HtmlNode[];
}

test('HTML: text, attributes, and scripts that neither end nor swallow what comes after them', () => {
  fc.assert(
    fc.property(texts, (text) => {
      const script = `const a = ${inScript(text)};`;
      const page = `<p title="${inAttribute(text)}">${inHtml(text)}</p><script>${script}</script><script>${scriptInPage(`f(${JSON.stringify(text)})`)}</script><i>after</i>`;
      const { childNodes } = parseFragment(page) as unknown as { readonly childNodes: readonly HtmlNode[] };
      expect(childNodes.map(({ nodeName }) => nodeName)).toEqual(['p', 'script', 'script', 'i']);
      const [p, first, second] = childNodes;
      expect(p!.attrs).toEqual([{ name: 'title', value: text.replace(/[\n\r\u2028\u2029]+/g, ' ') }]);
      expect(p!.childNodes!.map(({ nodeName, value }) => [nodeName, value])).toEqual([['#text', text]]);
      const said: string[] = [];
      new Function(`${first!.childNodes![0]!.value} return a;`)();
      expect(new Function(`${first!.childNodes![0]!.value} return a;`)()).toBe(text);
      new Function('f', second!.childNodes![0]!.value!)((one: string) => said.push(one));
      expect(said).toEqual([text]);
    }),
  );
});

test('comments end where they end; in Markdown no sign means anything', () => {
  fc.assert(
    fc.property(texts, (text) => {
      expect(new Function(`/* ${inComment(text)} */ return 1; // ${inComment(text)}`)()).toBe(1);
      const line = inMarkdown(text);
      expect(line).not.toMatch(/\n/);
      expect(line.replace(/\\[!-/:-@[-`{-~]/g, '')).not.toMatch(/[`*_{}[\]<>#|!&~]/);
    }),
  );
});
