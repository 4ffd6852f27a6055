import { onEveryRequest } from './every-request.ts';

/**
 * Time that open requests get when the process is asked to end, in milliseconds. With closing the store, it
 * ends within ten seconds.
 */
const mostUnderWay = 6_000;
const mostClosing = 3_000;

/**
 * Aborted when the process is asked to end. Next gives each route a copy of this module. The signal is shared
 * by all of them.
 */
const place = globalThis as { arbeitEnding?: AbortController };
place.arbeitEnding ??= new AbortController();
export const ending: AbortSignal = place.arbeitEnding.signal;

const later = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));

/**
 * Ends the process properly (SIGTERM, SIGINT): open requests are answered, idle connections are closed, and
 * then the store. It takes at most ten seconds.
 */
export function endWell(close: () => Promise<void>): void {
  let underWay = 0;
  onEveryRequest('ending', (_, response) => {
    underWay++;
    response.once('close', () => underWay--);
    return false;
  });
  const end = async (): Promise<void> => {
    place.arbeitEnding?.abort();
    for (let waited = 0; underWay > 0 && waited < mostUnderWay; waited += 50) await later(50);
    await Promise.race([close().catch(() => undefined), later(mostClosing)]);
    process.exit(0);
  };
  for (const signal of ['SIGTERM', 'SIGINT'] as const) process.once(signal, () => void end());
}
