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

/** The size of a page's script and its parts, in bytes, minified and gzipped. */
export interface Weight {
  readonly bytes: number;
  /** By purpose, the largest first. They add up to the whole; each has its share of the minified size. */
  readonly parts: readonly { readonly name: string; readonly bytes: number }[];
}

/** Label of a module in the size chart: the engine's folders one by one, kinds by name. */
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

/** An adapter whose script is measured. */
export type WeighedUse = Extract<Use, 'dom' | 'element' | 'react' | 'vue' | 'svelte' | 'server'>;

/** A page's script, minified, with the bytes of each module in it. */
export interface PageScript {
  readonly text: string;
  readonly parts: ReadonlyMap<string, number>;
}

/** Exports that the snippet of an adapter does not use. */
const seldom: ReadonlySet<string> = new Set([
  'attributesOf',
  'appearanceOf',
  'onCompletion',
  'record',
  'share',
  'statesOf',
]);

/**
 * The scripts of a page with the fields and forms of a set, per adapter, without the framework itself. The
 * set is compiled once for all.
 */
export function pageScripts(
  set: SetDocument,
  sources: Sources,
  kinds: KindTable = allKinds,
): (use: WeighedUse) => Promise<PageScript> {
  const needs = needsOf(set, kinds);
  const { js, of, customCode } = compiledModule(set, kinds, { ...byName, own: '#custom-code' });
  const code = customCode && customCodeModule(customCode);
  // The error is reported where the script is used.
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

/** The size of such a script, gzipped as most servers do (level 9). */
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
