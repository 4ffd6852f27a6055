import type { SetDocument } from '@arbeit/engine/document';
import { parse as parseVue } from '@vue/compiler-sfc';
import fc from 'fast-check';
import { parseFragment } from 'parse5';
import { parse as parseSvelte } from 'svelte/compiler';
import { expect, test } from 'vitest';
import { inAttribute, inComment, inHtml, inMarkdown, inScript, scriptInPage } from '../escape.ts';
import { snippets } from './snippets.ts';

/**
 * A text that a person wrote is never code, in whatever language it ends up: random texts of the signs that
 * mean something there, through the real parsers.
 */
const signs = ['<', '>', '&', '"', "'", '`', '{', '}', '{{', '}}', '{#if x}', '{@html x}', '${', '</', '<!--', '-->', '<script>', '</script>', '</label>', '&amp;', '&#123;', '*/', '\\', '|', '[', ']', '(', ')', 'a', 'Ä', '…', ' ', '😀', '\u2028', 'onclick=x', '="'] as const; // biome-ignore format: a list
const texts = fc
  .array(fc.constantFrom(...signs), { minLength: 1, maxLength: 8 })
  .map((all) => `x${all.join('')}x`);

const setOf = (label: string, title: string): SetDocument =>
  ({
    arbeit: 2,
    title: 'Huts',
    locale: 'en-GB',
    fields: [
      {
        id: 'f',
        kind: 'text',
        label,
        hint: label,
        entry: {},
        look: { before: label, behind: label, icon: `<svg viewBox="0 0 2 2"><title>${title}</title></svg>` },
      },
    ],
  }) as unknown as SetDocument;

/** A text as HTML has it: line separators are blanks in an attribute. */
const flat = (text: string): string => text.replace(/\s+/g, ' ').trim();

interface Node {
  readonly type?: string | number;
  readonly tag?: string;
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

test('Vue: labels, hints, signs and titles of icons are text', () => {
  fc.assert(
    fc.property(texts, fc.constantFrom('{{ 1 }}', '{x}', 'a } b', '{@html x}'), (label, title) => {
      const [snippet] = snippets(setOf(label, title), ['vue']);
      const { descriptor, errors } = parseVue(snippet!.code, { sourceMap: false });
      expect(errors).toEqual([]);
      const nodes = all(descriptor.template!.ast as unknown as Node);
      // The one piece of code between tags is the message (Vue, NodeTypes.INTERPOLATION).
      expect(nodes.filter(({ type }) => type === 5)).toHaveLength(1);
      expect(flat(textOf(nodes.find(({ tag }) => tag === 'label')!))).toBe(flat(label));
      expect(textOf(nodes.find(({ tag }) => tag === 'title')!)).toBe(title);
    }),
  );
});

test('Svelte: the same', () => {
  fc.assert(
    fc.property(texts, fc.constantFrom('{x}', 'a } b', '{@html x}', '{#if x}'), (label, title) => {
      const [snippet] = snippets(setOf(label, title), ['svelte']);
      const ast = parseSvelte(snippet!.code, { modern: true }) as unknown as {
        readonly fragment: Node & { nodes: readonly Node[] };
      };
      const nodes = ast.fragment.nodes.flatMap(all);
      expect(
        nodes.filter(({ type }) => /^(?:HtmlTag|IfBlock|ConstTag|RenderTag)$/.test(String(type))),
      ).toEqual([]);
      expect(nodes.filter(({ type }) => type === 'ExpressionTag')).toEqual([]);
      expect(flat(textOf(nodes.find(({ name }) => name === 'label')!))).toBe(flat(label));
      expect(textOf(nodes.find(({ name }) => name === 'title')!)).toBe(title);
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
