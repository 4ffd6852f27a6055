import { describe, expect, test } from 'vitest';
import { apply } from '../field/apply.ts';
import { kinds } from '../kinds/registry.ts';
import { equivalentConfig } from './equivalent-config.ts';
import type { Law } from './law.ts';
import { subjectWith } from './law-subject.ts';
import { breachAt } from './laws-of-steps.ts';
import { type Formatter, pastedField, type Wiring } from './pasted.ts';
import { auditPasted, shownAlong } from './pasted-audit.ts';

/** A formatter as one finds it everywhere: digits taken out of the text, and put into groups. */
const phone: Formatter = (text) => {
  const digits = text.replace(/\D/g, '').slice(0, 10);
  if (digits.length < 4) return digits;
  if (digits.length < 7) return `(${digits.slice(0, 3)}) ${digits.slice(3)}`;
  return `(${digits.slice(0, 3)}) ${digits.slice(3, 6)}-${digits.slice(6)}`;
};
const thousands: Formatter = (text) => text.replace(/\D/g, '').replace(/\B(?=(\d{3})+$)/g, ',');

const broken = (format: Formatter, wiring: Wiring, most = 4000): ReadonlyMap<Law, readonly string[]> => {
  const { found } = auditPasted(format, wiring, { seed: 1, events: most });
  return new Map(found.map(({ law, actions }) => [law, actions]));
};

describe('a function that somebody brings', () => {
  test('stands in an input as a page wires it: the caret thrown to the end, or put back by counting', () => {
    const shown = (wiring: Wiring, at: number): string => {
      const { field } = pastedField('theirs', phone, wiring);
      return shownAlong(field, ['type "5550123"', `caret ${at}`, 'backspace']).at(-1) ?? '';
    };
    expect(shown('browser', 2)).toBe('(550) 123|');
    expect(shown('count', 2)).toBe('|(550) 123');
    // The separator comes straight back.
    expect(shown('count', 6)).toBe('(555|) 012-3');
  });

  test('is told what it breaks, law by law, with short keys', () => {
    const byBrowser = broken(phone, 'browser');
    expect([...byBrowser.keys()]).toEqual(expect.arrayContaining([3, 4, 5, 6, 7]));
    for (const [law, actions] of byBrowser) expect([law, actions.length <= 6]).toEqual([law, true]);
    const byCount = broken(phone, 'count');
    expect([...byCount.keys()]).toEqual(expect.arrayContaining([4, 6, 7]));
    expect([...byCount.keys()]).not.toContain(3);
  });

  test('one that leaves the text alone breaks none that it could keep', () => {
    expect([...broken((text) => text, 'count').keys()]).toEqual([]);
  });

  test.each<[string, Formatter, readonly Law[]]>([
    ['throws', (text) => { if (text.length > 5) throw new TypeError('too long'); return text; }, [11]],
    ['answers no text', () => undefined as unknown as string, [11]],
    ['is not done with what it made itself', (text) => `${text}!`, [2, 12]],
    ['pushes out what is too much', (text) => text.slice(0, 4), [6]],
    ['reorders', (text) => [...text].sort().join(''), [3]],
  ])('one that %s is told so', (_, format, laws) => {
    expect([...broken(format, 'count').keys()]).toEqual(expect.arrayContaining([...laws]));
  }); // biome-ignore format: a function a line
});

test('a key that it drops without a word is one law broken, whatever else is not', () => {
  const { field, exemptions } = pastedField('theirs', (text) => text.replace(/\D/g, ''), 'count');
  const subject = subjectWith(field, exemptions, '');
  const before = subject.fresh;
  const key = (text: string) => {
    const event = { type: 'key', text } as const;
    return breachAt(subject, { before, event, after: apply(field, before, event) }, new Map(), {
      isAll: true,
    });
  };
  expect(key('a')).toMatchObject({ law: 6, expected: '“a” in the field, or a word that it was not taken' });
  expect([key('1'), key('-')]).toEqual([undefined, undefined]);
});

describe('what does the same', () => {
  test.each<[string, Formatter, object]>([
    ['a pattern', phone, { kind: 'pattern' }],
    ['capitals', (text) => text.toUpperCase(), { kind: 'text', entry: { case: 'upper' } }],
    ['a number in groups', thousands, { kind: 'number' }],
    ['an amount', (text) => { const digits = text.replace(/\D/g, ''); return digits && `£${digits.replace(/^0+(?=\d)/, '').replace(/\B(?=(\d{3})+$)/g, ',')}`; }, { kind: 'currency', entry: { currency: 'GBP' }, locale: 'en-GB' }],
    ['four by four', (text) => text.replace(/\D/g, '').slice(0, 16).replace(/(\d{4})(?=\d)/g, '$1 '), { kind: 'pattern', entry: { pattern: '<4 digit> <4 digit> <4 digit> <4 digit>', literals: 'behind' } }],
  ])('%s', (_, format, field) => {
    const found = equivalentConfig(format, kinds);
    expect(found?.field).toMatchObject(field);
    expect(found!.agreed / found!.of).toBeGreaterThan(0.5);
  }); // biome-ignore format: a function a line

  test('nothing, of what no field does', () => {
    expect(equivalentConfig((text) => [...text].reverse().join(''), kinds)).toBeUndefined();
    expect(equivalentConfig((text) => text, kinds)).toBeUndefined();
    expect(equivalentConfig(() => { throw new RangeError('no'); }, kinds)).toBeUndefined();
  }); // biome-ignore format: a function a line
});
