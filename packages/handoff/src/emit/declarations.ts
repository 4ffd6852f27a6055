import { posix } from 'node:path';
import { misuse, say } from '@arbeit/engine/faults';
import { buildTexts } from '../texts.ts';
import type { Sources } from './sources.ts';

/** What a declaration imports. The compiler writes inferred types with double quotes. */
const specifiers = /((?:\bfrom |\bimport\()['"])([^'"]+)(['"])/g;

/** The declarations of a module of the tree. */
const declarationsOf = (path: string): string => path.replace(/\.js$/, '.d.ts');

/**
 * The declarations that entries need, by path below `types/`, importing each other by relative paths: the
 * types of the packages without the packages. Names of other packages stay.
 */
export function declarations(specifiersOf: readonly string[], sources: Sources): ReadonlyMap<string, string> {
  const files = new Map<string, string>();
  const follow = (path: string): void => {
    const file = declarationsOf(path);
    if (files.has(`types/${file}`)) return;
    files.set(`types/${file}`, '');
    const text = sources
      .read(file)
      .replace(/^\/\/# sourceMappingURL.*$/gm, '')
      .replace(specifiers, (all, before: string, name: string, after: string) => {
        const to = sources.resolve(name, file);
        if (to === undefined) return all;
        follow(to);
        return `${before}${relative(file, to)}${after}`;
      });
    files.set(`types/${file}`, text);
  };
  for (const name of specifiersOf) follow(resolved(name, sources));
  return new Map([...files].sort(([a], [b]) => (a < b ? -1 : 1)));
}

/** The path of the declarations of a package's module, from the root of the folder. */
export const typesAt = (specifier: string, sources: Sources): string =>
  `./types/${resolved(specifier, sources)}`;

function resolved(specifier: string, sources: Sources): string {
  const to = sources.resolve(specifier, '');
  if (to === undefined) throw misuse(say(buildTexts, 'foreign-package', { name: specifier }));
  return to;
}

function relative(from: string, to: string): string {
  const path = posix.relative(posix.dirname(from), to);
  return path.startsWith('.') ? path : `./${path}`;
}
