import { type CompiledSet, compile, type SetDocument, withCustomCode } from '@arbeit/engine/document';
import { kinds } from '@arbeit/engine/kinds';
import {
  type Audited,
  auditPasted,
  auditSet,
  compiledOf,
  equivalentConfig,
  type MutantResult,
  pastedField,
  reachOf,
  shownAlong,
  testMutations,
  type Wiring,
} from '@arbeit/engine/proof';
import { hands, otherwise, parseTape, runTrial } from '@arbeit/engine/tape';
import { runnerFor, sandboxInThread } from '../custom-code/in-thread.ts';
import type { Answered, Ran, TrialRequest, Wired } from './messages.ts';

/** The worker that runs trials and mutation tests. It is ended from outside at any time. */
const tell = (answered: Answered): void => self.postMessage(answered);

/** Interval of progress messages, in milliseconds. */
const breath = 60;

/** A set with the runner of its custom code. */
async function readySet(document: SetDocument): Promise<CompiledSet> {
  const code = await runnerFor(document);
  const set = compile(document, kinds);
  return code ? withCustomCode(set, code) : set;
}

async function run({ document, trials, today }: Extract<TrialRequest, { do: 'run' }>): Promise<void> {
  const set = await readySet(document);
  let outcomes: Ran[] = [];
  let from = performance.now();
  for (const trial of trials) {
    const start = performance.now();
    const { rows: _, ...outcome } = runTrial(set, trial, today);
    const now = performance.now();
    outcomes.push({ ...outcome, milliseconds: now - start });
    if (now - from < breath) continue;
    tell({ is: 'ran', outcomes, done: false });
    outcomes = [];
    from = now;
  }
  tell({ is: 'ran', outcomes, done: true });
}

async function breakAll({
  document,
  today,
}: Extract<TrialRequest, { do: 'reach' | 'break' }>): Promise<void> {
  const code = await runnerFor(document);
  let proven: MutantResult[] = [];
  let [tried, all] = [0, 0];
  let from = performance.now();
  for (const step of testMutations(document, kinds, { today, run: code })) {
    if (step.proven) proven.push(step.proven);
    [tried, all] = [step.done, step.of];
    const now = performance.now();
    if (now - from < breath) continue;
    tell({ is: 'broke', proven, tried, of: all, done: false });
    proven = [];
    from = now;
  }
  tell({ is: 'broke', proven, tried, of: all, done: true });
}

async function auditShare({ document, wanted }: Extract<TrialRequest, { do: 'audit' }>): Promise<void> {
  const code = await runnerFor(document);
  let steps: Audited[] = [];
  let from = performance.now();
  for (const step of auditSet(document, kinds, { ...wanted, run: code })) {
    steps.push(step);
    const now = performance.now();
    if (now - from < breath) continue;
    tell({ is: 'audited', steps, done: false });
    steps = [];
    from = now;
  }
  tell({ is: 'audited', steps, done: true });
}

async function tryHands({ document, trial, today }: Extract<TrialRequest, { do: 'hands' }>): Promise<void> {
  const set = await readySet(document);
  const read = parseTape(trial.tape);
  if (!read.ok) {
    tell({ is: 'by hands', hands: [] });
    return;
  }
  const others = hands.filter((hand) => hand !== 'keys');
  tell({
    is: 'by hands',
    hands: others.map((hand) => ({ hand, otherwise: otherwise(set, read.tape, hand, today) ?? null })),
  });
}

/** Events played per way to connect a function. */
const tried = 4000;
const wirings: readonly Wiring[] = ['browser', 'count'];

async function tryFunction({ code }: Extract<TrialRequest, { do: 'function' }>): Promise<void> {
  const [engine, { createCaller }] = await sandboxInThread();
  let caller: ReturnType<typeof createCaller>;
  try {
    caller = createCaller(engine, code);
  } catch (problem) {
    const { broken, line } = problem as { readonly broken: string; readonly line?: number };
    tell({ is: 'no function', why: broken, ...(line === undefined ? {} : { line }) });
    return;
  }
  const of = tried * wirings.length;
  let done = 0;
  let from = performance.now();
  // Every call that returns is a sign of life: shortening a tape may take thousands of them.
  const format = (text: string): string => {
    const now = performance.now();
    if (now - from > breath) {
      from = now;
      tell({ is: 'trying', events: done, of });
    }
    const called = caller.call(text);
    if ('text' in called) return called.text;
    throw new RangeError(
      called.line === undefined ? called.broken : `${called.broken} (line ${called.line})`,
    );
  };
  tell({ is: 'trying', events: done, of });
  const same = equivalentConfig(format, kinds);
  const like = same && compiledOf(same.field, kinds);
  const wired = wirings.map((wiring, i): Wired => {
    const onStep = (events: number): void => {
      done = i * tried + Math.min(events, tried);
    };
    const { events, found } = auditPasted(format, wiring, { seed: 1, events: tried, onStep });
    const { field } = pastedField('theirs', format, wiring);
    return {
      wiring,
      events,
      found: found.map((one) => ({
        ...one,
        theirs: shownAlong(field, one.actions),
        ours: like ? shownAlong(like, one.actions) : [],
      })),
    };
  });
  tell({ is: 'tried', wired, same: same ?? null });
  caller.end();
}

self.addEventListener('message', async ({ data }: MessageEvent<TrialRequest>) => {
  try {
    if (data.do === 'run') await run(data);
    else if (data.do === 'break') await breakAll(data);
    else if (data.do === 'audit') await auditShare(data);
    else if (data.do === 'function') await tryFunction(data);
    else if (data.do === 'hands') await tryHands(data);
    else {
      const code = await runnerFor(data.document);
      tell({ is: 'reached', reach: reachOf(data.document, kinds, data.today, code) });
    }
  } catch (error) {
    tell({ is: 'failed', why: String(error) });
  }
});
