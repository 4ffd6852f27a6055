import { gzipSync } from 'node:zlib';
import type { SetDocument } from '@arbeit/engine/document';
import { kinds as allKinds, type KindTable } from '@arbeit/engine/kinds';
import { compiledModule } from '../compiled-module.ts';
import { byName } from '../imports.ts';
import { adapterOf, needsOf, type Use } from './adapters.ts';
import { minified } from './bundle.ts';
import { customCodeModule } from './custom-code.ts';
import type { Sources } from './sources.ts';
import { treeShake } from './tree-shake.ts';

/** What a page's script is made of, each in bytes as a page gets it: minified and gzipped. */
export interface Weight {
  readonly bytes: number;
  /** By what it is for, the heaviest first; together they are the whole, each its share by what it is minified. */
  readonly parts: readonly { readonly name: string; readonly bytes: number }[];
}

/** What a module of the packages is for, in words; rooms of the engine by themselves, its kinds by their names. */
function nameOf(path: string): string {
  const [, kind] = /^engine\/kinds\/([\w-]+)\//.exec(path) ?? [];
  if (kind && kind !== 'editing') return `kind ${kind}`;
  const [, room] = /^engine\/(\w+)\//.exec(path) ?? [];
  switch (room) {
    case undefined:
      return path.startsWith('dom/') ? 'binding to the page' : (path.split('/')[0] ?? path);
    case 'kinds':
    case 'values':
      return 'editing that kinds share';
    case 'rules':
      return 'rules';
    case 'form':
      return 'forms';
    default:
      return 'a field';
  }
}

/** A use whose script is weighed. */
export type WeighedUse = Extract<Use, 'dom' | 'element' | 'react' | 'vue' | 'svelte' | 'server'>;

/** A page's script, minified, with the bytes each module adds to it. */
export interface PageScript {
  readonly text: string;
  readonly parts: ReadonlyMap<string, number>;
}

/** What the snippet of a face does without: a page that takes none of it carries nothing of it. */
const seldom: ReadonlySet<string> = new Set([
  'attributesOf',
  'appearanceOf',
  'onCompletion',
  'record',
  'share',
  'statesOf',
]);

/**
 * The script of a page with the fields and forms of a set and one use of them, the framework itself left out. The set is compiled once for
 * all uses.
 */
export function pageScripts(
  set: SetDocument,
  sources: Sources,
  kinds: KindTable = allKinds,
): (use: WeighedUse) => Promise<PageScript> {
  const needs = needsOf(set, kinds);
  const { js, of, customCode } = compiledModule(set, kinds, { ...byName, own: '#custom-code' });
  const code = customCode && customCodeModule(customCode);
  // Whoever asks for a script is told.
  code?.catch(() => {});
  const own = treeShake(sources, of, kinds);
  return async (use) => {
    const face = adapterOf(use, needs);
    const names = face?.names.filter((name) => !seldom.has(name)).join(', ') ?? 'serverForm';
    const page = [
      ['export', '*', 'from', "'#definitions';"].join(' '),
      ['export', '{', names, '}', 'from', `'${face?.from ?? '@arbeit/engine/form'}';`].join(' '),
    ].join('\n');
    return minified({ page, definitions: js, ...(code ? { 'custom-code': await code } : {}) }, own);
  };
}

/** What such a script weighs, gzipped as most servers send it (level 9). */
export function weigher(
  set: SetDocument,
  sources: Sources,
  kinds: KindTable = allKinds,
): (use: WeighedUse) => Promise<Weight> {
  const scripts = pageScripts(set, sources, kinds);
  return async (use) => weightOf(await scripts(use));
}

function weightOf({ text, parts }: PageScript): Weight {
  const { length: bytes } = gzipSync(text, { level: 9 });
  const whole = [...parts.values()].reduce((sum, part) => sum + part, 0);
  const named = new Map<string, number>();
  for (const [path, part] of parts) {
    const name =
      path === 'definitions' || path === 'custom-code'
        ? 'the definitions'
        : path === 'page'
          ? 'a field'
          : nameOf(path);
    named.set(name, (named.get(name) ?? 0) + part);
  }
  const shares = [...named]
    .map(([name, part]) => ({ name, bytes: Math.round((part / whole) * bytes) }))
    .filter((part) => part.bytes > 0)
    .sort((a, b) => b.bytes - a.bytes || (a.name < b.name ? -1 : 1));
  return { bytes, parts: shares };
}
