import { describe, expect, test } from 'vitest';
import { compileField } from '../document/compile-field.ts';
import type { CheckDocument, FieldDocument, RuleDocument } from '../document/document.ts';
import { kinds } from '../kinds/registry.ts';
import { apply, keysOf, start } from './apply.ts';
import { evaluate } from './evaluation.ts';
import type { FieldEvent } from './field-state.ts';

const field = (
  pattern: string,
  rules: readonly RuleDocument[],
  more: Partial<FieldDocument<'pattern'>> = {},
) =>
  compileField(
    { id: 'f', kind: 'pattern', label: 'Party', entry: { pattern }, rules, ...more },
    { locale: 'en-GB' },
    kinds,
  );

const after = (compiled: ReturnType<typeof field>, events: readonly FieldEvent[]) =>
  evaluate(
    compiled,
    events.reduce(
      (state, event) => apply(compiled, state, event),
      apply(compiled, start(compiled), { type: 'focus' }),
    ),
  );

describe('verdicts', () => {
  test.each<[CheckDocument, string, string, string]>([
    [{ type: 'required' }, '<4 digit>', '', 'open'],
    [{ type: 'required' }, '<4 digit>', '1', 'pass'],
    [{ type: 'required' }, '<4 any>', '   ', 'open'],
    [{ type: 'required' }, '<4 any>', ' x', 'pass'],
    [
      { type: 'checksum', scheme: 'mod97', rotate: 4 },
      '<2 latin upper><2 digit><1-7 " A-Z0-9">',
      'GB82 WEST',
      'open',
    ],
    [
      { type: 'checksum', scheme: 'mod97', rotate: 4 },
      '<2 latin><2 digit> <4 latin> <4 digit> <4 digit> <4 digit> <2 digit>',
      'GB82WEST12345698765432',
      'pass',
    ],
    [
      { type: 'checksum', scheme: 'mod97', rotate: 4 },
      '<2 latin><2 digit> <4 latin> <4 digit> <4 digit> <4 digit> <2 digit>',
      'GB82WEST12345698765423',
      'fail',
    ],
    [
      { type: 'checksum', scheme: 'mod97' },
      '<2 latin><2 digit> <4 latin> <4 digit> <4 digit> <4 digit> <2 digit>',
      'GB82WEST12345698765432',
      'fail',
    ],
    [{ type: 'complete' }, '<4 digit>', '123', 'open'],
    [{ type: 'complete' }, '<4 digit>', '', 'pass'],
    [{ type: 'length', min: 3 }, '<1-4 digit>', '12', 'open'],
    [{ type: 'length', min: 5 }, '<1-4 digit>', '1234', 'fail'],
    [{ type: 'length', max: 2 }, '<1-4 digit>', '123', 'fail'],
    [{ type: 'in', values: ['12', '34'] }, '<1-4 digit>', '1', 'open'],
    [{ type: 'in', values: ['12', '34'] }, '<1-4 digit>', '12', 'pass'],
    [{ type: 'in', values: ['12', '34'] }, '<1-4 digit>', '13', 'fail'],
    [{ type: 'not-in', values: ['12'] }, '<1-4 digit>', '12', 'open'],
    [{ type: 'not-in', values: ['1234'] }, '<1-4 digit>', '1234', 'fail'],
    [{ type: 'not-in', values: ['1234'] }, '<1-4 digit>', '123', 'pass'],
    [{ type: 'checksum', scheme: 'luhn' }, '<11 digit>', '7992739871', 'open'],
    [{ type: 'checksum', scheme: 'luhn' }, '<11 digit>', '79927398714', 'fail'],
    [{ type: 'checksum', scheme: 'luhn' }, '<11 digit>', '79927398713', 'pass'],
    [{ type: 'checksum', scheme: 'luhn' }, '<2-11 digit>', '7992', 'open'],
    [{ type: 'matches', pattern: '1.*' }, '<1-4 digit>', '2', 'fail'],
  ])('%j on %s with %j is %s', (check, pattern, text, verdict) => {
    const evaluation = after(
      field(pattern, [
        { id: 'it', check },
        ...(check.type === 'complete' ? [] : [{ id: 'whole', check: { type: 'complete' as const } }]),
      ]),
      keysOf(text),
    );
    expect(evaluation.findings[0]!.verdict).toBe(verdict);
  });
});

test.each(['text', 'pattern'] as const)('blanks alone do not fill a required %s', (kind) => {
  const entry = kind === 'text' ? { trim: false } : { pattern: '<1-9 any>' };
  const rules: RuleDocument[] = [{ id: 'r', check: { type: 'required' } }];
  const compiled = compileField(
    { id: 'f', kind, label: 'F', entry, rules } as FieldDocument,
    {
      locale: 'en-GB',
    },
    kinds,
  );
  for (const text of [' ', '\u00a0', '\u3000 '])
    expect(
      evaluate(compiled, apply(compiled, start(compiled), { type: 'insert', text })).findings[0]!.verdict,
    ).toBe('open');
});

test('a field that never had the focus is not left, nor touched by it', () => {
  const required: RuleDocument[] = [{ id: 'r', check: { type: 'required' } }];
  for (const kind of ['pattern', 'text', 'date', 'currency', 'phone', 'pin'] as const) {
    const entry =
      { pattern: { pattern: '<2 digit>' }, currency: { currency: 'EUR' }, phone: { home: 'GB' } }[
        kind as 'phone'
      ] ?? {};
    const compiled = compileField(
      { id: 'f', kind, label: 'F', entry, rules: required } as FieldDocument,
      {
        locale: 'en-GB',
      },
      kinds,
    );
    const left = apply(compiled, start(compiled), { type: 'leave' });
    expect([kind, left.touched, evaluate(compiled, left).shown]).toEqual([kind, false, []]);
    const again = apply(compiled, apply(compiled, left, { type: 'focus' }), { type: 'leave' });
    expect([again.touched, evaluate(compiled, again).shown.length]).toEqual([true, 1]);
  }
});

test.each([
  ['time', {}, { min: '09:00', max: '17:00' }, '08:00', 'Enter 09:00 or a later time.'],
  ['time', {}, { min: '09:00', max: '17:00' }, '18:00', 'Enter 17:00 or an earlier time.'],
  ['date', {}, { min: '2027-02-14' }, '2027-02-13', 'Enter a date on or after 14/02/2027.'],
  ['currency', { currency: 'GBP' }, { max: 500 }, '501', 'Enter £500.00 or less.'],
  ['duration', {}, { min: 15 }, '10', 'Enter 15 min or more.'],
] as const)('a limit of a %s is worded for it (%o %o %s)', (kind, entry, limits, text, message) => {
  const rules: RuleDocument[] = [{ id: 'r', check: { type: 'range', ...limits } as CheckDocument }];
  const compiled = compileField(
    { id: 'f', kind, label: 'F', entry, rules } as FieldDocument,
    {
      locale: 'en-GB',
    },
    kinds,
  );
  const state = apply(compiled, apply(compiled, start(compiled), { type: 'set', text }), { type: 'submit' });
  expect(evaluate(compiled, state).shown[0]!.message).toBe(message);
});

describe('showing', () => {
  const leave: FieldEvent = { type: 'leave' };
  const submit: FieldEvent = { type: 'submit' };
  const codes = (evaluation: ReturnType<typeof evaluate>) => evaluation.shown.map(({ code }) => code);
  const long = (show: RuleDocument['show']): RuleDocument => ({
    id: 'long',
    check: { type: 'length', max: 2 },
    ...(show ? { show } : {}),
  });

  test('leave, the default: quiet until the first leave, live from then on', () => {
    const compiled = field('<1-4 digit>', [long(undefined)]);
    expect(codes(after(compiled, keysOf('123')))).toEqual([]);
    expect(codes(after(compiled, [...keysOf('123'), leave]))).toEqual(['too-long']);
    expect(
      codes(after(compiled, [...keysOf('123'), leave, { type: 'focus' }, { type: 'backspace' }])),
    ).toEqual([]);
    expect(
      codes(
        after(compiled, [...keysOf('123'), leave, { type: 'focus' }, { type: 'backspace' }, ...keysOf('4')]),
      ),
    ).toEqual(['too-long']);
  });
  test('at-once: what fails while typing, what is open from the first blur on', () => {
    const compiled = field('<1-4 digit>', [
      long('at-once'),
      { id: 'needed', check: { type: 'required' }, show: 'at-once' },
    ]);
    expect(codes(after(compiled, keysOf('123')))).toEqual(['too-long']);
    expect(codes(after(compiled, keysOf('1')))).toEqual([]);
    expect(codes(after(compiled, [leave]))).toEqual(['required']);
    expect(codes(after(compiled, [submit]))).toEqual(['required']);
  });
  test('submit: nothing before it', () => {
    const compiled = field('<1-4 digit>', [long('submit')]);
    expect(codes(after(compiled, [...keysOf('123'), leave]))).toEqual([]);
    expect(codes(after(compiled, [...keysOf('123'), submit]))).toEqual(['too-long']);
  });
  test('the first message, or all where the definition says so', () => {
    const rules = [
      long(undefined),
      { id: 'not', check: { type: 'not-in', values: ['123'] }, code: 'taken' } as const,
    ];
    const events = [...keysOf('123'), leave];
    expect(codes(after(field('<1-4 digit>', rules), events))).toEqual(['too-long']);
    expect(codes(after(field('<1-4 digit>', rules, { messages: 'all' }), events))).toEqual([
      'too-long',
      'taken',
    ]);
  });
  test('of one that fails and one that is open, the failing one is told', () => {
    const compiled = field('<4 digit>', [{ id: 'm', check: { type: 'matches', pattern: '07..' } }]);
    expect(codes(after(compiled, [...keysOf('08'), leave]))).toEqual(['no-match']);
    expect(codes(after(compiled, [...keysOf('07'), leave]))).toEqual(['incomplete']);
  });
  test('a warning is shown and does not make the field invalid', () => {
    const evaluation = after(field('<1-4 digit>', [{ ...long(undefined), severity: 'warning' }]), [
      ...keysOf('123'),
      leave,
    ]);
    expect([evaluation.flags.valid, evaluation.shown[0]?.severity, evaluation.problem]).toEqual([
      true,
      'warning',
      '',
    ]);
  });
  test('message data in the field’s own display form; unknown names stay', () => {
    const compiled = field('<2 digit>-<2 digit>', [
      {
        id: 'not',
        check: { type: 'not-in', values: ['1234'] },
        say: '{label}: not {value}, {nobody}',
        show: 'at-once',
      },
    ]);
    expect(after(compiled, keysOf('1234')).shown[0]!.message).toBe('Party: not 12-34, {nobody}');
    const among = field('<2 digit>-<2 digit>', [
      {
        id: 'in',
        check: { type: 'in', values: ['1234', '5678'] },
        say: 'One of {allowed}.',
        show: 'at-once',
      },
    ]);
    expect(after(among, keysOf('9')).shown[0]!.message).toBe('One of 12-34, 56-78.');
  });
  test('the pattern’s own rule stands behind a leading required, and a rule of the definition takes its place', () => {
    const ids = (rules: readonly RuleDocument[]) => field('<4 digit>', rules).rules.map((rule) => rule.id);
    expect(ids([{ id: 'needed', check: { type: 'required' } }, long(undefined)])).toEqual([
      'needed',
      'complete',
      'long',
    ]);
    expect(ids([long(undefined), { id: 'own', check: { type: 'complete' } }])).toEqual(['long', 'own']);
  });
});
