import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { expect, test } from 'vitest';
import { carriedOut, conflictOf, type Json, type Operation, operationsBetween } from './operations.ts';
import '../../../scripts/seed.ts';

const demo = JSON.parse(
  readFileSync(new URL('../demo/ridge-huts.arbeit.json', import.meta.url), 'utf8'),
) as Json;

const name = fc.constantFrom('a', 'b', 'c', 'd', '1', '__proto__x');
/** Documents small enough that two of them have much in common. */
const { json } = fc.letrec<{ json: Json; list: Json; members: Json; keyed: Json }>((tie) => ({
  json: fc.oneof({ maxDepth: 4 }, fc.constantFrom<Json>(null, true, 0, 1, 'x', 'y', [], {}), tie('list'), tie('members'), tie('keyed')),
  list: fc.array(tie('json'), { maxLength: 3 }),
  members: fc.dictionary(name, tie('json'), { maxKeys: 4 }),
  keyed: fc.uniqueArray(fc.record({ id: name, of: tie('json') }), { selector: ({ id }) => id, maxLength: 5 }) as fc.Arbitrary<Json>,
})); // biome-ignore format: a sort a line

test('operations make the second document of the first, member by member in its order', () => {
  fc.assert(
    fc.property(json, json, (a, b) => {
      const operations = JSON.parse(JSON.stringify(operationsBetween(a, b))) as Operation[];
      expect(JSON.stringify(carriedOut(a, operations))).toBe(JSON.stringify(b));
    }),
    { numRuns: 5000 },
  );
});

test('of one document there are none', () => {
  expect(operationsBetween(demo, structuredClone(demo))).toEqual([]);
});

test('those that do not conflict come to the same in either order, but for where new members stand', () => {
  /** Every object and list without its order. */
  const sorted = (value: Json): unknown => {
    if (Array.isArray(value)) return value.map(sorted).sort((a, b) => JSON.stringify(a).localeCompare(JSON.stringify(b)));
    if (typeof value !== 'object' || value === null) return value;
    return Object.entries(value).map(([key, inner]) => [key, sorted(inner)]).sort();
  }; // biome-ignore format: a case a line
  let joined = 0;
  fc.assert(
    fc.property(json, json, json, (base, a, b) => {
      const mine = operationsBetween(base, a);
      const theirs = operationsBetween(base, b);
      if (conflictOf(mine, theirs)) return;
      if (mine.length && theirs.length) joined++;
      const one = carriedOut(b, mine);
      const other = carriedOut(a, theirs);
      expect(one && sorted(one)).toEqual(other && sorted(other));
      // Nothing of either is lost.
      if (one) expect(conflictOf(operationsBetween(base, one), mine)).toBeUndefined();
    }),
    { numRuns: 20_000 },
  );
  expect(joined).toBeGreaterThan(50);
});

const base: Json = {
  title: 'Huts',
  fields: [
    { id: 'phone', label: 'Phone', rules: [{ id: 'required' }] },
    { id: 'pass', label: 'Pass' },
    { id: 'day', label: 'Day' },
  ],
  forms: [{ id: 'booking', fields: ['phone', 'pass', 'day'] }],
};
const edited = (change: (document: Record<string, never>) => void): Json => {
  const copy = structuredClone(base) as unknown as Record<string, never>;
  change(copy);
  return copy as unknown as Json;
};
// biome-ignore lint/suspicious/noExplicitAny: edits of a document by hand
type Loose = any;
const label = (id: string, text: string) => (document: Loose) => {
  document.fields.find((field: Loose) => field.id === id).label = text;
};
const away = (id: string) => (document: Loose) => {
  document.fields = document.fields.filter((field: Loose) => field.id !== id);
};
const first = (id: string) => (document: Loose) => {
  document.fields.sort((a: Loose, b: Loose) => Number(b.id === id) - Number(a.id === id));
};
const added = (id: string) => (document: Loose) => {
  document.fields.push({ id, label: id });
  document.forms[0].fields.push(id);
};

test.each<
  [what: string, mine: (document: Loose) => void, theirs: (document: Loose) => void, conflict: boolean]
>([
  ['labels of two fields', label('phone', 'a'), label('pass', 'b'), false],
  ['one label', label('phone', 'a'), label('phone', 'b'), true],
  ['one label, the same', label('phone', 'a'), label('phone', 'a'), false],
  ['a label and a field taken away', label('phone', 'a'), away('phone'), true],
  ['a label and another field taken away', label('phone', 'a'), away('pass'), false],
  ['a field taken away by both', away('phone'), away('phone'), false],
  ['a field moved and its label', first('day'), label('day', 'a'), false],
  ['a field moved by both to one place', first('day'), first('day'), false],
  ['a field moved by both to two places', first('day'), (d) => d.fields.splice(1, 0, d.fields.pop()), true],
  ['a field moved and taken away', first('day'), away('day'), true],
  ['two new fields, each in the form', added('a'), added('b'), false],
  ['one new field by both, not the same', added('a'), (d) => d.fields.push({ id: 'a', label: 'else' }), true],
  [
    'the title and a rule',
    (d) => {
      d.title = 'x';
    },
    (d) => d.fields[0].rules.push({ id: 'complete' }),
    false,
  ],
  [
    'two rules of one field',
    (d) => d.fields[0].rules.push({ id: 'a' }),
    (d) => d.fields[0].rules.push({ id: 'b' }),
    false,
  ],
  [
    'all rules and one of them',
    (d) => {
      delete d.fields[0].rules;
    },
    (d) => d.fields[0].rules.push({ id: 'b' }),
    true,
  ],
])('%s', (_, mine, theirs, conflict) => {
  // biome-ignore format: a case a line
  const a = operationsBetween(base, edited(mine));
  const b = operationsBetween(base, edited(theirs));
  expect(conflictOf(a, b) !== undefined).toBe(conflict);
  expect(conflictOf(b, a) !== undefined).toBe(conflict);
  if (!conflict) expect(carriedOut(edited(theirs), a)).toBeDefined();
});

test('one changed label of the demo is one operation, with what was there before', () => {
  const copy = structuredClone(demo) as Loose;
  copy.fields[3].label = 'Another';
  const { id, label: before } = (demo as Loose).fields[3];
  expect(operationsBetween(demo, copy)).toEqual([
    { do: 'set', at: ['fields', { id }, 'label'], before, value: 'Another' },
  ]);
});

test('very many operations are one, and conflicts are found without comparing each with each', () => {
  const many = (n: number, label: string): Json => ({
    fields: Array.from({ length: n }, (_, i) => ({ id: `f${i}`, label: `${label}${i}` })),
  });
  const [a, b] = [many(3000, 'a'), many(3000, 'b')];
  expect(operationsBetween(a, b)).toEqual([{ do: 'set', at: [], value: b }]);
  // Members of lists that were gone over, counted.
  const workOf = (n: number): number => {
    const operations = (label: string): Operation[] =>
      Array.from({ length: n }, (_, i) => ({
        do: 'set',
        at: ['fields', { id: `${label}${i}` }, 'label'],
        value: i,
      }));
    const [mine, theirs] = [operations('m'), operations('t')];
    let count = 0;
    const { find, some, every } = Array.prototype;
    const counted = (method: typeof find) =>
      function (this: unknown[], ...rest: Parameters<typeof find>) {
        count += this.length;
        return method.apply(this, rest);
      };
    Array.prototype.find = counted(find);
    Array.prototype.some = counted(some as never) as never;
    Array.prototype.every = counted(every as never) as never;
    try {
      expect(conflictOf(mine, theirs)).toBeUndefined();
    } finally {
      Object.assign(Array.prototype, { find, some, every });
    }
    return count;
  };
  expect(workOf(2000)).toBeLessThan(2.2 * workOf(1000));
});

test.each<[what: string, operation: Operation]>([
  ['a member of what is none', { do: 'set', at: ['title', 'x'], value: 1 }],
  ['a name nobody has', { do: 'set', at: ['nothing', 'x'], value: 1 }],
  ['a name every object inherits', { do: 'set', at: ['constructor', 'x'], value: 1 }],
  ['a field that is not there', { do: 'set', at: ['fields', { id: 'x' }, 'label'], value: 1 }],
  ['a list that is none', { do: 'insert', at: ['title'], id: 'x', after: null, value: { id: 'x' } }],
  ['a field moved that is not there', { do: 'move', at: ['fields'], id: 'x', after: null }],
])('has no place: %s', (_, operation) => expect(carriedOut(base, [operation])).toBeUndefined()); // biome-ignore format: a case a line
