import type { SetDocument } from '@arbeit/engine/document';
import { kinds } from '@arbeit/engine/kinds';
import { pageScripts, sourcesFrom } from '@arbeit/handoff/emit';
import { type Size, shrunk } from './size.ts';

/** Fields of one kind each, as one is handed off. */
const fields = {
  pattern: { kind: 'pattern', entry: { pattern: '<2 latin upper>-<4 digit>' } },
  date: { kind: 'date', entry: {} },
  currency: { kind: 'currency', entry: { currency: 'GBP' } },
  'phone for three regions': { kind: 'phone', entry: { home: 'GB', regions: ['FR', 'CH'] } },
  code: { kind: 'one-time-code', entry: {} },
} as const;

/** The most a page's script may have, in bytes: 8, 9 and 6 KB. */
const limits: Readonly<Record<keyof typeof fields, number>> = {
  pattern: 8_192,
  date: 9_216,
  currency: 9_216,
  'phone for three regions': 9_216,
  code: 6_144,
};

const setOf = (all: readonly object[]): SetDocument =>
  ({
    arbeit: 2,
    title: 'Huts',
    locale: 'en-GB',
    fields: all.map((one, i) => ({ id: `f${i}`, label: 'F', ...one })),
  }) as unknown as SetDocument;

/**
 * What the script of a page weighs with one field handed off, and React's with a field of every kind, React
 * itself left out.
 */
export async function handedOffSizes(root: string): Promise<Size[]> {
  const sources = sourcesFrom(new URL(root).pathname);
  const rows: Size[] = [];
  // Their keys are their names.
  for (const name of Object.keys(fields) as (keyof typeof fields)[])
    for (const use of ['dom', 'element'] as const) {
      const { text } = await pageScripts(setOf([fields[name]]), sources)(use);
      rows.push({
        what: `handed off: one field, ${name}, ${use === 'dom' ? 'bound to an input' : 'as an element'}`,
        bytes: await shrunk(text),
        limit: limits[name],
      });
    }
  const entries: Readonly<Record<string, object>> = {
    pattern: { pattern: '<4 digit>' },
    currency: { currency: 'GBP' },
    phone: { home: 'GB' },
    choice: {
      options: [
        { value: 'a', label: 'A' },
        { value: 'b', label: 'B' },
      ],
    },
    choices: {
      options: [
        { value: 'a', label: 'A' },
        { value: 'b', label: 'B' },
      ],
    },
  };
  const every = setOf(Object.keys(kinds).map((kind) => ({ kind, entry: entries[kind] ?? {} })));
  const { text } = await pageScripts(every, sources)('react');
  rows.push({
    what: 'handed off: React with a field of every kind, React itself left out',
    bytes: await shrunk(text),
    limit: 22_528,
  });
  return rows;
}
