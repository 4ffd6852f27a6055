import { existsSync, readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { dirname, join, posix } from 'node:path';
import { misuse, say } from '@arbeit/engine/faults';
import { buildTexts } from '../texts.ts';

/** The built packages as one tree: `engine/field/state.js`. */
export interface Sources {
  /** The text of a module. Throws `RangeError` if there is none. */
  read(path: string): string;
  /** The target of an import in a module of the tree; `undefined` outside of the tree. */
  resolve(specifier: string, from: string): string | undefined;
  /** Version of the packages. */
  readonly version: string;
}

interface Manifest {
  readonly version: string;
  readonly exports: Readonly<Record<string, string | { readonly types: string; readonly default: string }>>;
}

/** The target of a name by the exports of its package (Node.js, "exports" and subpath patterns). */
function exported(room: string, subpath: string, { exports }: Manifest): string | undefined {
  for (const [name, target] of Object.entries(exports)) {
    if (typeof target === 'string') continue;
    const [head = '', tail] = name.split('*');
    const isPattern = tail !== undefined;
    if (isPattern ? !subpath.startsWith(head) : subpath !== name) continue;
    const star = subpath.slice(head.length);
    return posix.join(room, target.default.replace(/^\.\/dist\//, './').replace('*', star));
  }
  return undefined;
}

/** The packages as Node.js finds them from a folder. Throws `RangeError` if one is not built. */
export function sourcesFrom(folder: string): Sources {
  const require = createRequire(join(folder, 'here.js'));
  const roots = new Map<string, { readonly root: string; readonly manifest: Manifest }>();
  const texts = new Map<string, string>();
  const room = (name: string): { readonly root: string; readonly manifest: Manifest } => {
    let found = roots.get(name);
    if (!found) {
      const path = require.resolve(`@arbeit/${name}/package.json`);
      found = { root: dirname(path), manifest: JSON.parse(readFileSync(path, 'utf8')) as Manifest };
      roots.set(name, found);
    }
    return found;
  };
  return {
    version: room('engine').manifest.version,
    read(path) {
      let text = texts.get(path);
      if (text === undefined) {
        const [name = '', ...rest] = path.split('/');
        const file = join(room(name).root, 'dist', ...rest);
        if (!existsSync(file)) throw misuse(say(buildTexts, 'not-built', { file }));
        text = readFileSync(file, 'utf8');
        texts.set(path, text);
      }
      return text;
    },
    resolve(specifier, from) {
      if (specifier.startsWith('.')) return posix.join(posix.dirname(from), specifier);
      const [, name, rest = ''] = /^@arbeit\/(\w+)(\/.+)?$/.exec(specifier) ?? [];
      return name === undefined ? undefined : exported(name, `.${rest}`, room(name).manifest);
    },
  };
}
