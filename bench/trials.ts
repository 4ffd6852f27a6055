import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { compile, type SetDocument, withCustomCode } from '@arbeit/engine/document';
import { apply, start } from '@arbeit/engine/field';
import { kinds } from '@arbeit/engine/kinds';
import { auditSet } from '@arbeit/engine/proof';
import { parseTape, play, runTrial } from '@arbeit/engine/tape';
import { createSandbox } from '@arbeit/sandbox';
import { quickjs } from '@arbeit/sandbox/node';

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

export async function demoTrials(root: string): Promise<TrialTimes> {
  const path = join(root, 'apps/studio/demo/ridge-huts.arbeit.json');
  const document = JSON.parse(readFileSync(path, 'utf8')) as SetDocument;
  const trials = document.trials ?? [];
  const from = performance.now();
  // One of its fields is laid out by code: what runs that is set up among the first.
  const run = createSandbox(await quickjs(), () => {});
  const first =
    performance.now() -
    from +
    timed(() => {
      const set = withCustomCode(compile(document, kinds), run);
      for (const trial of trials) runTrial(set, trial, '2027-02-10');
    });
  const set = withCustomCode(compile(document, kinds), run);
  const tapes = trials.flatMap(({ tape }) => {
    const read = parseTape(tape);
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

/** What the audit of one of the demo's fields takes. */
export interface AuditSpeed {
  /** Events of its tapes a second, on one core: the median of several runs. */
  readonly perSecond: number;
  /** The same events carried out by the engine alone, in the same run: how many times as many. */
  readonly bare: number;
}

/** So many events a run, once it is warm. */
const most = 200_000;

export function auditSpeed(root: string, field: string): AuditSpeed {
  const path = join(root, 'apps/studio/demo/ridge-huts.arbeit.json');
  const document = JSON.parse(readFileSync(path, 'utf8')) as SetDocument;
  const perSecond = (seed: number): number => {
    let events = 0;
    const took = timed(() => {
      const wanted = { fields: [field], events: most, seed, today: '2027-02-10' };
      for (const step of auditSet(document, kinds, wanted)) events += step.events;
    });
    return (events / took) * 1000;
  };
  perSecond(1);
  const audited = median([2, 3, 4, 5, 6].map(perSecond));
  const compiled = compile(document, kinds).fields.find(({ id }) => id === field)!;
  const keys = [...'07700900123'].map((text) => ({ type: 'key', text }) as const);
  const bare = median(
    Array.from({ length: 5 }, () => {
      let events = 0;
      const took = timed(() => {
        while (events < most) {
          let state = apply(compiled, start(compiled), { type: 'focus' });
          for (const key of keys) state = apply(compiled, state, key);
          for (const _ of keys) state = apply(compiled, state, { type: 'backspace' });
          events += 2 * keys.length;
        }
      });
      return (events / took) * 1000;
    }),
  );
  return { perSecond: audited, bare: bare / audited };
}
