import { describe, expect, test } from 'vitest';
import { compile } from '../document/compile.ts';
import { kinds } from '../kinds/registry.ts';
import { type CodeOutcome, customBy } from '../rules/custom.ts';
import type { FormEvent } from './apply.ts';
import { checkRecord } from './check-record.ts';
import { evaluateInForm } from './evaluate-form.ts';
import { type FormState, fieldOf, type HydratedForm, startForm } from './form.ts';
import { recordOf } from './record.ts';
import { serverForm } from './server-form.ts';
import { codesAt, contentOf, put, run, stayWith, typed } from './stay.fixture.ts';

const form = stayWith();
const counts = (state: FormState, id: string) => evaluateInForm(form, state, id).counts;
const asked = (state: FormState, id: string) =>
  evaluateInForm(form, state, id).asks.map(({ value }) => value);
const filled = [put('arrival', '2027-02-14'), put('departure', '2027-02-16')];

describe('a field that counts only while a condition holds', () => {
  test('is neither shown, asked about nor sent before, and comes back as it was', () => {
    let state = run(form, filled);
    expect([counts(state, 'dog-name'), counts(state, 'kennel')]).toEqual([false, false]);
    state = run(form, [put('dog', 'yes'), ...typed('dog-name', 'Bruno'), put('kennel', '07')], state);
    expect([counts(state, 'dog-name'), counts(state, 'kennel')]).toEqual([true, true]);
    expect(recordOf(form, state).values).toMatchObject({ 'dog-name': 'Bruno', kennel: '07' });
    const without = run(form, [put('dog', 'no')], state);
    // What hangs on it goes with it.
    expect([counts(without, 'dog-name'), counts(without, 'kennel')]).toEqual([false, false]);
    expect(Object.keys(recordOf(form, without).values)).toEqual([
      'arrival',
      'departure',
      'dog',
      'pass',
      'key-box',
    ]);
    const again = run(form, [put('dog', 'yes')], without);
    expect(recordOf(form, again).values).toMatchObject({ 'dog-name': 'Bruno', kennel: '07' });
  });

  test('holds nothing back while it does not count, and does once it does', () => {
    const state = run(form, [...filled, put('dog', 'no'), { type: 'submit' }]);
    expect(state.sending.is).toBe('sending');
    const held = run(form, [put('dog', 'yes'), { type: 'submit' }], run(form, filled));
    expect(held.sending).toEqual({ is: 'no', wrong: 'dog-name' });
    expect(held.focus).toBe('dog-name');
    expect(codesAt(form, held, 'dog-name')).toEqual(['required']);
  });

  test('a rule of a field too', () => {
    const own = stayWith(
      {},
      {
        departure: {
          rules: [{ id: 'needed', check: { type: 'required' }, when: { field: 'dog', is: 'yes' } }],
        },
      },
    );
    const codes = (dog: string) =>
      codesAt(
        own,
        run(own, [put('dog', dog), put('arrival', '2027-02-14'), { type: 'submit' }]),
        'departure',
      );
    expect([codes('no'), codes('yes')]).toEqual([[], ['required']]);
  });
});

describe('submit', () => {
  test('names the first wrong field and goes there; sends nothing', () => {
    const state = run(form, [{ type: 'submit' }]);
    expect([state.sending, state.focus]).toEqual([{ is: 'no', wrong: 'arrival' }, 'arrival']);
    const across = run(form, [
      put('arrival', '2027-02-14'),
      put('departure', '2027-02-12'),
      { type: 'submit' },
    ]);
    expect([across.sending, codesAt(form, across, 'departure')]).toEqual([
      { is: 'no', wrong: 'departure' },
      ['order'],
    ]);
  });

  test('once; what is sent is what the fields say, typed and raw', () => {
    const sending = run(form, [...filled, put('key-box', '4815'), { type: 'submit' }]);
    expect(sending.sending).toMatchObject({
      is: 'sending',
      record: {
        values: { arrival: '2027-02-14', departure: '2027-02-16', dog: null, pass: null, 'key-box': '4815' },
        raw: { arrival: '14022027', departure: '16022027', dog: '', pass: '', 'key-box': '4815' },
        facts: { arrival: { weekday: 'Sunday' } },
      },
    });
    expect(run(form, [{ type: 'submit' }], sending)).toBe(sending);
    const sent = run(form, [{ type: 'sent' }], sending);
    expect(sent.sending.is).toBe('sent');
    expect(run(form, [{ type: 'unsent' }], sending).sending).toEqual({ is: 'no', failed: true });
    // A page that sent it itself hears later what is wrong; after an edit nothing is to be said of it any
    // more.
    expect(run(form, [{ type: 'sent' }], sent)).toBe(sent);
    const late: FormEvent = {
      type: 'sent',
      findings: [{ field: 'key-box', code: 'taken', message: 'Taken.' }],
    };
    expect(run(form, [late], sent).sending).toEqual({ is: 'no', wrong: 'key-box' });
    const edited = run(form, [put('key-box', '4816')], sent);
    expect(run(form, [late], edited)).toBe(edited);
  });

  test('what the server says stands at its field until that holds something else', () => {
    const sending = run(form, [...filled, put('key-box', '4815'), { type: 'submit' }]);
    const findings = [
      { field: 'key-box', code: 'taken', message: 'This PIN is taken.' },
      { field: 'arrival', code: 'incomplete' },
      { field: 'nobody', code: 'x' },
    ];
    const told = run(form, [{ type: 'sent', findings }], sending);
    expect([told.sending, told.focus]).toEqual([{ is: 'no', wrong: 'arrival' }, 'arrival']);
    expect(evaluateInForm(form, told, 'key-box')).toMatchObject({
      problem: 'This PIN is taken.',
      shown: [{ code: 'taken', severity: 'error' }],
      flags: { valid: false },
    });
    // Worded by the field where the server says a code alone.
    expect(evaluateInForm(form, told, 'arrival').problem).toBe('Please complete this field.');
    const mended = run(form, [put('key-box', '4816')], told);
    expect(codesAt(form, mended, 'key-box')).toEqual([]);
    expect(codesAt(form, run(form, [put('key-box', '4815')], mended), 'key-box')).toEqual(['taken']);
    const general = run(
      form,
      [{ type: 'sent', findings: [{ field: '', code: 'late', message: 'Too late.' }] }],
      sending,
    );
    expect(general.sending).toEqual({ is: 'no', said: 'Too late.' });
  });

  test('happens by itself once the field that completes the form is whole', () => {
    const quick = stayWith({ completes: 'key-box' });
    const open = run(quick, [...filled, ...typed('key-box', '481')]);
    expect(open.sending).toEqual({ is: 'no' });
    expect(run(quick, typed('key-box', '5'), open).sending.is).toBe('sending');
    expect(run(quick, [{ type: 'reset' }, ...filled], open).sending).toEqual({ is: 'no' });
  });

  test('happens by itself while another field’s question is open, once that is answered', () => {
    const quick = stayWith({ completes: 'key-box' });
    const ask: FormEvent = { type: 'field', field: 'pass', event: { type: 'ask', id: 'a', rule: 'known' } };
    const answer: FormEvent = {
      type: 'field',
      field: 'pass',
      event: { type: 'answer', id: 'a', answer: { verdict: 'pass' } },
    };
    const asked = run(quick, [...filled, ...typed('pass', 'RH-42'), { type: 'submit' }, ask]);
    expect(asked.sending.is).toBe('waiting');
    // The code is filled in at once after the submit, which that takes back: whole, it submits the form
    // again.
    const filledIn: FormEvent = {
      type: 'field',
      field: 'key-box',
      event: { type: 'autofill', text: '4815' },
    };
    const whole = run(quick, [filledIn], asked);
    expect(whole.sending.is).toBe('waiting');
    expect(run(quick, [answer], whole).sending.is).toBe('sending');
    const before = run(quick, [...filled, ...typed('pass', 'RH-42'), ...typed('key-box', '4815')]);
    expect(run(quick, [ask, answer], before).sending.is).toBe('sending');
  });

  test('reset takes everything back, and what is sent counts no more', () => {
    const sending = run(form, [...filled, { type: 'submit' }]);
    const reset = run(form, [{ type: 'reset' }], sending);
    expect(reset).toEqual(startForm(form));
    expect(run(form, [{ type: 'sent' }], reset)).toBe(reset);
  });
});

describe('a question to a server', () => {
  const known = (state: FormState, id: string, verdict: 'pass' | 'fail' | 'unreachable'): FormEvent[] => {
    const [ask] = evaluateInForm(form, state, 'pass').asks;
    const about = ask?.about ?? '';
    return [
      { type: 'field', field: 'pass', event: { type: 'ask', id, rule: 'known', about } },
      {
        type: 'field',
        field: 'pass',
        event: { type: 'answer', id, answer: { verdict, code: 'expired', data: { why: 'it ran out' } } },
      },
    ];
  };

  test('is put on leaving, of a whole value, once for the same value', () => {
    const typing = run(form, typed('pass', 'RH-4'));
    expect(asked(typing, 'pass')).toEqual([]);
    expect(asked(run(form, [{ type: 'leave' }], typing), 'pass')).toEqual([]);
    const whole = run(form, typed('pass', '2'), typing);
    expect(asked(whole, 'pass')).toEqual([]);
    const left = run(form, [{ type: 'leave' }], whole);
    expect(asked(left, 'pass')).toEqual(['RH-42']);
    const [ask, answer] = known(left, 'a', 'fail');
    const waiting = run(form, [ask!], left);
    expect([asked(waiting, 'pass'), evaluateInForm(form, waiting, 'pass').flags]).toMatchObject([
      [],
      { pending: true, valid: true },
    ]);
    expect(codesAt(form, waiting, 'pass')).toEqual([]);
    const answered = run(form, [answer!], waiting);
    expect(evaluateInForm(form, answered, 'pass')).toMatchObject({
      problem: 'The pass is not known: it ran out.',
      flags: { pending: false, valid: false },
    });
    const other = run(form, [put('pass', 'RH-43')], answered);
    expect([codesAt(form, other, 'pass'), asked(other, 'pass')]).toEqual([[], ['RH-43']]);
    const back = run(form, [put('pass', 'RH-42')], other);
    expect([codesAt(form, back, 'pass'), asked(back, 'pass')]).toEqual([['expired'], []]);
  });

  test('an answer for an older value changes nothing shown, and is kept for that value', () => {
    const left = run(form, [...typed('pass', 'RH-42'), { type: 'leave' }]);
    const [ask, late] = known(left, 'a', 'fail');
    const next = run(form, [ask!, put('pass', 'RH-43')], left);
    const evaluation = evaluateInForm(form, next, 'pass');
    expect(evaluateInForm(form, run(form, [late!], next), 'pass')).toEqual(evaluation);
    expect(codesAt(form, run(form, [late!, put('pass', 'RH-42')], next), 'pass')).toEqual(['expired']);
    // One that nobody asked for is none.
    expect(run(form, [late!], left)).toBe(left);
  });

  test('unreachable is open, can be asked again, and holds the form back or not, as it says', () => {
    const left = run(form, [...filled, ...typed('pass', 'RH-42'), { type: 'leave' }]);
    const silent = run(form, known(left, 'a', 'unreachable'), left);
    expect(evaluateInForm(form, silent, 'pass')).toMatchObject({
      shown: [{ code: 'unreachable' }],
      flags: { valid: false, pending: false },
    });
    expect(run(form, [{ type: 'submit' }], silent).sending).toEqual({ is: 'no', wrong: 'pass' });
    const again = run(form, [{ type: 'field', field: 'pass', event: { type: 'ask-again' } }], silent);
    expect(asked(again, 'pass')).toEqual(['RH-42']);
    const lenient = stayWith({ unanswered: 'let-through' });
    expect(evaluateInForm(lenient, silent, 'pass').flags.valid).toBe(true);
    expect(run(lenient, [{ type: 'submit' }], silent).sending.is).toBe('sending');
  });

  test('a submit waits for its answer, and then goes on or is held back; an edit takes the submit back', () => {
    const waiting = run(form, [...filled, ...typed('pass', 'RH-42'), { type: 'submit' }]);
    expect([waiting.sending.is, asked(waiting, 'pass')]).toEqual(['waiting', ['RH-42']]);
    expect(run(form, [{ type: 'submit' }], waiting)).toBe(waiting);
    expect(run(form, known(waiting, 'a', 'pass'), waiting).sending.is).toBe('sending');
    const refused = run(form, known(waiting, 'a', 'fail'), waiting);
    expect([refused.sending, refused.focus]).toEqual([{ is: 'no', wrong: 'pass' }, 'pass']);
    const edited = run(form, [put('key-box', '4815')], waiting);
    expect(edited.sending).toEqual({ is: 'no' });
  });
});

describe('a value that is refused and taken out', () => {
  test('goes on leaving, in one step of undo, and its message stays until the next edit', () => {
    const typing = run(form, typed('key-box', '1234'));
    expect(contentOf(form, typing, 'key-box')).toBe('1234');
    const left = run(form, [{ type: 'leave' }], typing);
    expect([contentOf(form, left, 'key-box'), codesAt(form, left, 'key-box')]).toEqual(['', ['trivial']]);
    const undone = run(form, [{ type: 'field', field: 'key-box', event: { type: 'undo' } }], left);
    expect([contentOf(form, undone, 'key-box'), codesAt(form, undone, 'key-box')]).toEqual([
      '1234',
      ['trivial'],
    ]);
    // From then on it speaks of what is typed.
    expect(codesAt(form, run(form, typed('key-box', '4'), left), 'key-box')).toEqual(['incomplete']);
  });

  test('may stay away where nothing needs it: the next submit goes', () => {
    const left = run(form, [...filled, ...typed('key-box', '1234'), { type: 'leave' }]);
    expect(run(form, [{ type: 'submit' }], left).sending.is).toBe('sending');
    const atOnce = run(form, [...filled, ...typed('key-box', '1234'), { type: 'submit' }]);
    expect([atOnce.sending, codesAt(form, atOnce, 'key-box')]).toEqual([
      { is: 'no', wrong: 'key-box' },
      ['trivial'],
    ]);
    expect(run(form, [{ type: 'submit' }], atOnce).sending.is).toBe('sending');
  });

  test('by an answer a submit waits for: held back, and named', () => {
    const clearing = stayWith(
      {},
      { pass: { rules: [{ id: 'known', check: { type: 'remote', ask: '/passes' }, refused: 'clear' }] } },
    );
    const waiting = run(clearing, [...filled, put('pass', 'RH-42'), { type: 'submit' }]);
    const answered = run(
      clearing,
      [
        { type: 'field', field: 'pass', event: { type: 'ask', id: 'a', rule: 'known' } },
        {
          type: 'field',
          field: 'pass',
          event: { type: 'answer', id: 'a', answer: { verdict: 'fail', code: 'x' } },
        },
      ],
      waiting,
    );
    expect([contentOf(clearing, answered, 'pass'), answered.sending, answered.focus]).toEqual([
      '',
      { is: 'no', wrong: 'pass' },
      'pass',
    ]);
  });

  test.each([
    ['text', {}, 'no', 'Guest'],
    ['number', {}, '13', '14'],
  ])('goes on blur though more could be typed: a listed %s', (kind, entry, refused, kept) => {
    const values = kind === 'number' ? ['13'] : ['no'];
    const open = stayWith(
      {},
      {
        pass: {
          kind: kind as 'text',
          entry,
          rules: [{ id: 'bad', check: { type: 'not-in', values }, refused: 'clear' }],
        },
      },
    );
    const typing = run(open, typed('pass', refused));
    expect(contentOf(open, typing, 'pass')).toBe(refused);
    const left = run(open, [{ type: 'leave' }], typing);
    expect([contentOf(open, left, 'pass'), codesAt(open, left, 'pass')]).toEqual(['', ['not-allowed']]);
    expect(contentOf(open, run(open, [...typed('pass', kept), { type: 'leave' }]), 'pass')).toBe(kept);
    const submitted = run(open, [{ type: 'submit' }], typing);
    expect(contentOf(open, submitted, 'pass')).toBe('');
  });

  test('stays where its rule shows nothing yet, and where nothing was decided', () => {
    const rule = {
      id: 'bad',
      check: { type: 'not-in', values: ['no'] },
      refused: 'clear',
      show: 'submit',
    } as const;
    const quiet = stayWith({}, { pass: { kind: 'text', entry: {}, rules: [rule] } });
    const left = run(quiet, [...typed('pass', 'no'), { type: 'leave' }]);
    expect(contentOf(quiet, left, 'pass')).toBe('no');
    expect(contentOf(quiet, run(quiet, [{ type: 'submit' }], left), 'pass')).toBe('');
    const remote = { id: 'known', check: { type: 'remote', ask: '/passes' }, refused: 'clear' } as const;
    const asking = stayWith({}, { pass: { rules: [remote] } });
    const asked = run(asking, [
      ...typed('pass', 'RH-42'),
      { type: 'leave' },
      { type: 'field', field: 'pass', event: { type: 'ask', id: 'a', rule: 'known' } },
    ]);
    const silent = run(
      asking,
      [
        {
          type: 'field',
          field: 'pass',
          event: { type: 'answer', id: 'a', answer: { verdict: 'unreachable' } },
        },
      ],
      asked,
    );
    for (const state of [
      asked,
      silent,
      run(asking, [{ type: 'focus', field: 'pass' }, { type: 'leave' }, { type: 'submit' }], silent),
    ])
      expect(contentOf(asking, state, 'pass')).toBe('RH42');
    const custom = {
      id: 'own',
      check: { type: 'custom', code: 'export default () => {}' },
      refused: 'clear',
    } as const;
    const coded = stayWith({}, { pass: { rules: [custom] } });
    const broken: HydratedForm = {
      ...coded,
      fields: coded.fields.map((field) => ({
        ...field,
        checks: { ...field.checks, custom: customBy(() => ({ broken: 'x' })) },
      })),
    };
    const after = run(broken, [...typed('pass', 'RH-42'), { type: 'leave' }, { type: 'submit' }]);
    expect([contentOf(broken, after, 'pass'), codesAt(broken, after, 'pass')]).toEqual([
      'RH42',
      ['check-broken'],
    ]);
  });

  test('is kept by other rules, and by the same one where it does not say so', () => {
    const keeping = stayWith({}, { 'key-box': { rules: [{ id: 'easy', check: { type: 'not-trivial' } }] } });
    const left = run(keeping, [...typed('key-box', '1234'), { type: 'leave' }]);
    expect([contentOf(keeping, left, 'key-box'), codesAt(keeping, left, 'key-box')]).toEqual([
      '1234',
      ['trivial'],
    ]);
  });
});

describe('own code that runs elsewhere', () => {
  const code = 'export default () => {}';
  const own = stayWith({}, { pass: { rules: [{ id: 'own', check: { type: 'custom', code } }] } });
  const withRun = (outcome: () => CodeOutcome | undefined): HydratedForm => ({
    ...own,
    fields: own.fields.map((field) => ({ ...field, checks: { ...field.checks, custom: customBy(outcome) } })),
  });

  test('is waited for by a submit while it is under way', () => {
    let outcome: CodeOutcome | undefined;
    const slow = withRun(() => outcome);
    const waiting = run(slow, [...filled, put('pass', 'RH-42'), { type: 'submit' }]);
    expect(waiting.sending.is).toBe('waiting');
    outcome = { answer: undefined };
    const look: FormEvent = { type: 'field', field: 'pass', event: { type: 'invalidate' } };
    expect(run(slow, [look], waiting).sending.is).toBe('sending');
    outcome = { answer: { code: 'taken' } };
    expect(run(slow, [look], waiting).sending).toEqual({ is: 'no', wrong: 'pass' });
  });

  test('holds nothing back where nothing runs it, and no server takes a record with it', async () => {
    expect(run(own, [...filled, put('pass', 'RH-42'), { type: 'submit' }]).sending.is).toBe('sending');
    const raw = { arrival: '14022027', departure: '16022027', dog: '', pass: 'RH-42', 'key-box': '' };
    const refused = {
      ok: false,
      findings: [
        {
          field: 'pass',
          code: 'check-broken',
          message: 'Something went wrong on our side. Please try again later.',
        },
      ],
    };
    expect(await checkRecord(own, raw, '2027-02-10')).toEqual(refused);
    expect(
      await checkRecord(
        withRun(() => undefined),
        raw,
        '2027-02-10',
      ),
    ).toEqual(refused);
    expect(
      await checkRecord(
        withRun(() => ({ answer: null })),
        raw,
        '2027-02-10',
      ),
    ).toMatchObject({ ok: true });
  });
});

describe('the server’s side', () => {
  const raw = { arrival: '14022027', departure: '16022027', dog: '', pass: 'RH-42', 'key-box': '4815' };
  const check = (given: Readonly<Record<string, string>>, verdict: 'pass' | 'fail' = 'pass') =>
    checkRecord(form, given, '2027-02-10', async () => ({
      verdict,
      code: 'expired',
      data: { why: 'it ran out' },
    }));

  test('finds what the page finds, and hands on the typed record', async () => {
    expect(await check(raw)).toMatchObject({
      ok: true,
      record: { values: { arrival: '2027-02-14', pass: 'RH-42' } },
    });
    expect(await check({ ...raw, departure: '12022027' })).toEqual({
      ok: false,
      findings: [{ field: 'departure', code: 'order', message: 'The departure is not after the arrival.' }],
    });
    expect(await check(raw, 'fail')).toEqual({
      ok: false,
      findings: [{ field: 'pass', code: 'expired', message: 'The pass is not known: it ran out.' }],
    });
    expect(await checkRecord(form, raw, '2027-02-10')).toMatchObject({
      ok: false,
      findings: [{ field: 'pass', code: 'unreachable' }],
    });
  });

  test('refuses what no field could have held', async () => {
    expect(await check({ ...raw, pass: 'RH-42; drop' })).toEqual({
      ok: false,
      findings: [{ field: 'pass', code: 'not-allowed' }],
    });
  });

  test('refuses unread what is far longer than the field can be, and reads a text without a limit', async () => {
    const read: string[] = [];
    const fields = form.fields.map((field) => ({
      ...field,
      kind: {
        ...field.kind,
        parse: (plan: never, text: string) => {
          read.push(field.id);
          return field.kind.parse(plan, text);
        },
      },
    })) as typeof form.fields;
    const long = '1'.repeat(20_001);
    const checked = await checkRecord({ ...form, fields }, { pass: long, 'key-box': '4815' }, '2027-02-10');
    expect(checked).toMatchObject({ ok: false });
    expect(!checked.ok && checked.findings[0]).toEqual({ field: 'pass', code: 'not-allowed' });
    expect(read).toEqual(['key-box']);
    const remarks = { id: 'remarks', kind: 'text', label: 'Remarks', entry: { lines: 4 } };
    const words = { id: 'huts', kind: 'choices', label: 'Huts', entry: { options: Array.from({ length: 900 }, (_, i) => ({ value: `${'h'.repeat(40)}${i}`, label: `Hut ${i}` })) } };
    const free = compile(
      { arbeit: 2, title: 'T', locale: 'en-GB', fields: [remarks, words], forms: [{ id: 'f', fields: ['remarks', 'huts'] }] } as never,
      kinds,
    ).forms[0]!;
    const huts = words.entry.options.map(({ value }) => value).join(' ');
    const taken = await checkRecord(free, { remarks: 'x '.repeat(100_000), huts }, '');
    expect(taken).toMatchObject({ ok: true, record: { raw: { huts } } });
  }); // biome-ignore format: data

  test('says in the language of the form what only a server meets', async () => {
    const german = serverForm(form, { 'not-allowed': 'Dieser Wert ist hier nicht möglich.' });
    const checked = await german.check({ ...raw, pass: 'RH-42; drop', arrival: {} }, { today: '2027-02-10' });
    const { message } = { message: 'Dieser Wert ist hier nicht möglich.' };
    expect(checked).toMatchObject({ ok: false });
    expect(!checked.ok && checked.findings.filter(({ code }) => code === 'not-allowed')).toEqual([
      { field: 'arrival', code: 'not-allowed', message },
      { field: 'pass', code: 'not-allowed', message },
    ]);
  });

  test('ignores and lists names that the form does not have', async () => {
    const more = { $ACTION_ID_7f: '', '$ACTION_1:0': '{}', csrf_token: 'x', save: 'Send', constructor: 'y' };
    const checked = await check({ ...raw, ...more });
    expect(checked).toMatchObject({ ok: true, ignored: Object.keys(more) });
    expect(checked.ok && Object.keys(checked.record.raw)).toEqual([
      'arrival',
      'departure',
      'dog',
      'pass',
      'key-box',
    ]);
  });

  test('takes no initial value for what was not sent', async () => {
    const initial = stayWith(
      {},
      { dog: { initial: 'yes', entry: { draw: 'tick' } }, arrival: { initial: '2027-02-14' } },
    );
    const { arrival: _, dog: __, ...rest } = raw;
    const answer = async () => ({ verdict: 'pass' }) as const;
    expect(await checkRecord(initial, { ...rest, arrival: raw.arrival }, '2027-02-10', answer)).toMatchObject(
      {
        ok: true,
        record: { values: { dog: 'no' }, raw: { dog: '' } },
      },
    );
    expect(await checkRecord(initial, rest, '2027-02-10', answer)).toMatchObject({
      ok: false,
      findings: [{ field: 'arrival', code: 'required' }],
    });
  });

  test('takes nothing of fields that do not count', async () => {
    const result = await check({ ...raw, 'dog-name': 'Bruno' });
    expect(result.ok && Object.keys(result.record.values)).not.toContain('dog-name');
  });
});

test('a form starts with no field’s state shared', () => {
  expect(fieldOf(form, startForm(form), 'pass').state.body.content).toBe('');
});

test('messages do not contain the value of a concealed field', () => {
  const concealed = stayWith(
    {
      rules: [
        {
          id: 'other',
          field: 'departure',
          check: { type: 'compare', op: 'same', field: 'key-box' },
          say: 'Not {other}, the {other-label}.',
        },
        {
          id: 'same',
          field: 'key-box',
          check: { type: 'compare', op: 'same', field: 'departure' },
          say: '{value} is not {other}.',
        },
      ],
    },
    {
      'key-box': {
        messages: 'all',
        rules: [
          { id: 'easy', check: { type: 'not-trivial' }, say: '{value} is easy.' },
          { id: 'old', check: { type: 'not-in', values: ['1234'] }, say: '{value} is old.' },
        ],
      },
    },
  );
  const state = run(concealed, [
    put('key-box', '1234'),
    put('departure', '2027-02-16'),
    put('arrival', '2027-02-14'),
    { type: 'submit' },
  ]);
  const said = ['departure', 'key-box'].flatMap((id) =>
    evaluateInForm(concealed, state, id).shown.map(({ message }) => message),
  );
  expect(said).toEqual(['Not •, the Key box.', '• is easy.', '• is old.', '• is not 16/02/2027.']);
});
