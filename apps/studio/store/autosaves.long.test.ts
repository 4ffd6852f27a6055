import { execFileSync } from 'node:child_process';
import { fileURLToPath } from 'node:url';
import type { SetDocument } from '@arbeit/engine/document';
import { expect, test } from 'vitest';
import { newFolder } from './new-folder.fixture.ts';
import { savingPage } from './saving-page.fixture.ts';
import { createSet } from './sets.ts';
import { openStore } from './store.ts';

const migrations = fileURLToPath(new URL('./migrations', import.meta.url));
/** Saves in each half of a measurement. */
const saves = Number(process.env.ARBEIT_AUTOSAVES ?? 50);
const titled = (title: string): SetDocument => ({ arbeit: 2, title, locale: 'en-GB', fields: [] });

test('ten thousand autosaves of a thousand fields would stay under 50 MB', async () => {
  const place = await newFolder();
  const store = await openStore(place, migrations);
  const fields = Array.from({ length: 1000 }, (_, i) => ({
    id: `f${i}`, kind: 'pattern', label: `Hut ${i}`, hint: `${(i * 7919) % 10_007}`, entry: { pattern: '<3 digit>-<4 digit>' },
    rules: [{ id: 'r', check: { type: 'required' } }],
  })); // biome-ignore format: a field on a line
  const set = await store.write((to) => createSet(to, { ...titled('Many'), fields } as never));
  const page = savingPage(store.db, set);
  const bytes = () => Number(execFileSync('du', ['-sb', place], { encoding: 'utf8' }).split('\t')[0]);
  const save = async (from: number, count: number) => {
    for (let i = from; i < from + count; i++)
      await store.write(() => page.save({ ...titled(`Many ${i}`), fields } as never));
  };
  await save(1, saves);
  const half = bytes();
  await save(saves + 1, saves);
  const whole = bytes();
  await store.close();
  // What the second half added, for as many again each time.
  const extrapolated = whole + (Math.max(0, whole - half) * (10_000 - 2 * saves)) / saves;
  expect(extrapolated, `${(whole / 1e6).toFixed(1)} MB after ${2 * saves}`).toBeLessThan(50_000_000);
});
