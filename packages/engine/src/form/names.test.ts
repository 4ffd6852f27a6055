import { compile, readDocument } from '@arbeit/engine/document';
import { fieldName } from '@arbeit/engine/field';
import { checkRecord, jsonRecord, recordOf, serverForm, startForm } from '@arbeit/engine/form';
import { kinds } from '@arbeit/engine/kinds';
import { describe, expect, test } from 'vitest';
import { applyToForm } from './apply.ts';
import { fieldOf, hydrateForm } from './form.ts';

/** A form whose fields have other names outside than ids. */
const set = (names: Readonly<Record<string, unknown>> = { guest: 'full_name', nights: 'stay[nights]' }) => ({
  arbeit: 2,
  title: 'Stay',
  locale: 'en-GB',
  fields: [
    {
      id: 'guest', kind: 'text', label: 'Guest', entry: {},
      rules: [{ id: 'needed', check: { type: 'required' } }, { id: 'known', check: { type: 'remote', ask: '/guests', with: ['nights'] } }],
    },
    { id: 'nights', kind: 'number', label: 'Nights', when: { field: 'dog', is: 'yes' } },
    { id: 'dog', kind: 'yes-no', label: 'Dog', entry: { draw: 'tick' } },
  ].map((field) => (names[field.id] === undefined ? field : { ...field, name: names[field.id] })),
  forms: [{ id: 'stay', title: 'Stay', fields: ['guest', 'nights', 'dog'] }],
}); // biome-ignore format: a field on a few lines
const faultsOf = (names: Readonly<Record<string, unknown>>) => {
  const result = readDocument(set(names), kinds);
  return result.ok ? [] : result.faults.map(({ path, code }) => `${path} ${code}`);
};
const form = compile(set() as never, kinds).forms[0]!;

describe('the name of a field', () => {
  test('is its id, unless it has one', () => {
    expect(form.fields.map(fieldName)).toEqual(['full_name', 'stay[nights]', 'dog']);
    expect('name' in compile(set({ dog: 'dog' }) as never, kinds).fields[2]!).toBe(false);
  });

  test('may be any text that a form submits unchanged', () => {
    for (const name of ['contact[]', 'a b', 'Ä', '1', 'constructor', 'toString'])
      expect(faultsOf({ guest: name })).toEqual([]);
    for (const name of ['isindex', 'IsIndex', '_charset_', '__proto__', 'a\nb', '\u0000'])
      expect([name, faultsOf({ guest: name })]).toEqual([name, ['$.fields[0].name reserved-field-name']]);
    expect(faultsOf({ guest: ' ' })[0]).toContain('$.fields[0].name');
    expect(faultsOf({ guest: 7 })[0]).toContain('$.fields[0].name');
    expect(faultsOf({ guest: 'x'.repeat(101) })[0]).toContain('$.fields[0].name');
  });

  test('is that of no other field of its form, nor its id', () => {
    expect(faultsOf({ guest: 'who', nights: 'who' })).toEqual(['$.forms[0] name-twice']);
    expect(faultsOf({ guest: 'dog' })).toEqual(['$.forms[0] name-twice']);
    expect(faultsOf({ guest: 'dog', dog: 'guest' })).toHaveLength(2);
    const dog = form.fields[2]!;
    expect(() =>
      hydrateForm({ id: 'f', title: 'F', fields: [dog, { ...dog, id: 'b', name: 'dog' }] }),
    ).toThrow(expect.objectContaining({ code: 'form-name-twice' }));
  });
});

describe('outside of the form', () => {
  const filled = () => {
    let state = startForm(form);
    for (const [field, text] of [['guest', 'Mara'], ['dog', 'yes'], ['nights', '2']] as const)
      state = applyToForm(form, state, { type: 'field', field, event: { type: 'set', text } }, '');
    return state;
  }; // biome-ignore format: three fields

  test('a record has the names', () => {
    const { raw, values } = recordOf(form, filled());
    expect(raw).toEqual({ full_name: 'Mara', 'stay[nights]': '2', dog: 'yes' });
    expect(values).toEqual({ full_name: 'Mara', 'stay[nights]': '2', dog: 'yes' });
  });

  test('findings have the names, or ids as in a tape, and are shown at their fields', () => {
    for (const field of ['full_name', 'guest']) {
      let state = applyToForm(form, filled(), { type: 'submit' }, '');
      expect(state.sending.is).toBe('waiting');
      state = applyToForm(
        form,
        state,
        { type: 'sent', findings: [{ field, code: 'x', message: 'No.' }] },
        '',
      );
      expect([state.sending, state.serverFindings.guest?.finding.code]).toEqual([
        { is: 'no', wrong: 'guest' },
        'x',
      ]);
    }
    const sent = applyToForm(form, filled(), { type: 'submit' }, '');
    const other = applyToForm(form, sent, { type: 'sent', findings: [{ field: 'who', code: 'x' }] }, '');
    expect(other.sending).toEqual({ is: 'no', said: 'x' });
  });

  test('a server reads a record by the names, asks by them, and ignores ids', async () => {
    const asked: unknown[] = [];
    const ask = async ({ values }: { readonly values: object }, field: string) => {
      asked.push([field, values]);
      return { verdict: 'pass' } as const;
    };
    const checked = await checkRecord(form, { full_name: 'Mara', 'stay[nights]': '2', dog: 'yes' }, '', ask);
    expect(checked).toMatchObject({ ok: true, ignored: [], record: { raw: { full_name: 'Mara' } } });
    expect(asked).toEqual([['full_name', { 'stay[nights]': '2' }]]);
    const byId = await checkRecord(form, { guest: 'Mara' }, '', ask);
    expect(byId).toMatchObject({ ok: false, findings: [{ field: 'full_name', code: 'required' }] });
    const wrong = await checkRecord(form, { full_name: 'Mara', dog: 'perhaps' }, '', ask);
    expect(wrong).toMatchObject({ ok: false, findings: [{ field: 'dog', code: 'not-allowed' }] });
  });

  test('form data, Standard Schema and what is filled in again have the names too', async () => {
    const server = serverForm(form);
    const data = new FormData();
    data.set('full_name', 'Mara');
    data.set('guest', 'nobody');
    const ask = async () => ({ verdict: 'pass' }) as const;
    expect(await server.check(data, { today: '', ask })).toMatchObject({ ok: true, ignored: ['guest'] });
    expect(server.refill(data)).toEqual({ full_name: 'Mara' });
    const strange = await server.check({ full_name: {} }, { today: '' });
    expect(strange).toMatchObject({ ok: false, findings: [{ field: 'full_name', code: 'not-allowed' }] });
    const result = await server.standard({ today: () => '' })['~standard'].validate({});
    expect(result.issues?.[0]?.path).toEqual(['full_name']);
    expect(fieldOf(form, filled(), 'guest').field.id).toBe('guest');
  });

  test('values with spaces are several entries, or a list; in raw each is a line', async () => {
    const options = ['by phone', 'phone', 'by post'].map((value) => ({ value, label: value.toUpperCase() }));
    const fields = [
      { id: 'ways', kind: 'choices', label: 'Ways', entry: { options } },
      { id: 'way', kind: 'choice', label: 'Way', entry: { options } },
    ];
    const forms = [{ id: 'f', title: 'F', fields: ['ways', 'way'] }];
    const document = { arbeit: 2, title: 'T', locale: 'en-GB', fields, forms };
    const server = serverForm(compile(document as never, kinds).forms[0]!);
    const sent = (...all: readonly (readonly [string, string])[]) => {
      const data = new FormData();
      for (const [name, value] of all) data.append(name, value);
      return data;
    };
    const both = { ok: true, record: { values: { ways: 'by phone\nby post', way: 'by phone' } } };
    const entries = sent(['ways', ''], ['ways', 'by post'], ['ways', 'by phone'], ['way', 'by phone']);
    expect(await server.check(entries, { today: '' })).toMatchObject(both);
    const json = { ways: ['by phone', 'by post'], way: 'by phone' };
    expect(await server.check(json, { today: '' })).toMatchObject(both);
    expect(jsonRecord({ ways: 'lines' }, { ways: 'by phone\nby post', way: 'by phone' })).toEqual(json);
    expect(server.refill(entries)).toEqual({ ways: 'by post\nby phone', way: 'by phone' });
    // Two answers where one is allowed are not a third.
    expect(await server.check(sent(['way', 'by'], ['way', 'phone']), { today: '' })).toMatchObject({
      findings: [{ field: 'way', code: 'not-allowed' }],
    });
  });

  test('a record as JSON has it counts as its text; anything else is refused at its field', async () => {
    const server = serverForm(form);
    const ask = async () => ({ verdict: 'pass' }) as const;
    const typed = { full_name: 'Mara', 'stay[nights]': 2, dog: true };
    expect(await server.check(typed, { today: '', ask })).toMatchObject({
      ok: true,
      record: { values: { full_name: 'Mara', 'stay[nights]': '2', dog: 'yes' } },
    });
    expect(await server.check({ full_name: 'Mara', dog: false }, { today: '', ask })).toMatchObject({
      ok: true,
      record: { values: { dog: 'no' } },
    });
    for (const value of [{}, [1], Number.NaN, Number.POSITIVE_INFINITY, new Blob(['x'])])
      expect(await server.check({ full_name: value }, { today: '', ask })).toMatchObject({
        ok: false,
        findings: [{ field: 'full_name', code: 'not-allowed' }],
      });
  });
});
