import { readFileSync } from 'node:fs';
import { describedBy } from '@arbeit/engine/described';
import { compile, readDocument, type SetDocument } from '@arbeit/engine/document';
import { kinds } from '@arbeit/engine/kinds';
import { parseExpression } from '@arbeit/engine/rules';
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { handOff } from '../build/hand-off.ts';
import { recordSchema } from '../build/record-schema.ts';
import { sourcesFrom } from '../build/sources.ts';
import { documentText } from '../document-text.ts';
import { sortOf } from './bring-in.ts';
import { fromHtml } from './from-html.ts';
import { fromSchema } from './from-schema.ts';
import { fromTable, namesIn, rowsOf } from './from-table.ts';
import { patternOf } from './pattern-of.ts';
import type { BroughtIn } from './sound.ts';

const demo = JSON.parse(
  readFileSync(new URL('../../studio/demo/ridge-huts.arbeit.json', import.meta.url), 'utf8'),
) as SetDocument;
const seed = Number(process.env.ARBEIT_SEED ?? 20270210);
/** Whatever comes in makes a set that compiles. */
const sound = ({ set }: BroughtIn): SetDocument => {
  const result = readDocument(structuredClone(set), kinds);
  if (!result.ok) throw new RangeError(JSON.stringify(result.faults));
  compile(result.document, kinds);
  return result.document;
};

describe('a regular expression as a pattern', () => {
  test.each([
    ['\\d{4}', '<4 digit>'],
    ['[A-Z]{2}-\\d{4}', '<2 latin upper>-<4 digit>'],
    ['\\(\\d{3}\\) \\d{3}-\\d{4}', '(<3 digit>) <3 digit>-<4 digit>'],
    ['RH-[0-9]{4}-[A-Z]{2}[0-9X]', 'RH-<4 digit>-<2 latin upper><"0-9X" upper>'],
    ['(?:[01]\\d|2[0-3]):[0-5]\\d', '<00..23>:<00..59>'],
    ['(0[1-9]|1[0-2])/\\d{2}', '<01..12>/<2 digit>'],
    [
      '[0-9a-f]{2}(:[0-9a-f]{2}){5}',
      '<2 "0-9a-f" lower>:<2 "0-9a-f" lower>:<2 "0-9a-f" lower>:<2 "0-9a-f" lower>:<2 "0-9a-f" lower>:<2 "0-9a-f" lower>',
    ],
    ['\\d{4}( ext\\. \\d{1,5})?', '<4 digit><? ext. <1-5 digit>>'],
    ['[a-zA-Z]\\d?', '<latin><0-1 digit>'],
    ['(AM|PM)', '<AM|PM>'],
    ['a<\\d', 'a<<<digit>'],
    ['[-+]\\d', '<"-+"><digit>'],
    ['\\d\\d\\d', '<3 digit>'],
  ])('%s is %s', (source, pattern) => {
    expect(patternOf(source)).toEqual({ is: 'exact', pattern });
  });

  test.each([
    ['\\d+', /without an end/],
    ['(?=.*\\d).{3}', /any character but some|looks ahead/],
    ['.{3}', /any character but some/],
    ['\\p{Lu}\\d', /property of Unicode/],
    ['(ab|cd ef)', /signs in them/],
    ['(\\d{2}){2,5}', /varying number/],
    ['[^a]', /any character but some/],
    ['(a', /not closed/],
    ['abc', /Nothing can be typed/],
    ['\\d{1,3}\\d', /could not be held|one of the two/],
    ['["a]', /quotation mark/],
  ])('%s is none, and says why', (source, why) => {
    expect(patternOf(source)).toEqual({ is: 'not', why: expect.stringMatching(why) });
  });

  test('what is called exact is: random expressions and texts', () => {
    const atom = fc.constantFrom(
      '\\d',
      '[A-Z]',
      '[a-z]',
      '[0-9A-F]',
      'x',
      '-',
      '\\.',
      '(?:[01]\\d|2[0-3])',
      '(ab|cd)',
      '[A-Za-z]',
    );
    const times = fc.constantFrom('', '', '{2}', '{1,3}', '?', '{0,2}');
    const source = fc
      .array(
        fc.tuple(atom, times).map(([a, n]) => a + n),
        { minLength: 1, maxLength: 5 },
      )
      .map((list) => list.join(''));
    let exact = 0;
    fc.assert(
      fc.property(
        source,
        fc.array(fc.array(fc.constantFrom(...'0129abcdxABFZ-.'), { maxLength: 8 }), { maxLength: 30 }),
        (expression, some) => {
          const found = patternOf(expression);
          if (found.is === 'not') return;
          exact++;
          const field = compile(
            {
              arbeit: 1,
              title: 'T',
              locale: 'en-GB',
              fields: [
                { id: 'a', kind: 'pattern', label: 'A', entry: { pattern: found.pattern, raw: 'text' } },
              ],
            } as unknown as SetDocument,
            kinds,
          ).fields[0]!;
          const whole = new RegExp(`^(?:${expression})$`, 'u');
          const own = new RegExp(`^(?:${describedBy(field.plan).values.expression})$`, 'u');
          for (const list of some) {
            const text = list.join('');
            if (text)
              expect([found.pattern, text, own.test(text)]).toEqual([found.pattern, text, whole.test(text)]);
          }
        },
      ),
      { numRuns: Number(process.env.ARBEIT_RUNS ?? 400), seed },
    );
    expect(exact).toBeGreaterThan(40);
  });
});

describe('an HTML form', () => {
  const booking = `<!doctype html><html lang="en-GB"><title>Book a hut</title>
<form action="https://elsewhere.example/send" onsubmit="steal()">
  <h2>Book a hut</h2>
  <label for="name">Your name *</label><input id="name" name="guestName" required minlength="2" maxlength="40" autocomplete="name" placeholder="As on the pass">
  <label>Telephone <input type="tel" name="phone" autocomplete="tel"></label>
  <label>Pass <input name="pass" pattern="[A-Z]{2}-\\d{4}" title="Two letters, four digits" autocapitalize="characters"></label>
  <label>Anything <input name="any" pattern="\\d+x" title="Digits and an x"></label>
  <label>E-mail <input type="email" name="mail" aria-describedby="mail-hint"></label><small id="mail-hint">For the
    confirmation.</small>
  <label>Guests <input type="number" name="guests" min="1" max="24" value="2"></label>
  <label>Deposit <input type="number" name="deposit" step="0.01" min="0"></label>
  <label>Arrival <input type="date" name="arrival" min="2027-01-01"></label>
  <label>At <input type="time" name="at"></label>
  <label>Code <input name="code" inputmode="numeric" autocomplete="one-time-code" maxlength="6"></label>
  <label>PIN <input type="password" name="pin" inputmode="numeric" maxlength="4"></label>
  <label>Remarks <textarea name="remarks" rows="4" maxlength="300">none</textarea></label>
  <label>Hut <select name="hut" required><option value="">Choose a hut</option><option value="w">Windgap</option><option value="t" selected>Two Tarns</option></select></label>
  <fieldset><legend>Meals</legend><label><input type="radio" name="meals" value="none" checked> None</label><label><input type="radio" name="meals" value="half"> Half board</label></fieldset>
  <fieldset><legend>Extras</legend><label><input type="checkbox" name="extras" value="wood"> Firewood</label><label><input type="checkbox" name="extras" value="tea"> Tea</label></fieldset>
  <label><input type="checkbox" name="dog"> A dog comes along</label>
  <input type="file" name="picture"><input type="hidden" name="token" value="x"><input type="color" name="shade">
  <button>Send</button>
</form></html>`;
  const brought = fromHtml(booking);
  const set = sound(brought);
  const of = (id: string) => set.fields.find((field) => field.id === id);

  test('kinds, labels, hints, attributes and choices', () => {
    expect(set.fields.map(({ id, kind }) => `${id}: ${kind}`)).toEqual([
      'guest-name: text', 'phone: phone', 'pass: pattern', 'any: text', 'mail: text', 'guests: number', 'deposit: number', 'arrival: date', 'at: time',
      'code: one-time-code', 'pin: pin', 'remarks: text', 'hut: choice', 'meals: choice', 'extras: choices', 'dog: yes-no',
    ]); // biome-ignore format: a list
    expect(of('guest-name')).toMatchObject({
      label: 'Your name',
      placeholder: 'As on the pass',
      entry: { max: 40 },
      html: { autocomplete: 'name' },
    });
    expect(of('guest-name')!.rules!.map(({ check }) => check)).toEqual([
      { type: 'required' },
      { type: 'length', min: 2 },
    ]);
    expect(of('phone')).toMatchObject({ label: 'Telephone', entry: { home: 'GB' } });
    expect(of('pass')).toMatchObject({
      entry: { pattern: '<2 latin upper>-<4 digit>' },
      hint: 'Two letters, four digits',
      html: { autocapitalize: 'characters' },
    });
    expect(of('any')!.rules).toEqual([
      { id: 'form', check: { type: 'matches', pattern: '\\d+x' }, say: 'Digits and an x' },
    ]);
    expect(of('mail')).toMatchObject({ hint: 'For the confirmation.', html: { inputmode: 'email' } });
    expect(of('guests')).toMatchObject({
      initial: '2',
      rules: [{ check: { type: 'range', min: 1, max: 24 } }],
    });
    expect(of('deposit')).toMatchObject({ entry: { decimals: { max: 2 } } });
    expect(of('remarks')).toMatchObject({ entry: { max: 300, lines: 4 }, initial: 'none' });
    expect(of('hut')).toMatchObject({
      placeholder: 'Choose a hut',
      initial: 't',
      entry: {
        options: [
          { value: 'w', label: 'Windgap' },
          { value: 't', label: 'Two Tarns' },
        ],
      },
    });
    expect(of('meals')).toMatchObject({ label: 'Meals', initial: 'none', entry: { draw: 'radio' } });
    expect(of('extras')).toMatchObject({ label: 'Extras' });
    expect(of('dog')).toMatchObject({ label: 'A dog comes along', entry: { draw: 'tick' } });
    expect(set).toMatchObject({ title: 'Book a hut', locale: 'en-GB', forms: [{ title: 'Book a hut' }] });
  });

  test('what could not be carried over is told by place', () => {
    expect(brought.lost.map(({ where, place }) => [where, place?.line])).toEqual([
      ['“any”, type text', 7],
      ['“picture”, type file', 21],
      ['“token”, type hidden', 21],
      ['“shade”, type color', 21],
      ...brought.lost.slice(4).map(({ where, place }) => [where, place?.line]),
    ]);
    expect(brought.lost.every(({ why }) => why.length > 10)).toBe(true);
    expect(brought.lost[0]!.why).toMatch(/without an end/);
  });

  test('nothing in it runs, and rubbish makes a set all the same', () => {
    for (const text of [
      '',
      '<',
      '<form>',
      '<input>'.repeat(300),
      '<script>throw 1</script><img src=x onerror=alert(1)><input name="a" onfocus="alert(1)" value="<b>">',
      '\0<input name="\u202e">',
      `<input name="${'x'.repeat(5000)}" pattern="(">`,
      '<svg><input></svg><template><input name="t"></template><math><select>',
    ])
      sound(fromHtml(text));
    const { set: made, lost } = fromHtml(
      '<form><input name="a" onfocus="alert(1)" style="x" formaction="y"></form>',
    );
    expect(JSON.stringify(made)).not.toMatch(/alert|formaction|style/);
    expect(lost).toEqual([expect.objectContaining({ where: '<input>, onfocus' })]);
    fc.assert(
      fc.property(
        fc.array(
          fc.constantFrom(
            '<',
            '>',
            '"',
            "'",
            'input',
            ' name=a',
            ' pattern="',
            '[',
            '\\d{2}',
            ' type=',
            'radio',
            'date',
            ' min=9',
            ' value=',
            'x',
            '<option>',
            '<select name=s>',
            '</select>',
            ' ',
          ),
        ),
        (pieces) => void sound(fromHtml(pieces.join(''))),
      ),
      { numRuns: 200, seed },
    );
  });

  test('our own page comes in again with every field', async () => {
    const files = await handOff({ set: demo, uses: ['html'], sources: sourcesFrom(process.cwd()) });
    const { set: again } = fromHtml(files.get('html/booking.html')!);
    expect(again.fields.map(({ id }) => id)).toEqual(
      demo.forms!.find(({ id }) => id === 'booking')!.fields ?? again.fields.map(({ id }) => id),
    );
    expect(again.fields.find(({ id }) => id === 'hut')).toMatchObject({
      kind: 'choice',
      label: 'Hut',
      placeholder: 'Choose a hut',
    });
  });
});

describe('a JSON Schema', () => {
  const schema = {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    title: 'Booking',
    type: 'object',
    required: ['guestName', 'hut'],
    $defs: { day: { type: 'string', format: 'date', title: 'A day' }, circle: { $ref: '#/$defs/circle' } },
    properties: {
      guestName: {
        type: 'string',
        title: 'Guest',
        minLength: 2,
        maxLength: 40,
        description: 'As on the pass.',
        examples: ['A. Guest'],
      },
      mail: { type: ['string', 'null'], format: 'email' },
      pass: { type: 'string', pattern: '^[A-Z]{2}-\\d{4}$' },
      loose: { type: 'string', pattern: 'x' },
      arrival: { $ref: '#/$defs/day' },
      guests: { type: 'integer', minimum: 1, maximum: 24, default: 2 },
      deposit: { type: 'number', exclusiveMinimum: 0, multipleOf: 0.5 },
      hut: { enum: ['windgap', 'two-tarns'] },
      meals: {
        oneOf: [
          { const: 'none', title: 'No meals' },
          { const: 'half', title: 'Half board' },
        ],
      },
      extras: { type: 'array', items: { enum: ['wood', 'tea'] }, maxItems: 2 },
      dog: { type: 'boolean', default: true },
      address: { type: 'object' },
      again: { $ref: '#/$defs/circle' },
      elsewhere: { $ref: 'https://elsewhere.example/schema.json' },
      odd: { type: 'string', format: 'ipv4' },
    },
    if: {},
  };
  const source = JSON.stringify(schema, null, 2);
  const brought = fromSchema(source, schema);
  const set = sound(brought);
  const of = (id: string) => set.fields.find((field) => field.id === id);

  test('kinds, labels, hints, rules and choices', () => {
    expect(set.fields.map(({ id, kind }) => `${id}: ${kind}`)).toEqual([
      'guest-name: text', 'mail: text', 'pass: pattern', 'loose: text', 'arrival: date', 'guests: number', 'deposit: number', 'hut: choice', 'meals: choice', 'extras: choices',
      'dog: yes-no', 'again: text', 'elsewhere: text', 'odd: text',
    ]); // biome-ignore format: a list
    expect(of('guest-name')).toMatchObject({
      label: 'Guest',
      hint: 'As on the pass.',
      placeholder: 'A. Guest',
      entry: { max: 40 },
    });
    expect(of('guest-name')!.rules!.map(({ check }) => check.type)).toEqual(['required', 'length']);
    expect(of('pass')!.entry).toEqual({ pattern: '<2 latin upper>-<4 digit>', raw: 'text' });
    expect(of('arrival')!.label).toBe('A day');
    expect(of('guests')).toMatchObject({
      initial: '2',
      rules: [{ check: { type: 'range', min: 1, max: 24 } }],
    });
    expect(of('deposit')).toMatchObject({
      entry: { decimals: { max: 1 } },
      rules: [{ check: { type: 'range', min: 0.1, step: 0.5 } }],
    });
    expect(of('meals')!.entry).toMatchObject({
      options: [
        { value: 'none', label: 'No meals' },
        { value: 'half', label: 'Half board' },
      ],
    });
    expect(of('dog')).toMatchObject({ initial: 'yes' });
  });

  test('what could not be carried over is told by place', () => {
    expect(
      brought.lost.map(({ where, place }) => [
        where,
        source.split('\n')[(place?.line ?? 0) - 1]?.trim().split(':')[0],
      ]),
    ).toEqual(
      [
        ['loose.pattern', '"type"'],
        ['address', '"address"'],
        ['again.$ref', '"again"'],
        ['elsewhere.$ref', '"elsewhere"'],
        ['odd.format', '"odd"'],
        ['if', '"if"'],
      ].map(([where]) => [where, expect.any(String)]),
    );
  });

  test('export, import, export gives the same bytes', () => {
    for (const form of demo.forms!) {
      const { schema: first } = recordSchema(demo, form, kinds);
      const again = fromSchema(JSON.stringify(first), first);
      expect(again.lost).toEqual([]);
      expect(JSON.stringify(recordSchema(again.set, again.set.forms![0]!, kinds).schema)).toBe(
        JSON.stringify(first),
      );
      expect(documentText(sound(again))).toBe(documentText(again.set));
    }
  });

  test('rubbish makes a set all the same', () => {
    const value = fc.jsonValue({ maxDepth: 3 });
    const property = fc.dictionary(
      fc.constantFrom(
        'type',
        'pattern',
        'enum',
        'oneOf',
        'minimum',
        'maxLength',
        'format',
        'default',
        'items',
        '$ref',
        'allOf',
        'title',
        'examples',
      ),
      fc.oneof(value, fc.constantFrom('string', 'array', '^(', '#/properties/a', '#', 'date', ['a', 'b'])),
    );
    fc.assert(
      fc.property(fc.dictionary(fc.string(), property), fc.array(fc.string()), (properties, required) => {
        const root = { type: 'object', properties, required };
        sound(fromSchema(JSON.stringify(root), root));
      }),
      { numRuns: 300, seed },
    );
  });
});

describe('a table of names and examples', () => {
  const guessed = (text: string) => {
    const rows = rowsOf(text);
    return fromTable(rows, namesIn(rows)).map(({ name, guesses }) => `${name}: ${guesses[0]!.what}`);
  };
  test('names above the columns, whatever stands between the cells', () => {
    const cells = [
      ['Guest', 'Mobile', 'Arrival', 'Deposit', 'Pass', 'Guests', 'Hut', 'Dog', 'Mail'],
      [
        'A. Guest',
        '07700 900123',
        '2027-02-14',
        '£20.00',
        'AB-1234',
        '2',
        'Windgap',
        'yes',
        'a@huts.example',
      ],
      [
        'B. Guest',
        '07700 900124',
        '2027-03-01',
        '£35.50',
        'CD-5678',
        '14',
        'Two Tarns',
        'no',
        'b@huts.example',
      ],
      [
        'C. Guest',
        '07700 900125',
        '2027-03-02',
        '£120.00',
        'EF-9012',
        '3',
        'Windgap',
        'no',
        'c@huts.example',
      ],
      [
        'D. Guest',
        '07700 900126',
        '2027-03-04',
        '£25.00',
        'GH-3456',
        '4',
        'Two Tarns',
        'yes',
        'd@huts.example',
      ],
    ];
    for (const sign of ['\t', ',', ';'])
      expect(guessed(cells.map((row) => row.join(sign)).join('\n'))).toEqual([
        'Guest: a text', 'Mobile: a telephone number', 'Arrival: a date', 'Deposit: an amount in GBP', 'Pass: <2 latin upper>-<4 digit>', 'Guests: a number', 'Hut: one of a few', 'Dog: yes or no',
        'Mail: an e-mail address',
      ]); // biome-ignore format: a list
  });
  test('names before the rows', () => {
    expect(guessed('Telephone\t07700 900123\nMember number\tRH-0042-WM6\nKey-box PIN\t1357\nWalk-in\t1:30\nDiscount\t12.5%\nConfirmation code\t123456')).toEqual([
      'Telephone: a telephone number', 'Member number: <2 latin upper>-<4 digit>-<2 latin upper><digit>', 'Key-box PIN: a PIN', 'Walk-in: a time', 'Discount: a percentage', 'Confirmation code: a one-time code',
    ]); // biome-ignore format: a list
  });
  test('every guess takes all of its examples, and the last is a text', () => {
    const cell = fc.oneof(
      fc.constantFrom(
        '2027-02-14',
        '£20.00',
        'AB-1234',
        '12',
        '0042',
        'yes',
        '',
        '07700 900123',
        '1,234.50',
        '12:30 pm',
        'a@b.example',
        '50%',
      ),
      fc.string({ maxLength: 8 }),
    );
    fc.assert(
      fc.property(
        fc.array(fc.array(cell, { minLength: 1, maxLength: 4 }), { minLength: 1, maxLength: 6 }),
        fc.constantFrom('above' as const, 'before' as const),
        (rows, names) => {
          for (const { guesses } of fromTable(rows, names)) {
            expect(guesses.at(-1)!.what).toBe('a text');
            const set = { arbeit: 1, title: 'T', locale: 'en-GB', fields: [guesses[0]!.field] };
            const result = readDocument(set, kinds);
            expect([guesses[0], result.ok ? [] : result.faults]).toEqual([guesses[0], []]);
          }
        },
      ),
      { numRuns: 300, seed },
    );
  });
});

test('what a text is that is brought in', () => {
  expect(
    [
      documentText(demo),
      '{"$schema":"x","type":"object"}',
      '{"properties":{}}',
      '<form>',
      'Label <input name="a">',
      'a,b\n1,2',
      '{"a": 1}',
      '[1',
      JSON.stringify(recordSchema(demo, demo.forms![0]!, kinds).schema),
    ].map(sortOf),
  ).toEqual(['document', 'schema', 'schema', 'html', 'html', 'table', 'document', 'document', 'schema']);
  expect('message' in parseExpression('(')).toBe(true);
});
