import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { compileField } from '../../document/compile-field.ts';
import type { FieldDocument } from '../../document/document.ts';
import { readDocument } from '../../document/read-document.ts';
import { apply, keysOf, start } from '../../field/apply.ts';
import { evaluate } from '../../field/evaluation.ts';
import { trial } from '../../tape/trial.ts';
import { kinds } from '../registry.ts';
import { valueTypesOf } from '../value-types.ts';

const fieldOf = (pattern: readonly string[], more: object = {}) =>
  compileField(
    { id: 'it', kind: 'pattern', label: 'It', entry: { pattern, ...more } } as unknown as FieldDocument,
    { locale: 'en-GB', classes: { hex: '0-9A-F' } },
    kinds,
  );

/** Cards in groups of their own: 15 digits as 4-6-5, others as 4-4-4-4. */
const cards = ['<"3"><"47"><2 digit> <6 digit> <5 digit>', '<4 digit> <4 digit> <4 digit> <4 digit>'];
const plates = ['<2 latin upper><2 digit> <3 latin upper>', '<latin upper><1-3 digit> <3 latin upper>'];

test.each([
  ['the first that accepts it lays it out', cards, 'type "37"\nexpect display "37|"\ntype "82822463"\nexpect display "3782 822463|"\ntype "10005"\nexpect display "3782 822463 10005|"\nexpect value "378282246310005"\ntype "1"\nexpect display "3782 8224 6310 0051|"\ntype "1"\nexpect rejected full'],
  ['another lays out what the first refuses', cards, 'type "4242424242424242"\nexpect display "4242 4242 4242 4242|"\nexpect value "4242424242424242"'],
  ['the text changes shape as a digit in front decides', cards, 'type "3582822463"\nexpect display "3582 8224 63|"\ncaret 1\ndelete\ntype "7"\nexpect display "37|82 822463"'],
  ['a digit that no pattern goes on with is refused', ['<"1"><3 digit>', '<"2"><5 digit>'], 'type "3"\nexpect rejected not-accepted\ntype "1234"\ntype "5"\nexpect rejected full'],
  ['what is full in one may go on in another', ['<3 digit>-<3 digit>', '<10 digit>'], 'type "123456"\nexpect display "123-456|"\nexpect value "123456"\ntype "7"\nexpect display "1234567|"\nexpect value null\nbackspace\nexpect display "123-456|"'],
  ['a deletion always happens; what nothing accepts is shown as it is', ['<2 latin upper>-<3 digit>'].concat('<4 latin upper>'), 'type "ab123"\nexpect display "AB-123|"\ncaret 1\nbackspace\nexpect display "|B123"\nexpect value null\nexpect verdict complete fail\nexpect raw "B123"\ntype "1"\nexpect rejected not-accepted\ntype "x"\nexpect display "X|B-123"\nexpect value "XB123"'],
  ['and it is deleted on', ['<2 latin upper>-<3 digit>', '<4 latin upper>'], 'type "ab123"\ncaret 1\nbackspace\ndelete\ndelete\nexpect display "|23"\nselect all\nbackspace\nexpect display "|"\nundo\nexpect display "23"'],
  ['its message is that of a form', ['<2 latin upper>-<3 digit>', '<4 latin upper>'], 'type "ab123"\ncaret 1\nbackspace\nleave\nexpect codes no-match\nexpect message "This is not in the expected format."'],
  ['a separator of the pattern in use is passed', plates, 'type "ab12 cde"\nexpect display "AB12 CDE|"\nselect all\ntype "a1 bcd"\nexpect display "A1 BCD|"\nexpect raw "A1BCD"\nexpect value "A1BCD"'],
  ['words are completed when a key leads to another pattern', ['<3 digit>', '<none|some>-<digit>'], 'type "n"\nexpect display "none|"\ntype "1"\nexpect display "none-1|"'],
  ['letters that completing a word brought are typed over, though no pattern accepts the whole', ['<00..23> ', '<?<AM|PM><00..23>><0-1 digit>'], 'paste "4"\nleft\ntype "a"\nexpect display "AM|4"\ntype "m"\nexpect display "AM|4"\nexpect rejected none\ntype "m"\nexpect rejected not-accepted'],
  ['letters of fixed text are content where only another goes on with them', ['RH-<4 digit>', '<6 alnum upper>'], 'type "rh12"\nexpect display "RH12|"\nexpect raw "RH12"\nselect all\npaste "RH-1234"\nexpect display "RH-1234|"\nexpect raw "1234"'],
  ['fixed text of the pattern in use is typed over', ['+44 <4 digit>', '<3 latin>'], 'type "+441234"\nexpect display "+44 1234|"\nexpect value "1234"'],
  ['a paste is taken like its keys, and the rest reported', cards, 'paste "3782-822463-10005"\nexpect display "3782 822463 10005|"\nselect all\npaste "4242x4242"\nexpect display "4242 4242|"\nexpect rejected none\nexpect left-out "x"'],
  ['over a selection', cards, 'type "378282246310005"\nselect 0 1\ntype "4"\nexpect display "4|782 8224 6310 005"'],
])('%s', (_, pattern, lines) => {
  const set = { fields: [fieldOf(pattern)], forms: [] };
  expect(trial(set, `field it\nfocus\n${lines}`)).toEqual([]);
}); // biome-ignore format: a row a case

test('keeps the caret after fixed text when a deletion changes the pattern in use', () => {
  const field = fieldOf(['<0-1 digit>-', '<0-1 digit>-<0-1 digit>'], { literals: 'behind' });
  const typed = keysOf('00').reduce((state, key) => apply(field, state, key), start(field));
  const { body, start: caret } = apply(field, typed, { type: 'backspace' });
  expect([body.display, caret]).toEqual(['0-', 2]);
});

test('a deletion keeps the other characters, even if another pattern would fold them', () => {
  const field = fieldOf(['<00..23>-', '<0-3 any>-']);
  const typed = ['0', '0', '٣'].reduce(
    (state, text) => apply(field, state, { type: 'key', text }),
    start(field),
  );
  const { body } = apply(field, apply(field, typed, { type: 'select', start: 0, end: 1 }), {
    type: 'delete',
  });
  expect([typed.body.content, body.content]).toEqual(['00٣', '0٣']);
});

test('guide text is that of the pattern in use', () => {
  const field = fieldOf(cards, { ghost: true });
  const guideOf = (text: string) => {
    const { body } = keysOf(text).reduce((state, key) => apply(field, state, key), start(field));
    return [body.display, field.kind.guideText?.(field.plan, body)];
  };
  expect(guideOf('378')).toEqual(['378', '_ ______ _____']);
  expect(guideOf('42')).toEqual(['42', '__ ____ ____ ____']);
});

const faultsOf = (entry: object): readonly string[] => {
  const fields = [{ id: 'it', kind: 'pattern', label: 'It', entry }];
  const read = readDocument(
    { arbeit: 2, title: 'T', locale: 'en-GB', classes: { hex: '0-9A-F' }, fields },
    kinds,
  );
  return read.ok ? [] : read.faults.map(({ path, message }) => `${path.slice(17)}: ${message}`);
};

describe('a list in a document', () => {
  test.each<[string, object, readonly string[]]>([
    ['two patterns', { pattern: cards }, []],
    ['one pattern', { pattern: ['<4 digit>'] }, []],
    ['none', { pattern: [] }, ['.pattern: Expected at least one item.']],
    ['a class of the set', { pattern: ['<"G-Z">', '<4 hex>'] }, []],
    ['each fault at its place', { pattern: ['<4 digit', '<4 digti>'] }, [
      '.pattern[0]: This cell is not closed. Expected ">". Write "<<" for a "<" that is shown.',
      '.pattern[1]: Unknown "digti". Expected digit, letter, latin, alnum, any, hex, characters in quotes, a number range such as 00..59, or words separated by "|".',
    ]],
    ['a pattern that can never be in use', { pattern: ['<6 digit>', '<2 digit>-<2 digit>', '<"AB"><digit>'] }, [
      '.pattern[1]: This pattern is never used, because an earlier pattern accepts the same. Move it up, or remove it.',
    ]],
    ['one that others cover together', { pattern: ['<"0-4"><2 digit>', '<"5-9"><2 digit>', '<3 digit>'] }, [
      '.pattern[2]: This pattern is never used, because an earlier pattern accepts the same. Move it up, or remove it.',
    ]],
    ['covered by a class of the set', { pattern: ['<4 hex>', '<2 digit>'] }, [
      '.pattern[1]: This pattern is never used, because an earlier pattern accepts the same. Move it up, or remove it.',
    ]],
    ['numbers and words', { pattern: ['<00..23>:<00..59>', '<24..99>', '<am|pm>'] }, []],
    ['fixed positions', { pattern: cards, positions: 'fixed' }, ['.positions: A list of patterns cannot have fixed positions, because the pattern changes while typing.']],
    ['too many cells', { pattern: ['<1500 digit>', '<1500 latin>'] }, ['.pattern: These patterns have 3000 cells together. The maximum is 2000.']],
    ['compact where a part ends early', { pattern: ['<4 digit>', '<1-3 latin>-<2 latin>'], raw: 'compact' }, [
      '.raw: Without separators this raw value is ambiguous, because a part of the pattern can be shorter. Use "text".',
    ]],
    ['a hundred and one', { pattern: Array.from({ length: 101 }, (_, i) => `<"${String.fromCodePoint(0x4e00 + i)}">`) }, ['.pattern: This list has 101 items. The maximum is 100.']],
  ])('%s', (_, entry, faults) => {
    expect(faultsOf(entry)).toEqual(faults);
  }); // biome-ignore format: a row a case
});

/** Lists whose contents say which cells are filled. */
const lists = fc.constantFrom<readonly string[]>(
  cards,
  ['<2 latin upper>-<3 digit>', '<4 latin upper>', '<"0-4">/<2 digit>'],
  ['<3 digit>-<3 digit>', '<10 digit>', '<2 digit>.<"XY"><2 digit>'],
  ['(<2 digit>) <2 digit>', '<00..59>:<5 latin>'],
);

describe('laws of lists', () => {
  const edits = fc.array(
    fc.oneof(
      { arbitrary: fc.constantFrom(...'0123456789ABXYab-. /').map((text) => ({ type: 'key' as const, text })), weight: 8 },
      { arbitrary: fc.constantFrom('backspace' as const, 'delete' as const, 'undo' as const).map((type) => ({ type })), weight: 3 },
      { arbitrary: fc.tuple(fc.nat(12), fc.nat(12)).map(([a, b]) => ({ type: 'select' as const, start: Math.min(a, b), end: Math.max(a, b) })), weight: 2 },
      { arbitrary: fc.constantFrom('3782-8', 'AB-123', '12', '4/12', '123-4567').map((text) => ({ type: 'paste' as const, text })), weight: 1 },
    ),
    { maxLength: 25 },
  ); // biome-ignore format: an event a line

  test('the content alone decides what is shown, and the first pattern that accepts it shows it', () => {
    fc.assert(
      fc.property(lists, edits, (patterns, tape) => {
        const field = fieldOf(patterns);
        const state = tape.reduce(
          (now, event) => apply(field, now, event),
          apply(field, start(field), { type: 'focus' }),
        );
        const { content } = state.body;
        // Typed alone by each pattern, up to the first that takes all of it as it is.
        const alone = patterns.flatMap((one) => {
          const own = fieldOf([one]);
          const typed = keysOf(content).reduce(
            (now, key) => (now.rejected ? now : apply(own, now, key)),
            apply(own, start(own), { type: 'focus' }),
          );
          return typed.rejected || typed.body.content !== content ? [] : [typed.body.display];
        });
        const passed = (state.body as { passed?: unknown }).passed;
        if (content && !passed) expect(state.body.display).toBe(alone[0] ?? content);
      }),
      { numRuns: 600 },
    );
  });

  test('set with raw gives it back, and a deletion takes one character', () => {
    fc.assert(
      fc.property(lists, edits, (patterns, tape) => {
        const field = fieldOf(patterns);
        const state = tape.reduce(
          (now, event) => apply(field, now, event),
          apply(field, start(field), { type: 'focus' }),
        );
        const { raw, value } = evaluate(field, state);
        const set = evaluate(field, apply(field, start(field), { type: 'set', text: raw }));
        expect([set.raw, set.value]).toEqual([raw, value]);
        const count = [...state.body.content].length;
        const end = apply(field, state, { type: 'select', start: 99, end: 99 });
        const less = apply(field, end, { type: 'backspace' });
        const passed = (state.body as { passed?: unknown }).passed;
        if (count > 0 && !passed) expect([...less.body.content].length).toBe(count - 1);
      }),
      { numRuns: 600 },
    );
  });

  test('values are those of the expression', () => {
    for (const patterns of [cards, ['<2 latin upper>-<3 digit>', '<4 latin upper>']]) {
      const { values, typedForm } = valueTypesOf(fieldOf(patterns).plan);
      expect(values.beyond).toBeUndefined();
      const form = new RegExp(`^(?:${values.expression})$`, 'u');
      const typed = new RegExp(`^(?:${typedForm})$`, 'u');
      fc.assert(
        fc.property(fc.stringMatching(/^[3457A-C][0-9A-C]{0,15}$/), (text) => {
          const field = fieldOf(patterns);
          const { value } = evaluate(field, apply(field, start(field), { type: 'set', text }));
          expect([text, value === text]).toEqual([text, form.test(text)]);
          if (value === text) expect(typed.test(text)).toBe(true);
        }),
        { numRuns: 500 },
      );
    }
    const { values } = valueTypesOf(fieldOf(['<3 digit>-<3 digit>', '<"1"><1-9 digit>']).plan);
    expect(values.beyond).toMatch(/further up/);
  });
});
