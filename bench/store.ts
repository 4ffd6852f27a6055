import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { readDocument, type SetDocument } from '@arbeit/engine/document';
import { kinds } from '@arbeit/engine/kinds';
import { saveSet } from '../apps/studio/store/save-set.ts';
import { createSet } from '../apps/studio/store/sets.ts';
import { openStore } from '../apps/studio/store/store.ts';
import type { Grown } from './growth.ts';
import { type Measured, medianRatio } from './ratio.ts';

/** A document of so many fields, about 165 bytes each. */
const documentOf = (fields: number): SetDocument =>
  ({
    arbeit: 2,
    title: 'Huts',
    locale: 'en-GB',
    fields: Array.from({ length: fields }, (_, i) => ({
      id: `f${i}`,
      kind: 'pattern',
      label: `Hut ${i}`,
      hint: 'Four digits, as the warden wrote them on the card.',
      entry: { pattern: '<3 digit>-<4 digit>' },
      rules: [{ id: 'r', check: { type: 'required' } }],
    })),
  }) as unknown as SetDocument;

/** As large as a document of 4 MB: as many fields as there may be, each with more to read. */
const large = (bytes: number): unknown => {
  const document = documentOf(Math.round(bytes / 400)) as unknown as { fields: { hint: string }[] };
  for (const field of document.fields) field.hint = 'Four digits, as the warden wrote them. '.repeat(6);
  return document;
};

/** What reading twice as much costs, once more: linear is 2. */
export function readingRatio(): { ratio: Measured; whole: Grown } {
  const [two, four] = [large(2_000_000), large(4_000_000)];
  const ratio = medianRatio('4 MB of document against 2 MB', 2.2, () => readDocument(four, kinds), () => readDocument(two, kinds)); // biome-ignore format: one call
  const from = performance.now();
  readDocument(four, kinds);
  return {
    ratio,
    whole: { what: '4 MB of document, read', worst: '', milliseconds: performance.now() - from, limit: 2000 },
  };
}

/** A save of one title in a set of 5,000 fields, in a data folder: the median of twenty-one. */
export async function savingTime(): Promise<Grown> {
  const folder = mkdtempSync(join(tmpdir(), 'arbeit-bench-'));
  const migrations = join(fileURLToPath(process.env.ARBEIT_ROOT!), 'apps', 'studio', 'store', 'migrations');
  const store = await openStore(folder, migrations);
  const set = await store.write((db) => createSet(db, documentOf(5000)));
  const times: number[] = [];
  for (let counter = 1; counter <= 21; counter++) {
    const operations = [{ do: 'set', at: ['title'], value: `Huts ${counter}` }] as const;
    const save = { generation: set.generation, page: 'bench', counter, base: counter, operations };
    const from = performance.now();
    await store.write((db) => saveSet(db, set.key, save));
    times.push(performance.now() - from);
  }
  await store.close();
  rmSync(folder, { recursive: true });
  const milliseconds = times.sort((a, b) => a - b)[10]!;
  return { what: 'a save of 5,000 fields, median', worst: '', milliseconds, limit: 200 };
}
