import { spawnSync } from 'node:child_process';
import { kindMeasures } from './kinds.ts';
import type { Measured } from './ratio.ts';

/**
 * How often each is measured afresh: what the compiler makes of the same code differs from process to
 * process.
 */
const times = 5;

/** In a process started for it: takes the one measurement it was asked for and tells it. */
export function answerIfAsked(): boolean {
  const asked = process.env.ARBEIT_MEASURE;
  if (asked === undefined) return false;
  process.stdout.write(JSON.stringify(kindMeasures[Number(asked)]!()));
  return true;
}

/** Each kind measured in processes of its own, as on a page with that kind alone; of several the median. */
export function measuredApart(): Measured[] {
  return kindMeasures.map((_, i) => {
    const rows = Array.from({ length: times }, () => {
      const env = { ...process.env, ARBEIT_MEASURE: String(i) };
      const { stdout, status } = spawnSync(process.execPath, [process.argv[1]!], { env, encoding: 'utf8' });
      if (status !== 0) throw new Error(`Measurement ${i} ended with ${status}.`);
      return JSON.parse(stdout) as Measured;
    });
    return rows.sort((a, b) => a.ratio - b.ratio)[times >> 1]!;
  });
}
