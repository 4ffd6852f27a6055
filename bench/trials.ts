import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { compile, type SetDocument } from '@arbeit/engine/document';
import { kinds } from '@arbeit/engine/kinds';
import { play, readTape, runTrial } from '@arbeit/engine/tape';

/** What running all trials of the demo takes. */
export interface TrialTimes {
  /** The first time, compiling the set among it, in milliseconds. */
  readonly first: number;
  /** Once everything is warm: the median of many. */
  readonly warm: number;
  /** Of that, the share that is not playing: reading the tapes. */
  readonly besides: number;
}

const median = (all: readonly number[]): number => all.toSorted((a, b) => a - b)[all.length >> 1] ?? 0;
const timed = (work: () => void): number => {
  const from = performance.now();
  work();
  return performance.now() - from;
};

export function demoTrials(root: string): TrialTimes {
  const path = join(root, 'studio/demo/ridge-huts.arbeit.json');
  const document = JSON.parse(readFileSync(path, 'utf8')) as SetDocument;
  const trials = document.trials ?? [];
  const first = timed(() => {
    const set = compile(document, kinds);
    for (const trial of trials) runTrial(set, trial, '2027-02-10');
  });
  const set = compile(document, kinds);
  const tapes = trials.flatMap(({ tape }) => {
    const read = readTape(tape);
    return read.ok ? [read.tape] : [];
  });
  const rounds = Array.from({ length: 61 }, () => [
    timed(() => {
      for (const trial of trials) runTrial(set, trial, '2027-02-10');
    }),
    timed(() => {
      for (const tape of tapes) play(set, tape, '2027-02-10');
    }),
  ]);
  const warm = median(rounds.map(([all = 0]) => all));
  return { first, warm, besides: Math.max(0, 1 - median(rounds.map(([, playing = 0]) => playing)) / warm) };
}
