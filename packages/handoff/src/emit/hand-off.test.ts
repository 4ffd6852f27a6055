import { execFileSync, spawnSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join, posix } from 'node:path';
import { fileURLToPath } from 'node:url';
import type { SetDocument } from '@arbeit/engine/document';
import { kinds } from '@arbeit/engine/kinds';
import { trialTape } from '@arbeit/engine/tape';
import { build } from 'esbuild';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { buildPackages } from '../../../../scripts/packages.mjs';
import { documentText, readDocumentText } from '../document-text.ts';
import { type HandedFiles, handOff } from './hand-off.ts';
import { recordSchema } from './record-schema.ts';
import { snippets } from './snippets.ts';
import { sourcesFrom } from './sources.ts';

const root = fileURLToPath(new URL('../../../..', import.meta.url));
const demo = join(root, 'apps/studio/demo');
const text = readFileSync(join(demo, 'ridge-huts.arbeit.json'), 'utf8');
const set = JSON.parse(text) as SetDocument;
const trials = set.trials!;
const folder = mkdtempSync(join(tmpdir(), 'arbeit-hand-off-'));
let files: HandedFiles;

const write = (to: string, all: HandedFiles): void => {
  for (const [path, content] of all) {
    mkdirSync(dirname(join(to, path)), { recursive: true });
    writeFileSync(join(to, path), content);
  }
};
const of = (fields: readonly object[], forms: readonly object[] = [], title = 'Huts') =>
  ({ arbeit: 2, title, locale: 'en-GB', fields, forms }) as unknown as SetDocument;
const run = (code: string): string => {
  writeFileSync(join(folder, 'run.mjs'), code);
  return execFileSync(process.execPath, ['run.mjs'], { cwd: folder, encoding: 'utf8' });
};

beforeAll(async () => {
  expect(buildPackages()).toBe(true);
  files = await handOff({ set, sources: sourcesFrom(root) });
  write(folder, files);
});
afterAll(() => rmSync(folder, { recursive: true, force: true }));

describe('the folder', () => {
  test('is the same, byte for byte, for the same document', async () => {
    const again = await handOff({
      set: structuredClone(set),
      sources: sourcesFrom(join(root, 'apps/studio')),
    });
    expect([...again]).toEqual([...files]);
  });

  test.each([
    ['pattern', { pattern: '<2 latin upper>-<4 digit>' }],
    ['currency', { currency: 'GBP' }],
    ['date', {}],
    ['time', {}],
    ['one-time-code', {}],
  ])('has no branch that is never taken, for a field of kind %s', async (kind, entry) => {
    const alone = of([{ id: 'f', label: 'F', kind, entry }]);
    const made = await handOff({ set: alone, sources: sourcesFrom(root), uses: ['dom'] });
    const dead = /\bif \((?:true|false)\)|\b(?:true|false) (?:&&|\|\||\?)|(?:&&|\|\|) (?:true|false)\b/;
    for (const [path, content] of made)
      if (path.startsWith('run-time/'))
        expect(content.split('\n').filter((line) => dead.test(line))).toEqual([]);
  });

  test('keeps fields that share a value the same, on the page and on its server', async () => {
    const walks = of(
      [
        { id: 'walk', kind: 'duration', label: 'Walk', entry: {} },
        {
          id: 'minutes',
          kind: 'duration',
          label: 'In minutes',
          entry: { units: ['min'] },
          sameValueAs: 'walk',
        },
      ],
      [{ id: 'day', title: 'Day', fields: ['walk', 'minutes'] }],
    );
    const to = join(folder, 'shared');
    write(to, await handOff({ set: walks, sources: sourcesFrom(root), uses: ['dom', 'server'] }));
    writeFileSync(
      join(folder, 'shared/run.mjs'),
      `import { createFormStore } from './dom.js';
import { dayForm } from './fields.js';
import { checkDay } from './server.js';
const store = createFormStore(dayForm, '2027-02-10');
store.field('minutes').dispatch({ type: 'paste', text: '95' });
console.log(store.field('walk').state().body.display);
console.log(JSON.stringify(await checkDay({ walk: '95', minutes: '' }, { today: '2027-02-10' })));
console.log(JSON.stringify(await checkDay({ walk: '95', minutes: '20' }, { today: '2027-02-10' })));`,
    );
    const said = execFileSync(process.execPath, ['run.mjs'], { cwd: to, encoding: 'utf8' }).split('\n');
    expect(said[0]).toMatch(/^1.h 35.min$|^95.min$/);
    expect(JSON.parse(said[1]!)).toMatchObject({ record: { values: { walk: '95', minutes: '95' } } });
    expect(JSON.parse(said[2]!)).toMatchObject({ findings: [{ field: 'minutes', code: 'differs' }] });
    const three = of(
      [...walks.fields, { ...walks.fields[1]!, id: 'again', label: 'Again' }],
      [{ id: 'part', title: 'Part', fields: ['minutes', 'again'] }],
    );
    // A form without the field that has the value: its schema can be imported all the same.
    const { schema, unsaid } = recordSchema(three, three.forms![0]!, kinds);
    expect(readDocumentText(JSON.stringify(schema['x-arbeit']))).toMatchObject({ ok: true });
    expect(unsaid).toContain('Again: the same value as “In minutes”');
    expect(recordSchema(walks, walks.forms![0]!, kinds).unsaid).toContain(
      'In minutes: the same value as “Walk”',
    );
  });

  test('needs nothing but itself and the frameworks it is for, and tells nothing of this machine', () => {
    const outside = new Set<string>();
    for (const [path, content] of files) {
      expect(content).not.toContain(root);
      if (!/\.(?:js|d\.ts)$/.test(path) || path.startsWith('apps/')) continue;
      for (const [, name = ''] of content.matchAll(/(?:\bfrom |^import |\bimport\()['"]([^'"]+)['"]/gm)) {
        if (!name.startsWith('.')) outside.add(name);
        else {
          const to = new URL(name, `file:///${path}`).pathname.slice(1);
          const place = path.endsWith('.d.ts') ? to.replace(/\.js$/, '.d.ts') : to;
          expect(files.has(place), `${path} imports ${name}`).toBe(true);
        }
      }
    }
    expect([...outside].sort()).toEqual([
      'node:assert/strict',
      'node:fs',
      'node:test',
      'react',
      'react/jsx-runtime',
      'svelte/attachments',
      'svelte/reactivity',
      'vitest',
      'vue',
    ]);
  });

  test('its applications import what they have, what is copied to them, and packages they name', () => {
    const names = [...files.keys()].filter((path) => /^apps\/\w+\/package\.json$/.test(path));
    expect(names.map((path) => path.split('/')[1])).toEqual([
      'angular',
      'native',
      'next',
      'page',
      'react',
      'svelte',
      'vue',
    ]);
    for (const manifest of names) {
      const app = manifest.replace('package.json', '');
      const { dependencies = {}, devDependencies = {} } = JSON.parse(files.get(manifest)!);
      for (const [path, content] of files) {
        if (!path.startsWith(app) || !/\.(?:[mc]?[jt]sx?|vue|svelte)$/.test(path)) continue;
        for (const [, name = ''] of content.matchAll(/^(?:import |} ).*?['"]([^'"\s]+)['"];$/gm)) {
          const own = name
            .split('/')
            .slice(0, name.startsWith('@') ? 2 : 1)
            .join('/');
          const to = new URL(name, `file:///${path}`).pathname.slice(1);
          const place = to.replace(/^apps\/\w+\/(?:src\/)?fields\//, '');
          const isThere = name.startsWith('.')
            ? ['', '.ts', '.tsx'].some((end) => files.has(place + end))
            : name.startsWith('node:') || own in dependencies || own in devDependencies;
          expect(isThere, `${path} imports ${name}`).toBe(true);
        }
      }
    }
  });

  test('names its elements as it is told: in code, types, pages, applications and the README', async () => {
    const own = await handOff({ set, prefix: 'huts', sources: sourcesFrom(root) });
    const told = [...own].filter(([path]) => !/^(?:types|run-time)\/|^element\.js$/.test(path));
    for (const [path, content] of told) expect(content, path).not.toMatch(/arbeit-(?:field|form)/);
    expect(own.get('elements.js')).toContain('{ tag: "huts-form"');
    expect(own.get('elements.d.ts')).toContain("'huts-field': FieldElement;");
    expect(own.get('html/booking.html')).toContain('<huts-form form="booking">');
    expect(own.get('apps/page/page.mjs')).toContain('<huts-field field="mobile">');
    for (const prefix of ['Huts', 'x-y', '9', ''])
      await expect(handOff({ set, prefix, sources: sourcesFrom(root) })).rejects.toThrow(
        'cannot begin the name of an element',
      );
  });

  test('carries the run-time of its own kinds, rules and uses alone', async () => {
    const small = await handOff({
      set: of([{ id: 'a', kind: 'pattern', label: 'A', entry: { pattern: '<2 digit>' } }]),
      uses: ['dom'],
      sources: sourcesFrom(root),
    });
    const code = [...small]
      .filter(([path]) => path.endsWith('.js'))
      .map(([, content]) => content)
      .join('\n');
    const modules = [...code.matchAll(/^\/\/ arbeit:(\S+)$/gm)].map(([, path]) => path!);
    expect(modules.filter((path) => /^engine\/kinds\/[\w-]+\/run\.js$/.test(path))).toEqual([
      'engine/kinds/pattern/run.js',
    ]);
    expect(
      modules.filter((path) =>
        /^(?:react|element|vue|svelte)\/|checks\/[\w-]+\/run|form\.js|document\/|define|plans\//.test(path),
      ),
    ).toEqual([]);
    expect([...small.keys()].filter((path) => !path.startsWith('types/') && !path.startsWith('run-time/'))).toEqual([
      'README.md', 'dom.d.ts', 'dom.js', 'fields.d.ts', 'fields.js', 'huts.arbeit.json', 'labels.d.ts', 'labels.js', 'package.json',
    ]); // biome-ignore format: a list
  });

  test('has the document in it, and from that the same folder comes out again', async () => {
    const read = readDocumentText(files.get('ridge-huts.arbeit.json')!);
    if (!read.ok) throw new RangeError(JSON.stringify(read.faults));
    expect(documentText(read.document)).toBe(files.get('ridge-huts.arbeit.json'));
    const again = await handOff({ set: read.document, sources: sourcesFrom(root) });
    expect([...again]).toEqual([...files]);
  });

  test('texts of a document stay texts: in code, in types, in the README', async () => {
    const evil = `*/ export const evil = 1; /*\n\u2028\`\`\`\n<script>alert(1)</script> \`\${evil}\``;
    const all = await handOff({
      set: of(
        [
          { id: 'a', kind: 'text', label: evil, hint: evil, entry: {} },
          {
            id: 'b',
            kind: 'choice',
            label: 'B',
            entry: {
              options: [
                { value: "x'`", label: evil },
                { value: 'y', label: 'Y' },
              ],
            },
          },
        ],
        [{ id: 'f', title: evil, fields: ['a', 'b'] }],
        evil,
      ),
      sources: sourcesFrom(root),
    });
    const place = mkdtempSync(join(tmpdir(), 'arbeit-evil-'));
    write(place, all);
    writeFileSync(
      join(place, 'run.mjs'),
      "import * as all from './fields.js'; console.log(Object.keys(all).join());",
    );
    expect(execFileSync(process.execPath, ['run.mjs'], { cwd: place, encoding: 'utf8' })).toBe('a,b,fForm\n');
    expect(all.get('README.md')).not.toContain('<script>alert');
    expect(all.get('fields.d.ts')!.match(/^export /gm)).toHaveLength(6);
    rmSync(place, { recursive: true });
  });

  test('the steps of making it are told, and the last is that it is done', async () => {
    const told: [string, number][] = [];
    await handOff({ set, sources: sourcesFrom(root), onProgress: (step, done) => told.push([step, done]) });
    expect(told.map(([step]) => step)).toEqual(['compiling', 'bundling', 'declaring', 'writing', 'done']);
    expect(told.map(([, done]) => done)).toEqual([...told.map(([, done]) => done)].sort((a, b) => a - b));
    expect(told.at(-1)).toEqual(['done', 1]);
  });
});

describe('its trials', () => {
  test('pass with node:test, and one that is broken fails', () => {
    const ran = (): { status: number | null; told: string } => {
      const { status, stdout } = spawnSync(process.execPath, ['--test', 'trials/trials.node.js'], {
        cwd: folder,
        encoding: 'utf8',
      });
      return { status, told: stdout };
    };
    expect(ran()).toMatchObject({ status: 0, told: expect.stringContaining(`# pass ${trials.length}`) });
    const path = join(folder, 'trials/key-box.tape');
    const before = readFileSync(path, 'utf8');
    writeFileSync(path, `${before}expect raw "9999"\n`);
    expect(ran()).toMatchObject({ status: 1, told: expect.stringMatching(/# fail 1[\s\S]*/) });
    writeFileSync(path, before);
  });

  test('pass with Vitest', () => {
    for (const name of ['vitest', 'vite', '@vitest'])
      try {
        mkdirSync(join(folder, 'node_modules'), { recursive: true });
        symlinkSync(join(root, 'node_modules', name), join(folder, 'node_modules', name));
      } catch {
        // It is there.
      }
    const { status, stdout, stderr } = spawnSync(
      join(root, 'node_modules/.bin/vitest'),
      ['run', '--root', '.', 'trials'],
      { cwd: folder, encoding: 'utf8' },
    );
    expect([status, stdout + stderr]).toEqual([
      0,
      expect.stringMatching(new RegExp(`${trials.length} passed`)),
    ]);
  });
});

describe('server.js', () => {
  const good = { mobile: '07700900123', hut: 'windgap', deposit: '100', arrival: '2027-02-14', dog: 'no' };
  test('checks without a page, and without a locale service', () => {
    const told = run(`
      delete globalThis.Intl; delete globalThis.navigator;
      const { checkBooking, standardBooking } = await import('./server.js');
      const today = '2027-02-10';
      const form = new FormData();
      for (const [name, value] of Object.entries(${JSON.stringify(good)})) form.append(name, value);
      form.append('extras', 'blanket'); form.append('extras', 'wood');
      const strange = [7, null, 'x', [], { mobile: 7 }, { __proto__: null, constructor: 'x' }, JSON.parse('{"__proto__":"1"}')];
      const answers = [];
      for (const one of strange) { const { ok, findings } = await checkBooking(one, { today }); answers.push([ok, findings.length > 0]); }
      console.log(JSON.stringify([
        await checkBooking(${JSON.stringify(good)}, { today }),
        (await checkBooking(form, { today })).record.values.extras,
        (await checkBooking({ ...${JSON.stringify(good)}, arrival: '2027-02-01' }, { today })).findings,
        answers,
        await standardBooking({ today: () => today })['~standard'].validate({ mobile: {} }),
      ]));`);
    const [checked, extras, findings, strange, standard] = JSON.parse(told);
    expect(checked).toMatchObject({
      ok: true,
      record: { values: { mobile: '+447700900123', deposit: '100.00', dog: 'no', party: null } },
    });
    expect(extras).toBe('blanket wood');
    expect(findings).toEqual([
      {
        field: 'arrival',
        code: 'below-min',
        message: expect.stringContaining('We take bookings from Wednesday, 10 February 2027'),
      },
    ]);
    expect(strange).toEqual(Array.from({ length: 7 }, () => [false, true]));
    expect(standard.issues[0]).toEqual({ message: 'This value cannot be used here.', path: ['mobile'] });
    expect(standard.issues.map(({ path }: { path: string[] }) => path.join())).toEqual([
      'mobile',
      'arrival',
      'hut',
      'deposit',
      'dog',
    ]);
  });
});

test('a bundler keeps the styles that a page imports for their effect alone', async () => {
  writeFileSync(join(folder, 'page.js'), "import './look.css';\nimport './elements.js';\n");
  const { outputFiles, warnings } = await build({
    entryPoints: [join(folder, 'page.js')],
    bundle: true,
    write: false,
    outdir: join(folder, 'out'),
    format: 'esm',
    logLevel: 'silent',
  });
  expect(warnings).toEqual([]);
  expect(outputFiles.find(({ path }) => path.endsWith('.css'))?.text).toContain('[data-arbeit=');
});

test('records where it runs, for whoever asks: every face hands it on, and the tape leads to the same', () => {
  for (const face of ['dom', 'element', 'react', 'vue', 'svelte'])
    expect(files.get(`${face}.js`), face).toMatch(/\brecord\b/);
  expect(files.get('README.md')).toContain('Nothing is recorded unless you ask for it');
  const told = run(`
    import { createStore, evaluateOn, record } from './dom.js';
    import * as fields from './fields.js';
    const store = createStore(fields.deposit, evaluateOn('2027-02-10'));
    const recording = record(store, '2027-02-10');
    store.dispatch({ type: 'focus' });
    for (const text of '501') store.dispatch({ type: 'key', text });
    store.dispatch({ type: 'leave' });
    console.log(recording.text());
  `);
  expect(told.trim()).toBe(
    'tape "Recorded in Deposit"\nfield deposit\ntoday 2027-02-10\nfocus\ntype "501"\nleave',
  );
});

test('the README’s snippet for a server is a handler and a server action that work', async () => {
  const { code } = snippets(set, ['server'])[0]!;
  expect(files.get('README.md')).toContain(code.trim());
  expect(code).toContain("timeZone: 'Europe/London'");
  writeFileSync(join(folder, 'handler.mjs'), code);
  const told = run(`
    const asked = [];
    // The routes that answer what the rules ask, as the page has them.
    globalThis.fetch = async (address, { body }) => {
      asked.push([address, JSON.parse(body)]);
      const { value } = JSON.parse(body);
      return Response.json(value === 'RH-9999-ZZ' ? { verdict: 'fail', code: 'unknown-pass' } : { verdict: 'pass' });
    };
    const { POST, schema, send } = await import('./handler.mjs');
    const post = (body) => POST(new Request('http://huts.example/bookings', { method: 'POST', body: JSON.stringify(body) }));
    const far = new Date(Date.now() + 30 * 86400000).toISOString().slice(0, 10);
    const good = { mobile: '07700900123', hut: 'windgap', deposit: '100', arrival: far, dog: 'no', 'hut-pass': 'RH-1234-AB' };
    // What a page of Next.js sends along, with and without scripts; a token, a button, a file.
    const form = new FormData();
    for (const [name, value] of Object.entries({ $ACTION_ID_60: '', $ACTION_REF_1: '', '$ACTION_1:0': '{}', $ACTION_KEY: 'k', csrf: 't', ...good, save: 'Send' })) form.append(name, value);
    form.append('photo', new File(['x'], 'x.png'));
    const [taken, refused, action] = [await post(good), await post({ ...good, hut: 'nowhere' }), await send(form)];
    console.log(JSON.stringify([taken.status, await taken.json(), refused.status, await refused.json(), action.ok, action.ignored, schema['~standard'].vendor, asked[0]?.[0]]));`);
  expect(JSON.parse(told)).toEqual([
    200, { findings: [] }, 422, { findings: [{ field: 'hut', code: 'not-allowed', message: 'This value cannot be used here.' }] }, true,
    ['$ACTION_ID_60', '$ACTION_REF_1', '$ACTION_1:0', '$ACTION_KEY', 'csrf', 'save', 'photo'], 'arbeit',
    expect.stringContaining('http://localhost:3000/'),
  ]); // biome-ignore format: an answer beside the other
});

test('whatever a declaration of the folder imports from it is there, however it is written', () => {
  const missing = [...files].flatMap(([path, text]) => {
    if (!path.endsWith('.d.ts') || path.startsWith('apps/')) return [];
    const named = [...text.matchAll(/(?:\bfrom |\bimport\()(['"])(\.[^'"]+)\1/g)].map(([, , to]) => to!);
    return named
      .map((to) => posix.join(posix.dirname(path), to).replace(/\.js$/, '.d.ts'))
      .filter((to) => !files.has(to))
      .map((to) => `${path}: ${to}`);
  });
  expect(missing).toEqual([]);
});

test('a record is sent as JSON spells it by the README’s snippet, and the server reads it', () => {
  const [, code] = /## Records in JSON[\s\S]*?```js\n([\s\S]*?)```/.exec(files.get('README.md')!)!;
  writeFileSync(join(folder, 'send.mjs'), code!);
  const told = run(`
    const sent = [];
    globalThis.fetch = async (address, { body }) => {
      sent.push(JSON.parse(body));
      return Response.json({ findings: [] });
    };
    const { send } = await import('./send.mjs');
    const { checkBooking } = await import('./server.js');
    const ask = async () => ({ verdict: 'pass' });
    const raw = { mobile: '07700900123', hut: 'windgap', deposit: '100.50', arrival: '2027-02-14', dog: 'yes', 'dog-name': 'Biscuit', extras: 'wood blanket', party: '4' };
    const checked = await checkBooking({ ...raw, deposit: '100' }, { today: '2027-02-10', ask });
    await send(checked.record);
    const again = await checkBooking(sent[0], { today: '2027-02-10', ask });
    console.log(JSON.stringify([sent[0], JSON.stringify(again.record?.values) === JSON.stringify(checked.record.values)]));`);
  expect(JSON.parse(told)).toEqual([
    expect.objectContaining({ hut: 'windgap', deposit: 100, dog: true, extras: ['blanket', 'wood'], party: 4, email: null }),
    true,
  ]); // biome-ignore format: the record in one line
});

test('its types are exact, and its Standard Schema is one to the specification’s own types', () => {
  writeFileSync(
    join(folder, 'use.tsx'),
    `import type { StandardSchemaV1 } from '@standard-schema/spec';
import { bindForm, createFormStore, createStore, evaluateOn } from './dom.js';
import { type BookingRecord, bookingForm, deposit, dog, hut, mobile } from './fields.js';
import { Picks, useField, useForm } from './react.js';
import { type BookingJson, jsonBooking } from './json.js';
import { checkBooking, standardBooking } from './server.js';
import './elements.js';
// Another hand-off in the same project declares the same elements.
import './other/elements.js';
import { useField as useVueField } from './vue.js';
import { field } from './svelte.js';

/** A consumer that knows the specification alone. */
export async function parse<S extends StandardSchemaV1>(schema: S, value: unknown): Promise<StandardSchemaV1.InferOutput<S>> {
  const result = await schema['~standard'].validate(value);
  if (result.issues) throw new Error(result.issues.map(({ message, path }) => \`\${path?.join('.')}: \${message}\`).join('; '));
  return result.value;
}
const record: BookingRecord = await parse(standardBooking({ today: () => '2027-02-10' }), {});
export const where: 'windgap' | 'two-tarns' | 'larch-shelf' = record.hut;
export const amount: \`\${number}\` = record.deposit;
export const name: string | undefined = record['dog-name'];
export const pass: string | null = record['hut-pass'];
const json: BookingJson = jsonBooking(record);
json.dog satisfies boolean;
json.extras satisfies readonly ('blanket' | 'packed-lunch' | 'wood')[];
json.deposit satisfies number;
json.party satisfies number | null;
json.hut satisfies 'windgap' | 'two-tarns' | 'larch-shelf';
json['dog-name'] satisfies string | undefined;
// @ts-expect-error a record in JSON is no record of texts
export const texts: BookingRecord = json;
const checked = await checkBooking({}, { today: '2027-02-10' });
if (checked.ok) checked.record.values.mobile satisfies \`+\${number}\`;
else for (const { field } of checked.findings) field satisfies keyof BookingRecord | '';
// @ts-expect-error the form has no such field
export const isRemark = !checked.ok && checked.findings[0]?.field === 'remark';
document.querySelector('arbeit-field')!.typed satisfies string | null;
document.querySelector('arbeit-form')!.store satisfies object;
document.addEventListener('arbeit-record', ({ detail }) => { detail.raw satisfies Readonly<Record<string, string>>; });
export const drawn = <arbeit-form form="booking"><arbeit-field field="mobile" ref={(one) => { one?.value satisfies string | undefined; }} /></arbeit-form>;
// @ts-expect-error a field element names its field
export const unnamed = <arbeit-field />;
export const store = createStore(mobile, evaluateOn());
store.evaluation().value satisfies \`+\${number}\` | null;
const form = createFormStore(bookingForm);
form.field('dog').evaluation().value satisfies 'yes' | 'no' | null;
bindForm(document.forms[0]!, form, { send: async ({ values }) => { values.hut satisfies 'windgap' | 'two-tarns' | 'larch-shelf'; return []; } });
useVueField(hut).value.value satisfies 'windgap' | 'two-tarns' | 'larch-shelf' | null;
field(dog).subscribe(({ value }) => { value satisfies 'yes' | 'no' | null; });
export function Hut() {
  const live = useField(hut);
  const { store: whole } = useForm(bookingForm);
  whole.field('deposit').evaluation().value satisfies \`\${number}\` | null;
  live.evaluation.value satisfies 'windgap' | 'two-tarns' | 'larch-shelf' | null;
  return <Picks field={live} />;
}
export const minus: string = deposit.plan.minus;
// @ts-expect-error there is no such hut
export const nowhere: 'somewhere' = record.hut;
// @ts-expect-error an amount is no phone number
export const wrong: \`+\${number}\` = record.deposit;
// @ts-expect-error the form has no such field
form.field('remark');
// @ts-expect-error the server has no clock of its own
checkBooking({}, {});
`,
  );
  write(join(folder, 'other'), files);
  const packages = ['@standard-schema', '@types', 'react', 'csstype', 'vue', '@vue', 'svelte'];
  mkdirSync(join(folder, 'node_modules'), { recursive: true });
  for (const name of packages)
    try {
      symlinkSync(join(root, 'node_modules', name), join(folder, 'node_modules', name));
    } catch {
      // It is there.
    }
  for (const moduleResolution of ['nodenext', 'bundler']) {
    const compilerOptions = {
      strict: true,
      exactOptionalPropertyTypes: true,
      noEmit: true,
      // What is handed off is looked at as well.
      skipLibCheck: false,
      target: 'ES2023',
      lib: ['ES2023', 'DOM', 'DOM.Iterable'],
      jsx: 'react-jsx',
      module: moduleResolution === 'bundler' ? 'esnext' : 'nodenext',
      moduleResolution,
      types: ['react'],
    };
    writeFileSync(join(folder, 'tsconfig.json'), JSON.stringify({ compilerOptions, files: ['use.tsx'] }));
    const { stdout, status } = spawnSync(join(root, 'node_modules/.bin/tsc'), ['-p', '.'], {
      cwd: folder,
      encoding: 'utf8',
    });
    expect([moduleResolution, stdout, status]).toEqual([moduleResolution, '', 0]);
  }
});

test('ids that are names in the code around them meet none of it: every module and every snippet builds', async () => {
  const names =
    'boxes picks define-fields define-forms all set tapes tape test expect deep-equal trial misses read-file-sync store field fields use-field ask-by-fetch drive drive-asks codes custom-by custom-code check schema today send bind create-store read-on open open-form constructor class await control label frame message one live record'.split(
      ' ',
    );
  const fields: object[] = names.map((id) => ({ id, kind: 'text', label: id, entry: {} }));
  fields[0] = { id: 'boxes', kind: 'pin', label: 'Boxes', entry: { length: 4 } };
  fields[1] = { id: 'picks', kind: 'yes-no', label: 'Picks', entry: {} };
  const own = { type: 'custom', code: 'export default ({ value }) => value !== "x";' };
  const asking = { type: 'remote', ask: '/ask' };
  fields[2] = {
    ...fields[2],
    rules: [
      { id: 'own', check: own },
      { id: 'ask', check: asking },
    ],
  };
  const forms = ['server', 'control', 'label', 'use', 'one', 'all', 'drive', 'check', 'react'].map((id) => ({
    id,
    title: id,
    fields: names,
  }));
  // An application is about the first form.
  for (const used of [forms, [forms[3]!, ...forms], []].map((all) => [...new Set(all)])) {
    const hard = of(fields, used);
    const all = await handOff({
      set: hard,
      // Pages without scripts have no code, and a proof for every field.
      uses: ['element', 'dom', 'react', 'vue', 'svelte', 'server', 'trials'],
      tapes: [{ name: 'a.tape', text: 'tape 1\nfield boxes\ntype "1"\n' }],
      sources: sourcesFrom(root),
    });
    const entries = new Map([...all].filter(([path]) => /^[^/]+\.js$|^trials\//.test(path)));
    const uses = ['dom', 'react', 'server'] as const;
    for (const { use, code, path = '' } of snippets(hard, uses))
      entries.set(`snippet-${use}-${path.replace(/\W/g, '-')}.tsx`, code);
    const place = mkdtempSync(join(tmpdir(), 'arbeit-names-'));
    write(place, new Map([...all, ...entries]));
    const { errors, warnings } = await build({
      entryPoints: [...entries.keys()]
        .filter((path) => /\.(?:js|tsx)$/.test(path))
        .map((path) => join(place, path)),
      bundle: true,
      write: false,
      outdir: place,
      format: 'esm',
      platform: 'node',
      packages: 'external',
      loader: { '.css': 'empty' },
      logLevel: 'silent',
      // An application has the fields in a folder of its own.
      plugins: [
        {
          name: 'fields',
          setup({ onResolve }) {
            onResolve({ filter: /^\.\.?\/(?:src\/)?fields\// }, ({ path }) => ({
              path: join(place, path.replace(/^.*?fields\//, '')),
            }));
            onResolve({ filter: /^\.\/(?:app\.css|actions)$/ }, ({ path }) => ({ path, external: true }));
          },
        },
      ],
    });
    expect([errors, warnings]).toEqual([[], []]);
    const told = execFileSync(
      process.execPath,
      ['-e', "import('./fields.js').then((all) => console.log(Object.keys(all).length))"],
      { cwd: place, encoding: 'utf8' },
    );
    expect(Number(told)).toBe(fields.length + used.length);
    rmSync(place, { recursive: true });
  }
});

test('a field and a form that would come to one name are told apart in words', async () => {
  const two = of(
    [{ id: 'use-form', kind: 'text', label: 'A', entry: {} }],
    [{ id: 'use', title: 'U', fields: ['use-form'] }],
  );
  await expect(handOff({ set: two, sources: sourcesFrom(root) })).rejects.toThrow(
    'the field "use-form" and the form "use" would both be exported as useForm. Change one of the ids.',
  );
});

test.each([
  [['a.tape', 'A.tape'], 'Two tapes are called A.tape. Rename one.'],
  [['player.js'], 'The name of a tape must end in .tape, found player.js.'],
])('tapes called %s are refused: one would take the place of another file', async (names, why) => {
  const twice = names.map((name) => ({ name, text: trialTape(trials[0]!) }));
  await expect(handOff({ set, tapes: twice, sources: sourcesFrom(root) })).rejects.toThrow(why);
});
