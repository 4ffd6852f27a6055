import { spawnSync } from 'node:child_process';
import { existsSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { install } from './install.mjs';
import { packages, root } from './packages.mjs';

// Writes docs/api from the doc comments of everything public. A public name that says nothing of itself, or a
// link to nothing, fails, and so does an export that nobody
// uses, an example that does not type-check, and a function without one.
install();
const folder = join(root, 'scripts', 'api');
if (!existsSync(join(folder, 'node_modules', 'typedoc'))) {
  const { status } = spawnSync('npm', ['ci', '--no-audit', '--no-fund'], { cwd: folder, stdio: 'inherit' });
  if (status !== 0) process.exit(1);
}

const rooms = (of) =>
  readdirSync(join(root, of), { withFileTypes: true })
    .filter((entry) => entry.isDirectory() && existsSync(join(root, of, entry.name, 'index.ts')))
    .map((entry) => `${of}/${entry.name}/index.ts`);

/** Every module a package exports by name. */
const entryPoints = [
  ...rooms('packages/engine/src'),
  ...rooms('packages/engine/src/kinds'),
  'packages/engine/src/checks/runs.ts',
  'packages/engine/src/checks/words.ts',
  'packages/engine/src/kinds/value-types.ts',
  'packages/engine/src/prove/without-laws.ts',
  ...['dom', 'react', 'native', 'element', 'vue', 'svelte', 'handoff', 'cli'].map(
    (room) => `packages/${room}/src/index.ts`,
  ),
];

rmSync(join(root, 'docs', 'api'), { recursive: true, force: true });
// The older compiler it reads with knows all of what the sources use; only their types are looked at.
const tsconfig = join(folder, 'tsconfig.json');
const paths = Object.fromEntries(
  [
    ['@arbeit/engine/checks', 'packages/engine/src/checks/runs.ts'],
    ['@arbeit/engine/check-words', 'packages/engine/src/checks/words.ts'],
    ['@arbeit/engine/value-types', 'packages/engine/src/kinds/value-types.ts'],
    ['@arbeit/engine/proof', 'packages/engine/src/prove/without-laws.ts'],
    ['@arbeit/engine/runs', 'packages/engine/src/kinds/runs.ts'],
    ['@arbeit/engine/runs/*', 'packages/engine/src/kinds/*/run.ts'],
    ['@arbeit/engine/*', 'packages/engine/src/*/index.ts'],
    ...['engine', 'dom', 'react', 'native', 'element', 'vue', 'svelte', 'handoff'].map((room) => [
      `@arbeit/${room}`,
      `packages/${room}/src/index.ts`,
    ]),
  ].map(([name, to]) => [name, [`../../${to}`]]),
);
const compilerOptions = { lib: ['ES2023', 'DOM', 'DOM.Iterable'], types: ['node'], jsx: 'react-jsx', paths };
const files = entryPoints.map((path) => `../../${path}`);
writeFileSync(tsconfig, JSON.stringify({ extends: '../../tsconfig.base.json', compilerOptions, files }));

const options = {
  entryPoints: files,
  basePath: root,
  out: '../../docs/api',
  name: 'Arbeit',
  readme: 'none',
  githubPages: false,
  disableGit: true,
  sourceLinkTemplate: '{path}#{line}',
  excludePrivate: true,
  excludeInternal: true,
  validation: { notExported: false, invalidLink: true, notDocumented: true },
  requiredToBeDocumented: ['Function', 'Interface', 'TypeAlias', 'Variable', 'Class'],
  packagesRequiringDocumentation: packages.map((name) => `@arbeit/${name}`),
  logLevel: 'Warn',
};
const optionsFile = join(folder, 'typedoc.json');
writeFileSync(optionsFile, JSON.stringify(options));
const typedoc = spawnSync('node_modules/.bin/typedoc', ['--options', optionsFile, '--tsconfig', tsconfig], {
  cwd: folder,
  encoding: 'utf8',
  stdio: ['ignore', 'pipe', 'pipe'],
});
// Members of types that have no name of their own are told of where they are described: in the options of
// each kind.
const told = `${typedoc.stdout}${typedoc.stderr}`
  .split('\n')
  .filter(
    (line) =>
      /\[(?:warning|error)\]/.test(line) && !line.includes('.__type.') && !/Found \d+ errors/.test(line),
  );
for (const line of told) process.stderr.write(`${line}\n`);
if (told.length > 0 || !existsSync(join(root, 'docs', 'api', 'index.html'))) process.exit(1);
process.stdout.write('docs/api/index.html\n');
for (const check of ['unused-exports.mjs', 'examples.mjs']) {
  const { status } = spawnSync('node', [check], { cwd: folder, stdio: 'inherit' });
  if (status !== 0) process.exit(1);
}
