import { readFileSync } from 'node:fs';
import type { SetDocument } from '@arbeit/engine/document';
import { actions, sketch, writeTape } from '@arbeit/engine/prove';
import { parseTape, type Trial, trialTape } from '@arbeit/engine/tape';
import { expect } from '@playwright/test';
import fc from 'fast-check';
import { test } from './alive.ts';
import { compiled, playBoth } from './hands.ts';

const demo = new URL('../apps/studio/demo/', import.meta.url);
const document = JSON.parse(readFileSync(new URL('ridge-huts.arbeit.json', demo), 'utf8')) as SetDocument & {
  trials: readonly Trial[];
};
const set = compiled(document);

/** A few pages, each of which plays some: making a page for every tape took longer than the tapes. */
const pages = 4;
/**
 * Every trial of the demo is played in what is handed off (`taken-home.spec.ts`); here, on the studio's own
 * pages, those of forms and every other.
 */
const trials = document.trials.filter(({ tape }, i) => i % 2 === 0 || /^form /m.test(tape));
for (let first = 0; first < pages; first++) {
  const own = trials.filter((_, i) => i % pages === first);
  test(`tapes play in Chromium as in the engine: ${own.map(({ id }) => id).join(', ')}`, {
    tag: first > 0 ? '@long' : [],
  }, async ({ page }) => {
    for (const trial of own)
      await test.step(trial.id, async () => {
        const read = parseTape(trialTape(trial));
        if (!read.ok) throw new RangeError(JSON.stringify(read.faults));
        const { type, id } = read.tape.target;
        await page.goto(`/sets/ridge-huts/${type}s/${id}/alone`);
        await playBoth(page, set, read.tape);
      });
  });
}

test('random tapes on random patterns play in Chromium as in the engine', { tag: '@long' }, async ({
  page,
  request,
}) => {
  const seed = Number(process.env.ARBEIT_SEED ?? 20270210);
  const sketches = fc.sample(sketch, { numRuns: Number(process.env.ARBEIT_PATTERNS ?? 8), seed });
  const fields = sketches.map((entry, i) => ({
    id: `random-${i}`,
    kind: 'pattern',
    label: `Random ${i}`,
    entry,
  }));
  const random = { arbeit: 2, title: 'Random patterns', locale: 'en-GB', fields };
  const answer = await request.post('/api/sets', { data: { document: random } });
  expect(answer.status(), await answer.text()).toBe(201);
  const { id } = (await answer.json()) as { id: string };
  const tapes = fc.sample(actions, { numRuns: fields.length, seed });
  for (const [i, field] of fields.entries()) {
    const read = parseTape(`tape "Random ${i}"\nfield ${field.id}\nfocus\n${writeTape(tapes[i]!)}`);
    if (!read.ok) throw new RangeError(JSON.stringify(read.faults));
    await page.goto(`/sets/${id}/fields/${field.id}/alone`);
    await test.step(`${field.entry.pattern} ${JSON.stringify(field.entry)}\n${writeTape(tapes[i]!)}`, () =>
      playBoth(page, compiled(random), read.tape));
  }
});
