import type { CodeInput, CodeOutcome, RunCode } from '@arbeit/engine/rules';

/** A call on its way to a thread, and what comes back. */
export interface Call {
  readonly id: number;
  readonly code: string;
  readonly input: CodeInput;
}
export type Reply = { readonly ready: true } | { readonly id: number; readonly outcome: CodeOutcome };

/** A thread in which own code runs. */
export interface Thread {
  post(call: Call): void;
  end(): void;
}

/** Starts a thread; it tells `onReply` that it is ready, and then of each call. `onFailure`: it could not be started. */
export type StartThread = (onReply: (reply: Reply) => void, onFailure: () => void) => Thread;

/** What runs own code in a thread of its own, one call at a time. */
export interface Runner {
  /** What a call came to; `undefined` until it is known: then it is under way, and who has subscribed is told when it is. */
  readonly run: RunCode;
  subscribe(listener: () => void): () => void;
  /** Resolves once nothing is under way. */
  settled(): Promise<void>;
  end(): void;
}

/** Calls remembered. */
const remembered = 300;
/**
 * So long after it should have ended itself a call is ended with its thread, in milliseconds; it has a second try in a fresh one, and more time
 * for it: a machine that is busy with something else says nothing of a check. And how long a thread may take to start.
 */
const patience = { call: 500, again: 1500, start: 15_000 };

const tooLong: CodeOutcome = { broken: 'It took longer than 20 ms and was ended.' };
const notStarted: CodeOutcome = { broken: 'What runs own code could not be started. Reload to try again.' };

/** What calls came to, and those that wait, by code and input. */
function createOutcomes() {
  const known = new Map<string, CodeOutcome>();
  const waiting = new Map<string, Omit<Call, 'id'>>();
  const listeners = new Set<() => void>();
  return {
    known,
    waiting,
    listeners,
    learn(key: string, outcome: CodeOutcome): void {
      waiting.delete(key);
      known.set(key, outcome);
      for (const oldest of known.keys()) if (known.size > remembered) known.delete(oldest);
      for (const listener of listeners) listener();
    },
  };
}

/** One thread at a time: started when there is something to do, ended with a call that does not end. */
function createCaller(
  start: StartThread,
  outcomes: ReturnType<typeof createOutcomes>,
  onIdle: () => void,
): { next(): void; drop(): void } {
  const { waiting, learn } = outcomes;
  let thread: Thread | undefined;
  let isReady = false;
  let busy: { readonly key: string; readonly id: number } | undefined;
  let timer: ReturnType<typeof setTimeout> | undefined;
  let count = 0;
  /** Calls that have had one try. */
  const tried = new Set<string>();
  const drop = (): void => {
    clearTimeout(timer);
    thread?.end();
    thread = undefined;
    isReady = false;
    busy = undefined;
  };
  const fail = (): void => {
    drop();
    for (const key of [...waiting.keys()]) learn(key, notStarted);
    next();
  };
  const begin = (key: string, call: Omit<Call, 'id'>, to: Thread): void => {
    busy = { key, id: ++count };
    const isAgain = tried.has(key);
    timer = setTimeout(
      () => {
        drop();
        if (isAgain) {
          tried.delete(key);
          learn(key, tooLong);
        } else tried.add(key);
        next();
      },
      isAgain ? patience.again : patience.call,
    );
    to.post({ ...call, id: busy.id });
  };
  const hear = (reply: Reply): void => {
    if ('id' in reply && reply.id !== busy?.id) return;
    clearTimeout(timer);
    if ('ready' in reply) isReady = true;
    else if (busy) {
      const { key } = busy;
      busy = undefined;
      tried.delete(key);
      learn(key, reply.outcome);
    }
    next();
  };
  const next = (): void => {
    const [first] = waiting;
    if (busy) return;
    if (!first) onIdle();
    else if (!thread) {
      timer = setTimeout(fail, patience.start);
      thread = start(hear, fail);
    } else if (isReady) begin(...first, thread);
  };
  return { next, drop };
}

/** A runner on threads that `start` starts: the first when it is first needed, the next when one had to be ended. */
export function createRunner(start: StartThread): Runner {
  const outcomes = createOutcomes();
  const settling: (() => void)[] = [];
  const { next, drop } = createCaller(start, outcomes, () => {
    for (const done of settling.splice(0)) done();
  });
  return {
    run(code, input) {
      const key = JSON.stringify([code, input]);
      const outcome = outcomes.known.get(key);
      if (outcome || outcomes.waiting.has(key)) return outcome;
      outcomes.waiting.set(key, { code, input });
      next();
      return undefined;
    },
    subscribe(listener) {
      outcomes.listeners.add(listener);
      return () => outcomes.listeners.delete(listener);
    },
    settled: () =>
      new Promise((done) => {
        settling.push(done);
        next();
      }),
    end: drop,
  };
}
