import { execFileSync, spawnSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { checkPackage, createPackageFromTarballData } from '@arethetypeswrong/core';
import { build, transform } from 'esbuild';
import { publint } from 'publint';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { buildPackages, folderOf, packages } from './packages.mjs';

/**
 * The packages as a stranger gets them: packed, their exports and types looked over, installed in an empty
 * folder and used there. React and its types come from npm, as they would.
 */
const root = fileURLToPath(new URL('..', import.meta.url));
const folder = mkdtempSync(join(tmpdir(), 'arbeit-packages-'));
const project = join(folder, 'project');
const tarballs = new Map<string, { path: string; files: readonly string[] }>();

const at = (...path: string[]): string => join(project, ...path);
const run = (command: string, args: readonly string[], cwd = project): string =>
  execFileSync(command, args, { cwd, encoding: 'utf8', stdio: ['ignore', 'pipe', 'pipe'] });

beforeAll(() => {
  expect(buildPackages()).toBe(true);
  for (const name of packages) {
    const told = run('npm', ['pack', '--json', '--pack-destination', folder], folderOf(name));
    const [packed] = Object.values(
      JSON.parse(told) as Record<string, { filename: string; files: { path: string }[] }>,
    );
    tarballs.set(name, {
      path: join(folder, packed!.filename),
      files: packed!.files.map(({ path }) => path),
    });
  }
  mkdirSync(project);
  writeFileSync(at('package.json'), JSON.stringify({ name: 'huts', private: true, type: 'module' }));
  const { devDependencies, dependencies } = JSON.parse(
    readFileSync(join(root, 'apps/studio/package.json'), 'utf8'),
  );
  const others = [`react@${dependencies.react}`, `@types/react@${devDependencies['@types/react']}`];
  run('npm', [
    'install', '--prefer-offline', '--no-audit', '--no-fund', '--ignore-scripts',
    ...[...tarballs.values()].map(({ path }) => path), ...others,
  ]); // biome-ignore format: a command
  const document = join(root, 'apps/studio/demo/ridge-huts.arbeit.json');
  run(at('node_modules/.bin/arbeit'), ['compile', document, '--out', 'huts']);
});
afterAll(() => rmSync(folder, { recursive: true, force: true }));

/** What the compiler says of files of the project; `wrong` is written first, with a mistake. */
function typeErrors(
  moduleResolution: 'nodenext' | 'bundler',
  files: readonly string[],
  wrong?: string,
): string {
  if (wrong) writeFileSync(at(wrong), "export const wrong: number = 'text';\n");
  const compilerOptions = {
    strict: true,
    exactOptionalPropertyTypes: true,
    noEmit: true,
    target: 'ES2023',
    // The last one for the types of the sandbox's interpreter.
    lib: ['ES2023', 'DOM', 'DOM.Iterable', 'ESNext.Disposable'],
    jsx: 'react-jsx',
    module: moduleResolution === 'bundler' ? 'esnext' : 'nodenext',
    moduleResolution,
    types: ['react'],
  };
  writeFileSync(at('tsconfig.json'), JSON.stringify({ compilerOptions, files }));
  const { stdout, status } = spawnSync(join(root, 'node_modules/.bin/tsc'), ['-p', '.'], {
    cwd: project,
    encoding: 'utf8',
  });
  return status === 0 ? '' : stdout || 'The compiler did not run.';
}

describe.each(packages)('@arbeit/%s', (name) => {
  test('holds what is built, and neither sources nor tests', () => {
    const { files } = tarballs.get(name)!;
    expect(files).toContain('dist/index.js');
    for (const file of ['dist/index.d.ts', 'README.md', 'LICENSE']) expect(files).toContain(file);
    expect(
      files.filter(
        (path) =>
          !/^dist\/.*\.(?:js|d\.ts)$|^(?:package\.json|README\.md|LICENSE)$|\.schema\.json$/.test(path),
      ),
    ).toEqual([]);
    expect(files.filter((path) => path.includes('.test.'))).toEqual([]);
  });

  test('publint finds nothing', async () => {
    const { messages } = await publint({ pkgDir: folderOf(name), strict: true });
    expect(messages).toEqual([]);
  });

  test('its types are right for whoever imports it as a module', async () => {
    const data = readFileSync(tarballs.get(name)!.path);
    const result = await checkPackage(createPackageFromTarballData(data));
    expect(result.types).toMatchObject({ kind: 'included' });
    // Modules only (ESM): what older ways of resolving make of it is nobody's business here.
    const problems = 'problems' in result ? result.problems : [];
    expect(
      problems.filter(
        (problem) =>
          problem.kind !== 'CJSResolvesToESM' &&
          !('resolutionKind' in problem && /node10|node16-cjs/.test(problem.resolutionKind)),
      ),
    ).toEqual([]);
  });
});

/** The code blocks of a package's README in one language, as they stand there. */
const codeIn = (name: string, language: string): readonly string[] =>
  [
    ...readFileSync(join(folderOf(name), 'README.md'), 'utf8').matchAll(/^```(\w+)\n([\s\S]*?)^```$/gm),
  ].flatMap(([, found, code = '']) => (found === language ? [code] : []));

test('the examples of each README type-check in a project that has the packages', () => {
  const files = packages.flatMap((name) =>
    ['ts', 'tsx'].flatMap((language) =>
      codeIn(name, language).map((code, i) => {
        const file = `readme-${name}-${i}.${language}`;
        writeFileSync(at(file), code);
        return file;
      }),
    ),
  );
  expect(files).toHaveLength(packages.length - 1);
  expect(typeErrors('bundler', files)).toBe('');
  expect(typeErrors('bundler', ['readme-engine-0.ts', 'huts/fields.d.ts', 'wrong.ts'], 'wrong.ts')).toContain(
    'wrong.ts(1,',
  );
});

test('the examples that need no page run, and print what they say', async () => {
  const printed = async (name: string): Promise<string> => {
    const [code = ''] = codeIn(name, 'ts');
    const file = at(`readme-${name}.js`);
    writeFileSync(file, (await transform(code, { loader: 'ts' })).code);
    return run(process.execPath, [file]).trim();
  };
  expect(await printed('engine')).toBe('RH-1234 1234 1234');
  expect(await printed('sandbox')).toBe("{ text: 'RH-1234' }");
  expect(await printed('svelte')).toContain('120');
  expect(await printed('handoff')).toContain('export const pass = ');
});

test('the commands in the README of the command line run', () => {
  const [commands = ''] = codeIn('cli', 'sh');
  writeFileSync(at('huts.arbeit.json'), readFileSync(join(root, 'apps/studio/demo/ridge-huts.arbeit.json')));
  writeFileSync(at('booking.html'), '<form><label>Guest <input name="guest" required></label></form>');
  const lines = commands.trim().split('\n');
  expect(lines.length).toBeGreaterThan(2);
  for (const line of lines) {
    const [, ...args] = line.split(' ');
    expect([line, spawnSync(at('node_modules/.bin/arbeit'), args, { cwd: project }).status]).toEqual([
      line,
      0,
    ]);
  }
});

test('used from plain Node: a document compiled and typed into, a field compiled ahead, a form', () => {
  writeFileSync(
    at('use.js'),
    `import { compileField } from '@arbeit/engine/document';
import { apply, evaluate, keysOf, start } from '@arbeit/engine/field';
import { kinds } from '@arbeit/engine/kinds';
import { createFormStore, createStore, evaluateOn } from '@arbeit/dom';
import { bookingForm, deposit, meals } from './huts/fields.js';

const phone = compileField({ id: 'phone', kind: 'pattern', label: 'Telephone', entry: { pattern: '(<3 digit>) <3 digit>-<4 digit>' } }, { locale: 'en-GB' }, kinds);
const typed = keysOf('5550123456').reduce((state, key) => apply(phone, state, key), start(phone));
const store = createStore(deposit, evaluateOn('2027-02-10'));
for (const key of keysOf('1234.5')) store.dispatch(key);
store.dispatch({ type: 'leave' });
const form = createFormStore(bookingForm, '2027-02-10');
form.dispatch({ type: 'submit' });
console.log(JSON.stringify([
  typed.body.display, evaluate(phone, typed).value, store.evaluation().display, store.evaluation().shown[0]?.message,
  start(meals).body.display, form.isReady(),
]));
`,
  );
  expect(JSON.parse(run(process.execPath, ['use.js']))).toEqual([
    '(555) 012-3456',
    '5550123456',
    '£1,234.50',
    'Enter £500.00 or less.',
    'No meals',
    false,
  ]);
});

test('the command line, installed: a tape plays, and a fault has its place', () => {
  const demo = join(root, 'apps/studio/demo');
  const tape = at('mend.tape');
  const { trials } = JSON.parse(readFileSync(join(demo, 'ridge-huts.arbeit.json'), 'utf8'));
  writeFileSync(tape, trials.find(({ id }: { id: string }) => id === 'mend-the-middle').tape);
  const arbeit = at('node_modules/.bin/arbeit');
  expect(run(arbeit, ['play', join(demo, 'ridge-huts.arbeit.json'), tape])).toBe(
    '9 expectations passed, 0 failed\n',
  );
  writeFileSync(at('broken.arbeit.json'), '{ "arbeit": 2,\n  "title": 7 }');
  const { status, stderr } = spawnSync(arbeit, ['play', 'broken.arbeit.json', tape], {
    cwd: project,
    encoding: 'utf8',
  });
  expect([status, stderr.split(': ')[0]]).toEqual([2, 'broken.arbeit.json:1:1']);
  expect(stderr).toContain('broken.arbeit.json:2:12');
});

test('used from TypeScript: plans and bodies are known by their kind, and a wrong one is refused', () => {
  writeFileSync(
    at('use.tsx'),
    `import { createStore, evaluateOn } from '@arbeit/dom';
import { apply, start, type FieldState } from '@arbeit/engine/field';
import { phone } from '@arbeit/engine/runs/phone';
import { hydrate } from '@arbeit/engine/field';
import { Picks, useField } from '@arbeit/react';
import { arrival, deposit, meals } from './huts/fields.js';

import type { SetDocument } from '@arbeit/engine/document';
import type { Validator } from '@arbeit/engine/rules';

declare module '@arbeit/engine/document' {
  interface Entries {
    tally: { readonly most?: number };
  }
  interface CheckDocuments {
    begins: { readonly type: 'begins'; readonly text: string };
  }
}
declare module '@arbeit/engine/rules' {
  interface CompiledChecks {
    begins: { readonly type: 'begins'; readonly text: string };
  }
}
export const begins: Validator<'begins'> = ({ kind, plan }, body, { text }) => ({
  verdict: kind.raw(plan, body).startsWith(text) ? 'pass' : 'fail',
  code: 'begins-otherwise',
  data: {},
});
export const set: SetDocument = {
  arbeit: 2,
  title: 'Huts',
  locale: 'en-GB',
  fields: [
    { id: 'guests', kind: 'tally', label: 'Guests', entry: { most: 7 } },
    {
      id: 'pass',
      kind: 'text',
      label: 'Pass',
      entry: {},
      rules: [{ id: 'begins', check: { type: 'begins', text: 'RH' } }],
    },
    // @ts-expect-error an option the kind does not have
    { id: 'more', kind: 'tally', label: 'More', entry: { least: 7 } },
  ],
};
export const minus: string = deposit.plan.minus;
export const year: number = arrival.plan.year;
export const state: FieldState = apply(meals, start(meals), { type: 'set', text: 'half' });
export const store = createStore(deposit, evaluateOn());
export function Meals() {
  return <Picks field={useField(meals)} />;
}
// @ts-expect-error a date has no minus
export const wrong: string = arrival.plan.minus;
// @ts-expect-error a body of another kind
apply(arrival, start(deposit), { type: 'cut' });
// @ts-expect-error another kind than the field's
hydrate(arrival, { phone });
`,
  );
  for (const moduleResolution of ['nodenext', 'bundler'] as const)
    expect([moduleResolution, typeErrors(moduleResolution, ['use.tsx'])]).toEqual([moduleResolution, '']);
});

test('a page with one compiled field carries its kind and neither another nor what compiles', async () => {
  const carried = async (contents: string): Promise<readonly string[]> => {
    const { metafile } = await build({
      stdin: { contents, resolveDir: project },
      bundle: true,
      minify: true,
      write: false,
      metafile: true,
      format: 'esm',
      external: ['react', 'react/*'],
    });
    const [output] = Object.values(metafile.outputs);
    return Object.entries(output!.inputs).flatMap(([path, { bytesInOutput }]) =>
      bytesInOutput > 0 ? [path.replace(/^.*@arbeit\//, '')] : [],
    );
  };
  const files = await carried(
    `import { useField } from '@arbeit/react'; import { arrival } from './huts/fields.js'; console.log(useField, arrival);`,
  );
  expect(files).toContain('engine/dist/kinds/date/run.js');
  // Its rules are a range and that it is filled in: no other check is carried.
  expect(files.filter((path) => /checks\/[\w-]+\/run|automaton|checksum/.test(path))).toEqual([]);
  expect(
    files.filter((path) => /\/document\/|define|options|\/plans\/|sample|wording|english|german/.test(path)),
  ).toEqual([]);
  const kinds = files.filter((path) => /kinds\/[\w-]+\/run\.js$/.test(path));
  expect(kinds).toEqual(['engine/dist/kinds/date/run.js']);
});
