import { describe, expect, test } from 'vitest';
import { compileField } from '../document/compile-field.ts';
import { apply, keysOf, start } from '../field/apply.ts';
import { evaluate } from '../field/evaluation.ts';
import type { PhoneEntry } from '../kinds/phone/define.ts';
import type { PhonePlan } from '../kinds/phone/plan.ts';
import { kinds } from '../kinds/registry.ts';
import { allRegions, codeOf, codes, plannedRegions, planOf } from './plans.ts';

const phone = (entry: PhoneEntry) =>
  compileField({ id: 'p', kind: 'phone', label: 'P', entry }, { locale: 'en-GB' }, kinds);
const typed = (entry: PhoneEntry, text: string, paste = false) => {
  const field = phone(entry);
  let state = apply(field, start(field), { type: 'focus' });
  if (paste) state = apply(field, state, { type: 'paste', text });
  else for (const key of keysOf(text)) state = apply(field, state, key);
  const { value, findings } = evaluate(field, state);
  const left = apply(field, state, { type: 'leave' });
  return { display: state.body.display, left: left.body.display, value, verdict: findings[0]!.verdict, code: findings[0]!.code, state };
}; // biome-ignore format: one answer a line

describe('the tables hold together', () => {
  test('calling codes are prefix-free, sorted out by region, and within E.164', () => {
    expect(codes.length).toBeGreaterThan(200);
    expect(allRegions.length).toBeGreaterThan(230);
    for (const { code, min, max } of codes) {
      expect(codes.filter((other) => other.code.startsWith(code))).toHaveLength(1);
      expect(min).toBeGreaterThan(0);
      expect(max).toBeGreaterThanOrEqual(min);
      expect(code.length + max).toBeLessThanOrEqual(15);
    }
  });

  test('at least 45 regions have a plan, each of the code it is listed under', () => {
    expect(plannedRegions.length).toBeGreaterThanOrEqual(45);
    for (const region of plannedRegions) expect(planOf(region)!.code).toBe(codeOf(region)!.code);
  });

  test.each(plannedRegions)(
    '%s: a number of each format is one, written nationally and internationally',
    (region) => {
      const plan = planOf(region)!;
      for (const format of plan.formats)
        for (const start of format.starts) {
          const lead = start.replace(/\[(.)[^\]]*\]/g, '$1').replaceAll('?', '2');
          for (const length of new Set([format.min, format.max])) {
            const digits = lead.padEnd(length, '2');
            const { value, verdict, left, state } = typed(
              { home: region, regions: [region] },
              `+${plan.code}${digits}`,
            );
            // Another region of the same code, or a format with longer leading digits, may claim the number.
            if (verdict !== 'pass' || state.rejected) continue;
            expect(value).toBe(`+${plan.code}${digits}`);
            expect(left.replace(/\D/g, '')).toContain(digits);
          }
          const places = (format.national.match(/#/g) ?? []).length;
          expect(places, `${region} ${format.national}`).toBeGreaterThanOrEqual(format.max);
          expect((format.international.match(/#/g) ?? []).length).toBe(places);
          const trunk = format.national.replace(/\D/g, '');
          expect(['', plan.trunk]).toContain(trunk);
        }
    },
  );

  test.each(plannedRegions)('%s: some number of the region passes, nationally typed', (region) => {
    const plan = planOf(region)!;
    const passes = plan.formats.some((format) =>
      [...plan.leads, ...format.starts].some((start) => {
        const digits = start
          .replace(/\[(.)[^\]]*\]/g, '$1')
          .replaceAll('?', '2')
          .padEnd(format.max, '2');
        const trunk = /\d/.test(format.national) ? plan.trunk : '';
        return typed({ home: region }, trunk + digits).value === `+${plan.code}${digits}`;
      }),
    );
    expect(passes).toBe(true);
  });
});

describe('numbers as people write them', () => {
  test.each([
    ['GB', '07400123456', '07400 123456', '+447400123456'],
    ['GB', '02079460958', '020 7946 0958', '+442079460958'],
    ['GB', '01134960999', '0113 496 0999', '+441134960999'],
    ['GB', '01632960123', '01632 960123', '+441632960123'],
    ['US', '2015550123', '(201) 555-0123', '+12015550123'],
    ['CA', '4165550123', '(416) 555-0123', '+14165550123'],
    ['FR', '0612345678', '06 12 34 56 78', '+33612345678'],
    ['ES', '612345678', '612 34 56 78', '+34612345678'],
    ['CH', '0781234567', '078 123 45 67', '+41781234567'],
    ['NO', '40612345', '406 12 345', '+4740612345'],
    ['AU', '0412345678', '0412 345 678', '+61412345678'],
    ['AU', '0255501234', '(02) 5550 1234', '+61255501234'],
    ['JP', '09012345678', '090-1234-5678', '+819012345678'],
    ['JP', '0312345678', '03-1234-5678', '+81312345678'],
    ['BR', '11961234567', '(11) 96123-4567', '+5511961234567'],
    ['IN', '08123456789', '081234 56789', '+918123456789'],
    ['DE', '03012345678', '030 12345678', '+493012345678'],
    ['DE', '015123456789', '01512 3456789', '+4915123456789'],
    ['IT', '0612345678', '06 1234 5678', '+390612345678'],
    ['IT', '3123456789', '312 345 6789', '+393123456789'],
    ['NL', '0612345678', '06 12345678', '+31612345678'],
    ['SE', '0701234567', '070-123 45 67', '+46701234567'],
    ['PL', '512345678', '512 345 678', '+48512345678'],
    ['HU', '06201234567', '06 20 123 4567', '+36201234567'],
    ['RU', '89123456789', '8 (912) 345-67-89', '+79123456789'],
    ['KR', '01012345678', '010-1234-5678', '+821012345678'],
    ['KR', '0212345678', '02-1234-5678', '+82212345678'],
    ['CN', '13812345678', '138 1234 5678', '+8613812345678'],
    ['ZA', '0711234567', '071 123 4567', '+27711234567'],
    ['TR', '05321234567', '0532 123 45 67', '+905321234567'],
  ])('%s %s', (home, text, display, value) => {
    expect(typed({ home }, text)).toMatchObject({ display, left: display, value, verdict: 'pass' });
  });

  test.each([
    ['GB', '+447400123456', '+44 7400 123456', '07400 123456'],
    ['GB', '00447400123456', '00 44 7400 123456', '07400 123456'],
    ['GB', '+33612345678', '+33 6 12 34 56 78', '+33 6 12 34 56 78'],
    ['GB', '0033612345678', '00 33 6 12 34 56 78', '+33 6 12 34 56 78'],
    ['US', '01133612345678', '011 33 6 12 34 56 78', '+33 6 12 34 56 78'],
    ['US', '+12015550123', '+1 201-555-0123', '(201) 555-0123'],
    ['US', '12015550123', '1 (201) 555-0123', '(201) 555-0123'],
    ['GB', '7400123456', '7400 123456', '07400 123456'],
    ['IT', '+390612345678', '+39 06 1234 5678', '06 1234 5678'],
    ['JP', '+819012345678', '+81 90-1234-5678', '090-1234-5678'],
    ['IN', '+918123456789', '+91 81234 56789', '081234 56789'],
  ])('in %s %s is shown as %s, and once left as %s', (home, text, display, left) => {
    expect(typed({ home }, text)).toMatchObject({ display, left });
  });

  test('with the international style a number of the home region takes its code on leaving', () => {
    expect(typed({ home: 'GB', style: 'international' }, '07400123456').left).toBe('+44 7400 123456');
  });

  test.each([
    ['tel:+44-7400-123456', '+447400123456', ''],
    ['tel:7400-123456;phone-context=+44', '+447400123456', ''],
    ['+44 (0)7400 123456', '+447400123456', ''],
    ['+44.7400/123 456', '+447400123456', ''],
    ['07400-123.456', '+447400123456', ''],
    ['０７４００１２３４５６', '+447400123456', ''],
    ['call 07400 123456 now', '+447400123456', 'callnow'],
    ['07400 123456 ext. 12', '+447400123456', 'ext12'],
  ])('pasted %s', (text, value, leftOut) => {
    expect([
      typed({ home: 'GB' }, text, true).value,
      typed({ home: 'GB' }, text, true).state.leftOut,
    ]).toEqual([value, leftOut]);
  });

  test('an extension, where one is wanted', () => {
    const entry = { home: 'GB', extension: true };
    expect(typed(entry, '07400 123456 ext 12', true)).toMatchObject({
      display: '07400 123456 ext. 12',
      value: '+447400123456;ext=12',
    });
    expect(typed(entry, 'tel:+447400123456;ext=12', true).value).toBe('+447400123456;ext=12');
    expect(typed(entry, '07400123456x1').display).toBe('07400 123456 ext. 1');
    expect(typed(entry, '0740012x').state.rejected).toBe('not-accepted');
    // Begun and not gone on with, it is not complete.
    expect(typed(entry, '07400123456x')).toMatchObject({ verdict: 'open', value: null });
  });
});

describe('regions of a shared code are told apart', () => {
  test.each([
    ['+12015550123', 'US'], ['+14165550123', 'CA'], ['+18765550123', 'JM'], ['+12425550123', 'BS'],
    ['+79123456789', 'RU'], ['+77012345678', 'KZ'], ['+447400123456', 'GB'], ['+447509123456', 'JE'],
    ['+441481123456', 'GG'], ['+441624123456', 'IM'], ['+390669812345', 'VA'], ['+390612345678', 'IT'],
    ['+4779123456', 'SJ'], ['+4740612345', 'NO'],
  ])('%s is in %s', (text, region) => {
    const field = phone({ home: 'FR' });
    const state = apply(field, start(field), { type: 'set', text });
    expect(field.kind.facts?.(field.plan, state.body).region).toBe(region);
  }); // biome-ignore format: a table
});

describe('open while a number could still be valid, fail as soon as none can', () => {
  test.each([
    ['GB', {}, '074001234', 'open', 'incomplete'],
    ['GB', {}, '04', 'fail', 'unknown-number'],
    ['GB', {}, '+', 'open', 'incomplete'],
    ['GB', {}, '+99', 'open', 'incomplete'],
    ['GB', {}, '+999', 'fail', 'unknown-number'],
    ['US', {}, '1015', 'fail', 'unknown-number'],
    ['FR', {}, '061234567', 'open', 'incomplete'],
    ['GB', { types: ['mobile'] }, '020', 'fail', 'not-allowed'],
    ['GB', { types: ['mobile'] }, '07', 'open', 'incomplete'],
    ['GB', { regions: ['FR'] }, '+49', 'fail', 'not-allowed'],
    ['GB', { regions: ['FR'] }, '+3', 'open', 'incomplete'],
  ] as const)('%s %o %s', (home, entry, text, verdict, code) => {
    expect(typed({ home, ...entry } as PhoneEntry, text)).toMatchObject({ verdict, code });
  });

  test('a number that is full takes no further digit', () => {
    expect(typed({ home: 'GB' }, '074001234567').state.rejected).toBe('full');
    expect(typed({ home: 'GB' }, '+3361234567890').state.rejected).toBe('full');
  });
});

test('a number that is not wanted is told what is', () => {
  const said = (entry: PhoneEntry, text: string) => {
    const field = phone(entry);
    const state = apply(field, apply(field, start(field), { type: 'set', text }), { type: 'submit' });
    return evaluate(field, state).shown[0]?.message;
  };
  const list = { home: 'CH', regions: ['CH', 'DE'] };
  expect(said(list, '+33612345678')).toBe('Enter a phone number from Switzerland or Germany.');
  expect(said({ home: 'GB', types: ['mobile'] }, '02079460958')).toBe('Enter a mobile number.');
  expect(said({ home: 'GB', types: ['fixed'] }, '07400123456')).toBe('Enter a landline number.');
  // Regions of one calling code are told apart also where only some of them are wanted.
  expect(said({ home: 'US', regions: ['US'] }, '+14165550123')).toBe(
    'Enter a phone number from the United States.',
  );
  expect(said({ home: 'GB', regions: ['GB'] }, '01481123456')).toBe(
    'Enter a phone number from the United Kingdom.',
  );
  expect(said({ home: 'CA', regions: ['CA'] }, '+12015550123')).toBe('Enter a phone number from Canada.');
  expect(said({ home: 'CA', regions: ['CA'] }, '+14165550123')).toBeUndefined();
  expect(said(list, '+41781234567')).toBeUndefined();
});

test('a number handed over with its calling code and no plus is that number', () => {
  for (const type of ['autofill', 'set', 'paste'] as const) {
    const field = phone({ home: 'GB' });
    const state = apply(field, start(field), { type, text: '447700900123' });
    expect([evaluate(field, state).value, state.leftOut]).toEqual(['+447700900123', '']);
  }
});

describe('every region there is as home', () => {
  const numbers = [
    '004474',
    '0033612345678',
    '+447400123456',
    '101234567',
    '0101234567',
    '12345',
    '612345678',
    '0',
    '00',
    '071234567',
  ];
  test('each of ISO 3166 with a telephone is one', () => {
    for (const region of ['GS', 'TF', 'UM', 'PN', 'BV', 'HM', 'AQ', 'IO', 'XK', 'AD'])
      expect(allRegions).toContain(region);
  });
  test.each(allRegions)(
    '%s: what is shown does not depend on the way there, and leaving spoils nothing',
    (home) => {
      const field = phone({ home });
      const focused = apply(field, start(field), { type: 'focus' });
      for (const text of numbers) {
        const typed = keysOf(text).reduce((state, key) => apply(field, state, key), focused);
        const pasted = apply(field, focused, { type: 'set', text: typed.body.content });
        expect(typed.body.display).toBe(pasted.body.display);
        const { value, findings } = evaluate(field, typed);
        const left = apply(field, typed, { type: 'leave' });
        expect([evaluate(field, left).value, evaluate(field, left).findings[0]!.verdict]).toEqual([
          value,
          findings[0]!.verdict,
        ]);
        expect(evaluate(field, apply(field, left, { type: 'focus' })).value).toBe(value);
      }
      if (planOf(home)!.idd !== '00') return;
      const abroad = keysOf('0033612345678').reduce((state, key) => apply(field, state, key), focused);
      expect(evaluate(field, abroad).value).toBe('+33612345678');
    },
  );
});

test('short numbers of Vienna and Stockholm', () => {
  expect(typed({ home: 'AT' }, '01711')).toMatchObject({ value: '+431711', left: '01 711' });
  expect(typed({ home: 'SE' }, '08123456')).toMatchObject({ value: '+468123456', left: '08-12 34 56' });
  expect(typed({ home: 'SE' }, '081234567')).toMatchObject({ value: '+4681234567', left: '08-123 45 67' });
  expect(typed({ home: 'SE' }, '08123456789').left).toBe('08-123 456 78');
});

test('a field for listed regions carries those plans and no others', () => {
  const { plans, codes } = phone({ home: 'GB', regions: ['FR', 'CH'] }).plan as PhonePlan;
  expect(Object.keys(plans).sort()).toEqual(['CH', 'FR', 'GB']);
  expect(Object.keys(codes).sort()).toEqual(['33', '41', '44']);
});
