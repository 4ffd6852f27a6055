import type { SetDocument } from '@arbeit/engine/document';
import { kinds } from '@arbeit/engine/kinds';
import { expect, test } from 'vitest';
import { handOff } from './hand-off.ts';
import { recordSchema } from './record-schema.ts';
import { sourcesFrom } from './sources.ts';

/** Names that are no identifiers, with quotes, brackets and blanks. */
const set = {
  arbeit: 2,
  title: 'Stay',
  locale: 'en-GB',
  fields: [
    { id: 'guest', name: 'full name', kind: 'text', label: 'Guest', entry: {}, rules: [{ id: 'needed', check: { type: 'required' } }] },
    { id: 'dog', name: "it's[dog]", kind: 'yes-no', label: 'Dog', entry: { draw: 'tick' } },
    { id: 'dog-name', name: '1st', kind: 'text', label: 'Its name', entry: {}, when: { field: 'dog', is: 'yes' } },
    { id: 'hut', kind: 'choice', label: 'Hut', entry: { options: [{ value: 'a', label: 'A' }, { value: 'b', label: 'B' }] } },
  ],
  forms: [{ id: 'stay', title: 'Stay', fields: ['guest', 'dog', 'dog-name', 'hut'] }],
} as unknown as SetDocument; // biome-ignore format: a field a line
const names = ['full name', "it's[dog]", '1st', 'hut'];

test('a hand-off knows fields by their names: schema, types, SQL, pages without JavaScript, applications', async () => {
  const { schema } = recordSchema(set, set.forms![0]!, kinds);
  expect(Object.keys(schema.properties as object)).toEqual(names);
  expect(schema.required).toEqual(['full name', "it's[dog]", 'hut']);
  expect(JSON.stringify(schema.allOf)).toContain(`"properties":{"it's[dog]":{"enum":["yes"]}}`);
  expect(JSON.stringify(schema.allOf)).toContain('{"required":["1st"]}');

  const files = await handOff({ set, sources: sourcesFrom(process.cwd()) });
  const types = files.get('fields.d.ts')!;
  for (const key of ["'full name': ", "'it\\u0027s[dog]': ", "'1st'?: ", 'hut: '])
    expect(types).toContain(`  readonly ${key}`);
  // What is exported goes by ids.
  for (const name of ['guest', 'dog', 'dogName', 'hut', 'stayForm'])
    expect(types).toContain(`export declare const ${name}: `);
  const page = files.get('html/stay.html')!;
  for (const name of ['name="full name"', 'name="it&#39;s[dog]"', 'name="1st"', 'name="hut"'])
    expect(page).toContain(name);
  for (const column of ['"full name"', `"it's[dog]"`, '"1st"'])
    expect(files.get('sql/domains.sql')).toContain(column);
  expect(files.get('apps/react/src/App.tsx')).toContain("store.field('full name')");
  expect(files.get('apps/vue/src/App.vue')).toContain(':store="store.field(\'it\\u0027s[dog]\')"');
  expect(files.get('apps/angular/src/app.html')).toContain('formControlName="1st"');
});
