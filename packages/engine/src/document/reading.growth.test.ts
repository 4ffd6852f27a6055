import { expect, test } from 'vitest';
import { kinds } from '../kinds/registry.ts';
import { growthOf, membersSeen } from '../prove/work.fixture.ts';
import { readDocument } from './read-document.ts';

/**
 * Reading a document is linear in each of its parts. Counted, not timed: what is asked of the document, and
 * how many members the lists have that are gone over.
 */
const many = <T>(n: number, f: (i: number) => T): T[] => Array.from({ length: n }, (_, i) => f(i));
const text = (id: string, more: object = {}) => ({ id, kind: 'text', label: 'Name', ...more });
const set = (fields: unknown, more: object = {}) => ({
  arbeit: 2,
  title: 'T',
  locale: 'en-GB',
  fields,
  ...more,
});
const custom = (more: object) => ({
  id: 'c',
  check: { type: 'custom', code: 'export default ({value}) => {}', ...more },
});
const names = (n: number) => many(n, (i) => text(`f${i}`));
/** Documents of which one part grows with `n`; some are sound, some full of mistakes. */
const parts: Readonly<Record<string, (n: number) => unknown>> = {
  fields: (n) => set(names(n)),
  'fields of every option': (n) =>
    set(
      many(n, (i) => ({
        id: `f${i}`,
        kind: 'phone',
        label: 'P',
        entry: { regions: ['GB', 'DE'] },
        hint: 'h',
        html: { name: 'a' },
        rules: [{ id: 'required', check: { type: 'required' } }],
      })),
    ),
  'ids used twice': (n) => set(many(n, () => text('same'))),
  'unknown ids in a form': (n) => set([text('a')], { forms: [{ id: 'f', fields: many(n, (i) => `x${i}`) }] }),
  'ids in a form': (n) => set(names(n), { forms: [{ id: 'f', fields: many(n, (i) => `f${i}`) }] }),
  forms: (n) => set([text('a')], { forms: many(n, (i) => ({ id: `g${i}`, fields: ['a'] })) }),
  'forms of many fields': (n) =>
    set(names(100), { forms: many(n / 10, (i) => ({ id: `g${i}`, fields: many(100, (j) => `f${j}`) })) }),
  'rules of a form': (n) =>
    set(names(n), {
      forms: [
        {
          id: 'f',
          fields: many(n, (i) => `f${i}`),
          rules: many(n, (i) => ({
            id: `r${i}`,
            field: `f${i}`,
            check: { type: 'compare', op: 'same', field: `f${(i + 1) % n}` },
          })),
        },
      ],
    }),
  'rules of a form, unknown': (n) =>
    set(names(n), {
      forms: [
        {
          id: 'f',
          fields: many(n, (i) => `f${i}`),
          rules: many(n, (i) => ({
            id: `r${i}`,
            field: `f${i}`,
            check: { type: 'compare', op: 'same', field: `x${i}` },
          })),
        },
      ],
    }),
  'rules of a field': (n) =>
    set([
      text('a', { rules: many(n, (i) => ({ id: `r${i}`, check: { type: 'length', max: i + 1 } })) }),
      text('b'),
    ]),
  'compares of a field': (n) =>
    set([
      text('a', {
        rules: many(n, (i) => ({ id: `r${i}`, check: { type: 'compare', op: 'same', field: 'b' } })),
      }),
      text('b'),
    ]),
  'wrong compares': (n) =>
    set([
      ...many(n, (i) => ({
        id: `d${i}`,
        kind: 'date',
        label: 'D',
        rules: [{ id: 'c', check: { type: 'compare', op: 'after', field: 't' } }],
      })),
      { id: 't', kind: 'time', label: 'T' },
    ]),
  with: (n) => set([text('a', { rules: [custom({ with: many(n, () => 'b') })] }), text('b')]),
  'with, unknown': (n) => set([text('a', { rules: [custom({ with: many(n, (i) => `x${i}`) })] }), text('b')]),
  'conditions in a list': (n) =>
    set([text('a', { when: { any: many(n, () => ({ field: 'b', is: 'x' })) } }), text('b')]),
  'values of a condition': (n) =>
    set([text('a', { when: { field: 'b', is: many(n, (i) => `x${i}`) } }), text('b')]),
  'values of a condition on choices': (n) =>
    set([
      text('a', { when: { field: 'b', is: many(n, (i) => `x${i}`) } }),
      {
        id: 'b',
        kind: 'choice',
        label: 'B',
        entry: { options: many(n, (i) => ({ value: `x${i}`, label: `X ${i}` })) },
      },
    ]),
  'wrong values of a condition on choices': (n) =>
    set([
      text('a', { when: { field: 'b', is: many(n, (i) => `y${i}`) } }),
      {
        id: 'b',
        kind: 'choice',
        label: 'B',
        entry: { options: many(n, (i) => ({ value: `x${i}`, label: `X ${i}` })) },
      },
    ]),
  'conditions on choices': (n) =>
    set([
      ...many(n / 10, (i) => text(`a${i}`, { when: { field: 'b', is: `x${i}` } })),
      {
        id: 'b',
        kind: 'choice',
        label: 'B',
        entry: { options: many(n, (i) => ({ value: `x${i}`, label: `X ${i}` })) },
      },
    ]),
  'a chain of conditions': (n) =>
    set(many(n, (i) => text(`f${i}`, i ? { when: { field: `f${i - 1}`, is: 'x' } } : {}))),
  'a circle of conditions': (n) =>
    set(many(n, (i) => text(`f${i}`, { when: { field: `f${(i + 1) % n}`, is: 'x' } }))),
  choices: (n) =>
    set([
      {
        id: 'b',
        kind: 'choice',
        label: 'B',
        entry: { options: many(n, (i) => ({ value: `x${i}`, label: `X ${i}` })) },
      },
    ]),
  'initial choices': (n) =>
    set(
      many(n / 10, (i) => ({
        id: `b${i}`,
        kind: 'choice',
        label: 'B',
        initial: 'x1',
        entry: { options: many(10, (i) => ({ value: `x${i}`, label: `X ${i}` })) },
      })),
    ),
  'values allowed': (n) =>
    set([text('a', { rules: [{ id: 'in', check: { type: 'in', values: many(n, (i) => `v${i}`) } }] })]),
  samples: (n) =>
    set([
      text('a', {
        rules: [{ id: 'l', check: { type: 'length', max: 3 }, samples: { pass: many(n, (i) => `v${i}`) } }],
      }),
    ]),
  texts: (n) =>
    set([text('a')], { texts: { de: Object.fromEntries(many(n, (i) => [`fields/a/x${i}`, 'T'])) } }),
  'wrong texts': (n) =>
    set([text('a')], { texts: { de: Object.fromEntries(many(n, (i) => [`x${i}`, 'T'])) } }),
  languages: (n) =>
    set([text('a')], {
      texts: Object.fromEntries(many(n / 10, (i) => [`de-${1000 + i}`, { 'fields/a/label': 'A' }])),
    }),
  classes: (n) => set([text('a')], { classes: Object.fromEntries(many(n, (i) => [`c${i}`, 'a-z'])) }),
  'patterns with classes': (n) =>
    set(
      many(n / 10, (i) => ({ id: `p${i}`, kind: 'pattern', label: 'P', entry: { pattern: '<2 c1>' } })),
      { classes: Object.fromEntries(many(n, (i) => [`c${i}`, 'a-z'])) },
    ),
  'unknown classes': (n) =>
    set(
      [
        {
          id: 'p',
          kind: 'pattern',
          label: 'P',
          entry: { pattern: many(Math.min(n, 2000), (i) => `<q${i}>`).join('') },
        },
      ],
      { classes: Object.fromEntries(many(n, (i) => [`c${i}`, 'a-z'])) },
    ),
  trials: (n) =>
    set([text('a')], { trials: many(n, (i) => ({ id: `t${i}`, tape: 'type "a"\nexpect display "a"' })) }),
  'lines of a tape': (n) =>
    set([text('a')], {
      trials: [{ id: 't', tape: `${many(n, () => 'type "a"').join('\n')}\nexpect display "a"` }],
    }),
  'wrong lines of a tape': (n) =>
    set([text('a')], { trials: [{ id: 't', tape: many(n, () => 'tpye "a"').join('\n') }] }),
  'blank lines of a tape': (n) =>
    set([text('a')], { trials: [{ id: 't', tape: `${'\n'.repeat(n * 10)}expect display "a"` }] }),
  'errors of a pattern': (n) =>
    set([{ id: 'p', kind: 'pattern', label: 'P', entry: { pattern: '<x>'.repeat(n) } }]),
  'a long pattern': (n) =>
    set([{ id: 'p', kind: 'pattern', label: 'P', entry: { pattern: `${'a'.repeat(n)}<digit>` } }]),
  'open brackets of a pattern': (n) =>
    set([{ id: 'p', kind: 'pattern', label: 'P', entry: { pattern: '<'.repeat(n) } }]),
  'open cells of a pattern': (n) =>
    set([{ id: 'p', kind: 'pattern', label: 'P', entry: { pattern: '<a '.repeat(n) } }]),
  'quotes of a pattern': (n) =>
    set([{ id: 'p', kind: 'pattern', label: 'P', entry: { pattern: '<"a'.repeat(n) } }]),
  'words of a pattern': (n) =>
    set([
      { id: 'p', kind: 'pattern', label: 'P', entry: { pattern: `<${many(n, (i) => `w${i}`).join('|')}>` } },
    ]),
  'blank lines of a check': (n) =>
    set([text('a', { rules: [custom({ code: `${'\n'.repeat(n * 10)}export default () => {}` })] })]),
  'blanks of a check': (n) =>
    set([text('a', { rules: [custom({ code: `${' '.repeat(n * 10)}export default () => {}` })] })]),
  'exports of a check': (n) =>
    set([text('a', { rules: [custom({ code: `export ${' '.repeat(n * 10)}\n export default () => {}` })] })]),
  'blank lines of a shape': (n) =>
    set([
      {
        id: 'o',
        kind: 'custom',
        label: 'O',
        entry: { code: `${'\n'.repeat(Math.min(19000, n * 10))}export function shape(c) { return c; }` },
      },
    ]),
  'semicolons of a shape': (n) =>
    set([
      {
        id: 'o',
        kind: 'custom',
        label: 'O',
        entry: { code: `${'; \n}'.repeat(Math.min(4900, n * 5))}export function shape(c) { return c; }` },
      },
    ]),
  'names nobody knows': (n) => set([text('a', Object.fromEntries(many(n, (i) => [`labl${i}`, 1])))]),
  'attributes nobody knows': (n) =>
    set([text('a', { html: Object.fromEntries(many(n, (i) => [`autofocs${i}`, 'x'])) })]),
  'messages with names': (n) =>
    set([
      text('a', {
        rules: [{ id: 'l', check: { type: 'length', max: 3 }, say: many(n, (i) => `{a${i}}`).join(' ') }],
      }),
    ]),
  'an expression': (n) =>
    set([text('a', { rules: [{ id: 'm', check: { type: 'matches', pattern: 'a'.repeat(n) } }] })]),
  'an icon': (n) =>
    set([text('a', { look: { icon: `<svg viewBox="0 0 24 24">${'<path d="M0 0"/>'.repeat(n)}</svg>` } })]),
  'a long initial': (n) => set([text('a', { initial: 'a'.repeat(n) })]),
  regions: (n) =>
    set(many(n, (i) => ({ id: `f${i}`, kind: 'phone', label: 'P', entry: { regions: 'all' } }))),
  currencies: (n) =>
    set(many(n, (i) => ({ id: `f${i}`, kind: 'currency', label: 'P', entry: { currency: 'XXZ' } }))),
  deep: (n) => {
    let w: object = { field: 'a', is: 'x' };
    for (let i = 0; i < 90; i++) w = { not: w };
    return set(many(n / 20, (i) => text(`f${i}`, i ? { when: w } : {})));
  },
};

/** How much is done to read a document. */
function workOf(json: unknown): number {
  let count = 0;
  const seen = new WeakMap<object, object>();
  const watched = <T>(value: T): T => {
    if (typeof value !== 'object' || value === null) return value;
    const known = seen.get(value);
    if (known) return known as T;
    const proxy = new Proxy(value, {
      get: (target, key, receiver) => {
        count++;
        return watched(Reflect.get(target, key, receiver));
      },
    });
    seen.set(value, proxy);
    return proxy;
  };
  return membersSeen(() => readDocument(watched(json), kinds)) + count;
}

test.each(Object.entries(parts))('%s', (_, make) => {
  // Numbers of several digits and the first fifty faults leave a little.
  expect(growthOf((n) => workOf(make(n)), 500)).toBeLessThan(2.4);
});

test('a document of many mistakes tells the first fifty, and how many more there are', () => {
  const read = readDocument(parts['unknown ids in a form']!(3000), kinds);
  expect(read.ok ? [] : read.faults.slice(49)).toEqual([
    { path: '$.forms[0].fields[49]', code: 'unknown-field', message: 'No field has the id "x49".' },
    { path: '$', code: 'more-errors', message: '…and 2950 more errors.' },
  ]);
});
