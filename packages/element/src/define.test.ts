import { expect, test } from 'vitest';
import { defineFields, defineForms } from './define.ts';

test('a server that renders a page imports its elements, and defines none', () => {
  expect(typeof customElements).toBe('undefined');
  expect(() => {
    defineForms([]);
    defineFields([]);
  }).not.toThrow();
});

test('where there are elements, each is defined once under its tag', () => {
  const defined: string[] = [];
  const known = new Map<string, unknown>();
  const define = (tag: string, made: unknown) => {
    defined.push(tag);
    known.set(tag, made);
  };
  const page = { customElements: { define, get: (tag: string) => known.get(tag) }, HTMLElement: class {} };
  Object.assign(globalThis, page);
  try {
    defineForms([], { tag: 'hut-form' });
    defineFields([]);
    // Another hand-off of the same page joins what there is.
    defineFields([]);
  } finally {
    for (const name of Object.keys(page)) Reflect.deleteProperty(globalThis, name);
  }
  expect(defined).toEqual(['hut-form', 'arbeit-field']);
});
