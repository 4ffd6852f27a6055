import { spawn, spawnSync } from 'node:child_process';
import { existsSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { install } from './install.mjs';
import { packages, root } from './packages.mjs';

// Writes docs/api from the doc comments of everything public. A public name that says nothing of itself, or a
// link to nothing, fails, and so does an export that nobody
// uses, an example that does not type-check, and a function without one.
// With `--check` it writes nothing.
const { values } = parseArgs({ options: { check: { type: 'boolean', default: false } } });
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

if (!values.check) rmSync(join(root, 'docs', 'api'), { recursive: true, force: true });
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
/** Runs a program beside this one. Returns how it ended and what it said. */
const run = (command, args) =>
  new Promise((resolve) => {
    const child = spawn(command, args, { cwd: folder, stdio: ['ignore', 'pipe', 'pipe'] });
    let said = '';
    for (const stream of [child.stdout, child.stderr])
      stream.setEncoding('utf8').on('data', (piece) => {
        said += piece;
      });
    child.on('close', (status) => resolve({ status, said }));
  });
const typedoc = () =>
  run('node_modules/.bin/typedoc', [
    ...['--options', optionsFile, '--tsconfig', tsconfig],
    ...(values.check ? ['--emit', 'none'] : []),
  ]);
const [pages, ...checks] = await Promise.all([
  typedoc(),
  ...['unused-exports.mjs', 'examples.mjs'].map((check) => run('node', [check])),
]);
// Members of types that have no name of their own are told of where they are described: in the options of
// each kind.
const faults = pages.said
  .split('\n')
  .filter(
    (line) =>
      /\[(?:warning|error)\]/.test(line) && !line.includes('.__type.') && !/Found \d+ errors/.test(line),
  );
for (const line of faults) process.stderr.write(`${line}\n`);
for (const { said } of checks) process.stdout.write(said);
const isWritten = values.check ? pages.status === 0 : existsSync(join(root, 'docs', 'api', 'index.html'));
if (isWritten && !values.check) process.stdout.write('docs/api/index.html\n');
process.exit(faults.length === 0 && isWritten && checks.every(({ status }) => status === 0) ? 0 : 1);
