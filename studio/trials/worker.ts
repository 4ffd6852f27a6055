import { compile, type SetDocument, withOwnCode } from '@arbeit/engine/document';
import { kinds } from '@arbeit/engine/kinds';
import {
  type Audited,
  auditPasted,
  auditSet,
  breakOnPurpose,
  compiledOf,
  type Proven,
  pastedField,
  reachOf,
  sameAs,
  shownAlong,
  type Wiring,
} from '@arbeit/engine/proof';
import type { RunCode } from '@arbeit/engine/rules';
import { hands, otherwise, readTape, runTrial } from '@arbeit/engine/tape';
import type { Answered, Asked, Ran, Wired } from './messages.ts';

/** The thread in which trials are run and definitions broken. It is ended from outside, in the middle of whatever it does. */
const tell = (answered: Answered): void => self.postMessage(answered);

/** So often what is known is told, in milliseconds. */
const breath = 60;

const rulesIn = ({ fields, forms = [] }: SetDocument) =>
  [...fields, ...forms].flatMap(({ rules = [] }) => rules);

/** What runs developers' code at once, in a world of its own; fetched where there is any. */
async function runnerFor(document: SetDocument): Promise<RunCode | undefined> {
  if (!rulesIn(document).some(({ check }) => check.type === 'custom')) return undefined;
  const [engine, { createSandbox }] = await Promise.all([quickjs(), import('../own-code/sandbox.mjs')]);
  return createSandbox(engine, () => {});
}

/** The engine that runs developers' code; fetched where there is any. */
async function quickjs() {
  const [{ default: variant }, { newQuickJSWASMModuleFromVariant }] = await Promise.all([
    import('@jitl/quickjs-singlefile-browser-release-sync'),
    import('quickjs-emscripten-core'),
  ]);
  return newQuickJSWASMModuleFromVariant(variant);
}

async function run({ document, trials, today }: Extract<Asked, { do: 'run' }>): Promise<void> {
  const compiled = compile(document, kinds);
  const code = await runnerFor(document);
  const set = code ? withOwnCode(compiled, code) : compiled;
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

async function breakAll({ document, today }: Extract<Asked, { do: 'reach' | 'break' }>): Promise<void> {
  const code = await runnerFor(document);
  let proven: Proven[] = [];
  let [tried, all] = [0, 0];
  let from = performance.now();
  for (const step of breakOnPurpose(document, kinds, { today, run: code })) {
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

function auditShare({ document, wanted }: Extract<Asked, { do: 'audit' }>): void {
  let steps: Audited[] = [];
  let from = performance.now();
  for (const step of auditSet(document, kinds, wanted)) {
    steps.push(step);
    const now = performance.now();
    if (now - from < breath) continue;
    tell({ is: 'audited', steps, done: false });
    steps = [];
    from = now;
  }
  tell({ is: 'audited', steps, done: true });
}

function tryHands({ document, trial, today }: Extract<Asked, { do: 'hands' }>): void {
  const set = compile(document, kinds);
  const read = readTape(trial.tape);
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

/** So many events a way to wire it. */
const tried = 4000;
const wirings: readonly Wiring[] = ['browser', 'count'];

async function tryFunction({ code }: Extract<Asked, { do: 'function' }>): Promise<void> {
  const [engine, { createCaller }] = await Promise.all([quickjs(), import('../own-code/sandbox.mjs')]);
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
  // Every call that comes back is a sign of life: to shorten a tape may take thousands of them.
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
  const same = sameAs(format, kinds);
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

self.addEventListener('message', async ({ data }: MessageEvent<Asked>) => {
  try {
    if (data.do === 'run') await run(data);
    else if (data.do === 'break') await breakAll(data);
    else if (data.do === 'audit') auditShare(data);
    else if (data.do === 'function') await tryFunction(data);
    else if (data.do === 'hands') tryHands(data);
    else {
      const code = await runnerFor(data.document);
      tell({ is: 'reached', reach: reachOf(data.document, kinds, data.today, code) });
    }
  } catch (error) {
    tell({ is: 'failed', why: String(error) });
  }
});
