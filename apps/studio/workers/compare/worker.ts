import { kinds } from '@arbeit/engine/kinds';
import { compareSets } from '@arbeit/engine/proof';
import { runnerFor } from '../custom-code/in-thread.ts';
import type { AskedToCompare, ComparedStep } from './messages.ts';

/** The worker that compares two sets. It sends results as it finds them. */
const tell = (step: ComparedStep): void => self.postMessage(step);

self.addEventListener('message', async ({ data }: MessageEvent<AskedToCompare>) => {
  const { before, after, today } = data;
  try {
    const run = await runnerFor(before, after);
    for (const compared of compareSets(before, after, kinds, today, run)) tell({ is: 'compared', compared });
    tell({ is: 'done' });
  } catch (error) {
    tell({ is: 'failed', why: String(error) });
  }
});
