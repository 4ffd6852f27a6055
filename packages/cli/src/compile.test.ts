import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import type { SetDocument } from '@arbeit/engine/document';
import { kinds } from '@arbeit/engine/kinds';
import { compiledModule } from '@arbeit/handoff';
import { afterAll, describe, expect, test } from 'vitest';
import { run } from './arbeit.ts';

const folder = mkdtempSync(join(tmpdir(), 'arbeit-compile-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));
const demo = fileURLToPath(new URL('../../../apps/studio/demo/ridge-huts.arbeit.json', import.meta.url));

async function arbeit(...args: string[]): Promise<{ code: number; out: string; err: string }> {
  const [out, err]: [string[], string[]] = [[], []];
  const code = await run(args, { out: (line) => out.push(line), err: (line) => err.push(line) });
  return { code, out: out.join('\n'), err: err.join('\n') };
}

const field = (id: string, kind = 'text', entry: object = {}) => ({ id, kind, label: id, entry });
const set = (fields: readonly object[], forms: readonly object[] = []) =>
  ({ arbeit: 2, title: 'Huts', locale: 'en-GB', fields, forms }) as unknown as SetDocument;

test('writes a module and its types, the same for the same document', async () => {
  const [one, two] = [join(folder, 'one'), join(folder, 'two', 'deep')];
  expect(await arbeit('compile', demo, '--out', one)).toMatchObject({ code: 0, err: '' });
  await arbeit('compile', demo, '--out', two);
  for (const file of ['fields.js', 'fields.d.ts'])
    expect(readFileSync(join(one, file), 'utf8')).toBe(readFileSync(join(two, file), 'utf8'));
});

describe('what is wrong is told, and nothing written', () => {
  test('a document with a fault, at its place', async () => {
    const path = join(folder, 'broken.json');
    writeFileSync(
      path,
      '{\n  "arbeit": 2,\n  "title": "T",\n  "locale": "en-GB",\n  "fields": [{ "id": "a", "kind": "texd", "label": "A" }]\n}\n',
    );
    const { code, err } = await arbeit('compile', path, '--out', folder);
    expect([code, err.startsWith(`${path}:5:`)]).toEqual([2, true]);
  });

  test('a file that is not there, a folder that cannot be, no document at all', async () => {
    expect(await arbeit('compile', join(folder, 'nobody.json'))).toMatchObject({ code: 2 });
    const file = join(folder, 'file');
    writeFileSync(file, '');
    expect((await arbeit('compile', demo, '--out', join(file, 'in'))).err).toMatch(/Cannot be written/);
    expect((await arbeit('compile')).err).toMatch(
      /^arbeit compile: <document.arbeit.json> is missing\. \[missing-argument\]\nUsage: arbeit compile/,
    );
  });

  test('two ids of one name', async () => {
    const path = join(folder, 'twice.json');
    writeFileSync(path, JSON.stringify(set([field('walk-in'), field('walkIn')])));
    expect(await arbeit('compile', path, '--out', folder)).toMatchObject({
      code: 2,
      err: `${path}: the field "walk-in" and the field "walkIn" would both be exported as walkIn. Change one of the ids. [export-twice]`,
    });
  });
});

test('names are such as a module can export', () => {
  const { js } = compiledModule(
    set(
      [field('class'), field('open'), field('a-b_c'), field('textKind')],
      [{ id: 'class', fields: ['class', 'a-b_c'] }],
    ),
    kinds,
  );
  const names = [...js.matchAll(/^export const (\w+) =/gm)].map((match) => match[1]);
  expect(names).toEqual(['classField', 'openField', 'aBC', 'textKindField', 'classForm']);
  expect(js).toContain('hydrateForm({ id: "class", title: "class", fields: [classField, aBC] })');
});

test('a set without forms asks for none, and each kind is asked for once', () => {
  const { js, dts } = compiledModule(
    set([field('a', 'currency', { currency: 'EUR' }), field('b', 'number'), field('c', 'one-time-code')]),
    kinds,
  );
  expect(js).not.toContain('hydrateForm');
  expect(js.match(/runs\/[\w-]+/g)).toEqual(['runs/boxes', 'runs/number']);
  expect(js).toContain("{ 'one-time-code': boxesKind }");
  expect(dts).toContain('export declare const c: FieldOf<typeof boxesKind, CValue>;');
});

test('checks are asked for where a rule needs them', () => {
  const rules = [
    { id: 'size', check: { type: 'length', max: 5 } },
    { id: 'list', check: { type: 'not-in', values: ['1'] } },
    { id: 'needed', check: { type: 'required' } },
  ];
  const { js } = compiledModule(set([{ ...field('a'), rules }, field('b')]), kinds);
  expect(js).toContain(
    "import { length as lengthCheck, notAmong as notAmongCheck } from '@arbeit/engine/checks';",
  );
  expect(js).toContain("{ text: textKind }, { length: lengthCheck, 'not-in': notAmongCheck });");
  expect(js.split('\n').find((line) => line.startsWith('export const b'))).toMatch(
    /\{ text: textKind \}\);$/,
  );
});

test('text of a document cannot leave its line', () => {
  const { js } = compiledModule(
    { ...set([field('a')]), title: 'One\u2028export const evil = 1;\n//' },
    kinds,
  );
  const lines = js.split(/[\n\r\u2028\u2029]/);
  expect(lines.filter((line) => line.startsWith('export'))).toHaveLength(1);
});

test('a form takes its rules along, its fields the checks they ask for, and own code stands in a module of its own', async () => {
  const code =
    'const least = 3;\nexport default ({ value }) => (Number(value) < least ? { code: "few", data: { least } } : undefined);';
  const { js } = compiledModule(
    set(
      [
        { id: 'arrival', kind: 'date', label: 'Arrival', entry: {} },
        { id: 'departure', kind: 'date', label: 'Departure', entry: {} },
        {
          id: 'party',
          kind: 'number',
          label: 'Party',
          entry: {},
          rules: [{ id: 'own', check: { type: 'custom', code } }],
        },
      ],
      [
        {
          id: 'stay',
          fields: ['arrival', 'departure', 'party'],
          submit: 'when-ready',
          rules: [
            { id: 'order', field: 'departure', check: { type: 'compare', op: 'after', field: 'arrival' } },
          ],
        },
      ],
    ),
    kinds,
  );
  expect(js).toContain("import { check as customCheck } from './custom-code.js';");
  expect(js).not.toContain('Number(value)');
  expect(js).toMatch(/departure = .*\{ compare: compareCheck \}/);
  expect(js).toMatch(/party = .*\{ custom: customCode \}/);
  expect(js).toMatch(/hydrateForm\(\{.*submit: "when-ready", rules: \[/);
});
