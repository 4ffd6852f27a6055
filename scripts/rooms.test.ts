import { readdirSync, readFileSync } from 'node:fs';
import { dirname, join, relative } from 'node:path';
import { fileURLToPath } from 'node:url';
import { describe, expect, test } from 'vitest';

const root = fileURLToPath(new URL('..', import.meta.url));

/** What each room may import from: other rooms, and packages. */
const rooms: Readonly<Record<string, { readonly rooms: readonly string[]; readonly packages: RegExp }>> = {
  engine: { rooms: [], packages: /^$/ },
  dom: { rooms: ['engine'], packages: /^$/ },
  react: { rooms: ['engine', 'dom'], packages: /^react$/ },
  cli: { rooms: ['engine'], packages: /^(node:|jsonc-parser$)/ },
  studio: { rooms: ['engine', 'dom', 'react'], packages: /./ },
};

const sources = (folder: string): string[] =>
  readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    const path = join(folder, entry.name);
    if (entry.isDirectory())
      return /^(node_modules|\.next|dist|testing)$/.test(entry.name) ? [] : sources(path);
    return /\.tsx?$/.test(entry.name) && !/\.test\.tsx?$/.test(entry.name) ? [path] : [];
  });

const importsOf = (path: string): string[] =>
  [...readFileSync(path, 'utf8').matchAll(/(?:from|import)\s*\(?\s*'([^']+)'/g)].map((match) => match[1]!);

/** The room an import leads to, or the package's name. */
function leadsTo(from: string, specifier: string): { room: string } | { name: string } {
  if (!specifier.startsWith('.')) return { name: specifier };
  return { room: relative(root, join(dirname(from), specifier)).split('/')[0]! };
}

describe('imports go one way', () => {
  for (const [room, may] of Object.entries(rooms))
    test(room, () => {
      const files = sources(join(root, room));
      expect(files.length).toBeGreaterThan(0);
      const astray = files.flatMap((file) =>
        importsOf(file).flatMap((specifier) => {
          const to = leadsTo(file, specifier);
          const isFine =
            'room' in to ? to.room === room || may.rooms.includes(to.room) : may.packages.test(to.name);
          return isFine ? [] : [`${relative(root, file)} imports ${specifier}`];
        }),
      );
      expect(astray).toEqual([]);
    });

  test('what ships to browsers uses no other part of the engine, and no locale service', () => {
    const files = sources(join(root, 'engine', 'run'));
    const astray = files.flatMap((file) =>
      importsOf(file).filter((specifier) => !specifier.startsWith('./')),
    );
    expect(astray).toEqual([]);
    const speaking = files.filter((file) =>
      /\bIntl\.|\btoLocale/.test(readFileSync(file, 'utf8').replace(/\/\*[\s\S]*?\*\//g, '')),
    );
    expect(speaking).toEqual([]);
  });

  test('the engine sees no DOM, no Node and has no dependency', () => {
    const config = JSON.parse(readFileSync(join(root, 'engine', 'tsconfig.json'), 'utf8'));
    expect(config.compilerOptions.lib).toEqual(['ES2023']);
    const base = JSON.parse(readFileSync(join(root, 'tsconfig.base.json'), 'utf8'));
    expect(config.compilerOptions.types ?? base.compilerOptions.types).toEqual([]);
    const manifest = JSON.parse(readFileSync(join(root, 'engine', 'package.json'), 'utf8'));
    expect(manifest.dependencies ?? {}).toEqual({});
  });
});
