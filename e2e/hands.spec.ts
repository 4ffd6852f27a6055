import { readFileSync } from 'node:fs';
import type { SetDocument } from '@arbeit/engine/document';
import { byHand, hands, parseTape, play, type Trial, trialTape } from '@arbeit/engine/tape';
import { expect } from '@playwright/test';
import { drivenTape } from '../packages/cli/src/drive-tape.ts';
import { holdServers } from '../packages/cli/src/page-servers.ts';
import { test } from './alive.ts';
import { compiled } from './hands.ts';

const document = JSON.parse(
  readFileSync(new URL('../apps/studio/demo/ridge-huts.arbeit.json', import.meta.url), 'utf8'),
) as SetDocument & { trials: readonly Trial[] };
const set = compiled(document);
const typed = document.trials.filter(({ tape }) => /^field /m.test(tape) && /^type /m.test(tape));

// Every hand plays a part of the trials; as many as there are turn into all of them with another seed.
const turn = Number(process.env.ARBEIT_SEED ?? 0);
for (const [at, hand] of hands.entries())
  test(`typed ${hand === 'keys' ? 'by keys' : `by ${hand}`}, trials come to what the engine says of that hand`, {
    tag: hand === 'keys' ? [] : '@long',
  }, async ({ page }) => {
    for (const trial of typed.filter((_, i) => (i + turn) % hands.length === at))
      await test.step(trial.id, async () => {
        const read = parseTape(trialTape(trial));
        if (!read.ok) throw new RangeError(JSON.stringify(read.faults));
        const { tape } = read;
        const { id } = tape.target;
        const played = play(set, byHand(set, tape, hand), '2027-02-10');
        if ('message' in played) throw new RangeError(played.message);
        await page.goto(`/sets/ridge-huts/fields/${id}/alone`);
        const fields = new Map([[id, `[data-field="${id}"]`]]);
        const messages = new Map([[id, `[data-field="${id}"] [id$="-message"]`]]);
        expect(
          await drivenTape({
            page,
            tape,
            hand,
            first: id,
            fields,
            messages,
            rows: played.rows,
            servers: await holdServers(page, new Map(), undefined),
          }),
        ).toEqual([]);
      });
  });
