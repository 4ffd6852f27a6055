import { fromTable, rowsOf } from '@arbeit/handoff/import';
import type { AskedToLook, LookedStep } from './messages.ts';

/** The worker that looks through all rows of a table. */
const tell = (step: LookedStep): void => self.postMessage(step);

self.addEventListener('message', ({ data }: MessageEvent<AskedToLook>) => {
  const { text, names, locale } = data;
  try {
    const rows = rowsOf(text);
    const columns = fromTable(rows, names, locale, (share) => tell({ is: 'under way', share }));
    tell({ is: 'done', columns, rows: rows.length });
  } catch (error) {
    tell({ is: 'failed', why: (error as Error).message });
  }
});
