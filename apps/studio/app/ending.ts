import { onEveryRequest } from './every-request.ts';

/**
 * So long requests under way may take once the process is asked to end, in milliseconds: with what closing
 * the store takes it is ten seconds at most.
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
 * Ends the process as it is asked to (SIGTERM, SIGINT): requests under way are answered, connections that
 * only wait are cut, and the store is closed. Within ten seconds, whatever is open.
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
