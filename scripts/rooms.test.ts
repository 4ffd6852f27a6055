import { readdirSync, readFileSync } from 'node:fs';
import { dirname, join, relative } from 'node:path';
import { fileURLToPath } from 'node:url';
import { kinds } from '@arbeit/engine/kinds';
import { describe, expect, test } from 'vitest';

const root = fileURLToPath(new URL('..', import.meta.url));

/** What each room may import from: other rooms, and packages. */
const rooms: Readonly<Record<string, { readonly rooms: readonly string[]; readonly packages: RegExp }>> = {
  // Random tapes and definitions are made with fast-check; what ships carries none of it (below).
  engine: { rooms: [], packages: /^fast-check$/ },
  dom: { rooms: ['engine'], packages: /^$/ },
  react: { rooms: ['engine', 'dom'], packages: /^react$/ },
  native: { rooms: ['engine', 'dom', 'react'], packages: /^react$/ },
  element: { rooms: ['engine', 'dom'], packages: /^$/ },
  vue: { rooms: ['engine', 'dom'], packages: /^vue$/ },
  svelte: { rooms: ['engine', 'dom'], packages: /^svelte\/(?:attachments|reactivity)$/ },
  handoff: { rooms: ['engine', 'dom'], packages: /^(?:jsonc-parser|esbuild|parse5|csv-parse\/.*|node:\w+)$/ },
  sandbox: {
    rooms: ['engine'],
    packages: /^(?:quickjs-emscripten-core|@jitl\/quickjs-[\w-]+|node:\w+)$/,
  },
  cli: { rooms: ['engine', 'handoff', 'sandbox'], packages: /^(?:node:.*|playwright-core)$/ },
  studio: { rooms: ['engine', 'dom', 'react', 'element', 'handoff', 'sandbox'], packages: /./ },
};

/** Where the sources of a room are. */
const placeOf = (room: string): string =>
  room === 'studio' ? join(root, 'apps', 'studio') : join(root, 'packages', room, 'src');
const engine = placeOf('engine');

const sources = (folder: string): string[] =>
  readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    const path = join(folder, entry.name);
    if (entry.isDirectory()) return /^(node_modules|\.next|dist)$/.test(entry.name) ? [] : sources(path);
    return /\.tsx?$/.test(entry.name) && !/\.(?:test|fixture)\.tsx?$/.test(entry.name) ? [path] : [];
  });

/** Imports of a module; those in code that it writes as text begin no line. */
const importsOf = (path: string): string[] =>
  [
    ...readFileSync(path, 'utf8').matchAll(
      /^(?:import|export|\}) (?:[^\n]*? )?from '([^']+)';$|^import '([^']+)';$|\bimport\('([^']+)'\)/gm,
    ),
  ].map(([, one, other, lazy]) => (one ?? other ?? lazy)!);

/**
 * The room an import leads to, or the package's name. Only a room's own files are imported by their place.
 */
function leadsTo(from: string, specifier: string): { room: string } | { name: string } {
  const [, named] = /^@arbeit\/(\w+)/.exec(specifier) ?? [];
  if (named) return { room: named };
  if (!specifier.startsWith('.')) return { name: specifier };
  const room = (path: string) => relative(root, path).split('/')[1]!;
  const to = room(join(dirname(from), specifier));
  return to === room(from) ? { room: to } : { name: `${specifier}, around its package` };
}

describe('imports go one way', () => {
  for (const [room, may] of Object.entries(rooms))
    test(room, () => {
      const files = sources(placeOf(room));
      expect(files.length).toBeGreaterThan(0);
      const astray = files.flatMap((file) =>
        importsOf(file).flatMap((specifier) => {
          const to = leadsTo(file, specifier);
          const isFine =
            'room' in to
              ? to.room === room || may.rooms.includes(to.room)
              : may.packages.test(to.name) && !to.name.endsWith('around its package');
          return isFine ? [] : [`${relative(root, file)} imports ${specifier}`];
        }),
      );
      expect(astray).toEqual([]);
    });

  /** Inside the engine each room knows those named and none above it. */
  const inside: Readonly<Record<string, readonly string[]>> = {
    values: [],
    faults: [],
    options: ['faults'],
    rules: ['values', 'faults'],
    field: ['values', 'faults', 'rules'],
    form: ['faults', 'rules', 'field'],
    plans: [],
    kinds: ['values', 'faults', 'options', 'rules', 'field', 'plans'],
    checks: ['values', 'faults', 'options', 'rules', 'kinds'],
    tape: ['values', 'faults', 'rules', 'field', 'form'],
    document: ['values', 'faults', 'options', 'rules', 'field', 'form', 'kinds', 'checks', 'tape'],
    prove: ['values', 'faults', 'rules', 'field', 'form', 'plans', 'kinds', 'checks', 'document', 'tape'],
  };

  test('inside the engine', () => {
    expect(
      readdirSync(engine, { withFileTypes: true })
        .filter((e) => e.isDirectory() && !/^(?:node_modules|dist)$/.test(e.name))
        .map((e) => e.name)
        .sort(),
    ).toEqual(Object.keys(inside).sort());
    const astray = Object.entries(inside).flatMap(([room, may]) =>
      sources(join(engine, room)).flatMap((file) =>
        importsOf(file)
          .filter((specifier) => specifier.startsWith('.'))
          .map((specifier) => relative(engine, join(dirname(file), specifier)).split('/')[0]!)
          .filter((to) => to !== room && !may.includes(to))
          .map((to) => `${relative(root, file)} knows ${to}`),
      ),
    );
    expect(astray).toEqual([]);
  });

  /** Layers of the studio, each with those that it may import. */
  const layers: Readonly<Record<string, readonly string[]>> = {
    words: [],
    demo: [],
    store: ['words', 'demo'],
    model: ['words', 'store', 'demo'],
    workers: ['words', 'model'],
    services: ['words', 'workers', 'model', 'store'],
    ui: ['words'],
    field: ['words', 'ui', 'workers', 'model'],
    screens: ['words', 'field', 'ui', 'services', 'workers', 'model', 'store', 'demo'],
    app: ['words', 'screens', 'field', 'ui', 'services', 'workers', 'model', 'store'],
  };

  test('inside the studio: layer by layer, and no screen imports another', () => {
    const studio = placeOf('studio');
    const folders = readdirSync(studio, { withFileTypes: true }).filter(
      (entry) => entry.isDirectory() && !/^(?:node_modules|\.next)$/.test(entry.name),
    );
    expect(folders.map(({ name }) => name).sort()).toEqual(Object.keys(layers).sort());
    const astray = Object.entries(layers).flatMap(([layer, may]) =>
      sources(join(studio, layer)).flatMap((file) =>
        importsOf(file)
          .filter((specifier) => specifier.startsWith('.'))
          .map((specifier) => relative(studio, join(dirname(file), specifier)))
          .filter((path) => {
            const [to, folder] = path.split('/') as [string, string];
            const own = relative(studio, file).split('/')[1];
            if (layer !== 'screens' || to !== 'screens') return to !== layer && !may.includes(to);
            return folder !== own && folder !== 'set' && !folder.endsWith('.css');
          })
          .map((path) => `${relative(studio, file)} imports ${path}`),
      ),
    );
    expect(astray).toEqual([]);
  });

  test('one kind knows no other; what they share knows none of them', () => {
    const place = join(engine, 'kinds');
    const folders = readdirSync(place, { withFileTypes: true }).filter((entry) => entry.isDirectory());
    const shared = ['contract', 'editing'];
    // A kind made of others knows them; they know nothing of it.
    const madeOf: Readonly<Record<string, readonly string[]>> = { 'date-time': ['date', 'time'] };
    const mayKnow = (name: string): readonly string[] =>
      name === 'contract' ? [] : name === 'editing' ? ['contract'] : [...shared, ...(madeOf[name] ?? [])];
    const astray = folders.flatMap(({ name }) =>
      sources(join(place, name)).flatMap((file) =>
        importsOf(file)
          .filter((specifier) => specifier.startsWith('.'))
          .map((specifier) => relative(place, join(dirname(file), specifier)))
          .filter((path) => !path.startsWith('../') && path.split('/')[0] !== name)
          .filter((path) => !mayKnow(name).includes(path.split('/')[0]!))
          .map((path) => `${relative(place, file)} knows ${path}`),
      ),
    );
    expect(astray).toEqual([]);
  });

  test('nobody but the kinds’ own folders asks which kind it is', () => {
    const name = `'(?:${Object.keys(kinds).join('|')})'`;
    // Nodes of the notation, cells and options have types of their own, some of them called like a kind.
    const asked = [
      `\\bkind\\s*[!=]==?\\s*${name}`,
      `${name}\\s*[!=]==?\\s*[\\w.]*\\bkind\\b`,
      'switch \\([\\w.]*\\bkind\\)',
      // In a list of names, or by a list.
      `\\[(?:\\s*'[\\w-]+',)*\\s*${name},\\s*${name}`,
      '\\.(?:includes|has|indexOf)\\([\\w.]*\\bkind\\)',
    ].map((form) => new RegExp(form));
    const astray = Object.keys(rooms)
      .flatMap((room) => sources(placeOf(room)))
      .map((file) => relative(root, file))
      .filter(
        (file) =>
          !/^(packages\/engine\/src\/kinds|apps\/studio\/field|apps\/studio\/model\/notation)\b/.test(file),
      )
      .filter((file) => asked.some((form) => form.test(readFileSync(join(root, file), 'utf8'))));
    expect(astray).toEqual([]);
  });

  test('what ships to browsers carries nothing that writes definitions, and no locale service', () => {
    const ships = new Set<string>();
    const follow = (file: string): void => {
      if (ships.has(file)) return;
      ships.add(file);
      const text = readFileSync(file, 'utf8').replace(/^import type [\s\S]*?;$/gm, '');
      for (const [, specifier] of text.matchAll(/(?:from|import)\s*'(\.[^']+)'/g))
        follow(join(dirname(file), specifier!));
    };
    for (const file of sources(engine))
      if (/\/(field|form)\/|\/kinds\/[a-z-]+\/run\.ts$/.test(file)) follow(file);
    expect(ships.size).toBeGreaterThan(30);
    const names = [...ships].map((file) => relative(engine, file));
    expect(
      names.filter((name) =>
        // Of the errors, those of a call that cannot work.
        /^(document|faults\/(?!say\.|usage\.)|options|plans|tape|prove)\/|define\.ts$|notation\.ts$|expression\.ts$/.test(
          name,
        ),
      ),
    ).toEqual([]);
    const speaking = [...ships].filter((file) =>
      /\bIntl\.|\btoLocale/.test(readFileSync(file, 'utf8').replace(/\/\*[\s\S]*?\*\//g, '')),
    );
    expect(speaking).toEqual([]);
  });

  test('the engine sees no DOM, no Node and has no dependency', () => {
    const config = JSON.parse(readFileSync(join(engine, '..', 'tsconfig.json'), 'utf8'));
    expect(config.compilerOptions.lib).toEqual(['ES2023']);
    const base = JSON.parse(readFileSync(join(root, 'tsconfig.base.json'), 'utf8'));
    expect(config.compilerOptions.types ?? base.compilerOptions.types).toEqual([]);
    const manifest = JSON.parse(readFileSync(join(engine, '..', 'package.json'), 'utf8'));
    expect(manifest.dependencies ?? {}).toEqual({});
  });
});

test('pages ask the server about a set by its key, and their links carry it: an id may belong to another set by then', () => {
  const sources = readdirSync(placeOf('studio'), { recursive: true, encoding: 'utf8' }).filter(
    (path) => /\.tsx?$/.test(path) && !/node_modules|\.next|\.test\.|read-set|named-address/.test(path),
  );
  const addresses = sources.flatMap((path) =>
    [...readFileSync(join(placeOf('studio'), path), 'utf8').matchAll(/\/sets\/\$\{([^}]+)\}/g)].map(
      ([, expression]) => `${path}: ${expression}`,
    ),
  );
  expect(addresses.length).toBeGreaterThan(30);
  expect(addresses.filter((address) => !/key\)?$/i.test(address))).toEqual([]);
});

test('no test has a limit of time of its own, or looks at a clock: it fails for what the code does, never for when', () => {
  const own = [
    /^\s*\}, [\d_]{4,}\);/m,
    /setTimeout\([\d_]{4,}\)/,
    /toBeLessThan\([^)]*(?:now|elapsed|ms)/i,
    /expect\((?:performance|Date)\.now/,
    /\bretr(?:y|ies)\b *[:=(] *[1-9]/,
  ];
  const tests = ['packages', 'apps', 'e2e']
    .flatMap((room) =>
      readdirSync(join(root, room), { recursive: true, encoding: 'utf8' }).map((path) =>
        join(root, room, path),
      ),
    )
    .filter((path) => /\.(?:test|spec)\.tsx?$/.test(path) && !/node_modules|\.next|dist/.test(path));
  expect(tests.length).toBeGreaterThan(100);
  const found = tests.flatMap((path) => {
    const text = readFileSync(path, 'utf8');
    // Of a browser test; elsewhere it may be an option of what is tested.
    const here = path.includes('/e2e/') ? [...own, /\btimeout: [\d_]+/] : own;
    return here.flatMap((one) => (one.test(text) ? [`${relative(root, path)}: ${one.exec(text)?.[0]}`] : []));
  });
  expect(found).toEqual([]);
});

test('random tests draw by one seed: those in a world of their own name it, all others get it', () => {
  const config = readFileSync(join(root, 'vitest.config.ts'), 'utf8');
  expect(config).toMatch(/name: 'shared',\s+setupFiles: \[source\('scripts\/seed\.ts'\)\]/);
  const random = ['packages', 'apps'].flatMap((room) =>
    readdirSync(join(root, room), { recursive: true, encoding: 'utf8' })
      .filter((path) => /\.test\.tsx?$/.test(path) && !/node_modules|\.next|dist/.test(path))
      .map((path) => join(root, room, path))
      .filter((path) => readFileSync(path, 'utf8').includes("from 'fast-check'")),
  );
  expect(random.length).toBeGreaterThan(20);
  const isApart =
    /\/(?:packages\/(?:dom|sandbox|react|native|vue|svelte|element)|apps\/studio\/(?:store|services|workers))\//;
  const without = random
    .filter((path) => isApart.test(path))
    .filter((path) => !/scripts\/seed\.ts|ARBEIT_SEED/.test(readFileSync(path, 'utf8')));
  expect(without.map((path) => relative(root, path))).toEqual([]);
});
