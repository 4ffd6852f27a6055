import type { RunShape, Shaped } from '@arbeit/engine/field';
import type { CodeInput, CodeOutcome, RunCode } from '@arbeit/engine/rules';
import type { Sandbox } from './sandbox.ts';

/** What is asked of a developer's code: what its check says of a value, or how it shows a content. */
type Asked =
  | { readonly code: string; readonly input: CodeInput }
  | { readonly code: string; readonly content: string };
type Outcome = CodeOutcome | Shaped;

/** A call on its way to a thread, and what comes back. */
export type Call = Asked & { readonly id: number };
export type Reply = { readonly ready: true } | { readonly id: number; readonly outcome: Outcome };

/** What a thread answers a call. */
export const answerTo = (call: Call, sandbox: Sandbox): Reply => ({
  id: call.id,
  outcome: 'input' in call ? sandbox.check(call.code, call.input) : sandbox.shape(call.code, call.content),
});

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
  readonly check: RunCode;
  readonly shape: RunShape;
  /** Has shapes of these contents worked out when nothing else is asked, in place of those that were wanted ahead before. */
  ahead(code: string, contents: readonly string[]): void;
  subscribe(listener: () => void): () => void;
  /** Resolves once nothing is under way. */
  settled(): Promise<void>;
  end(): void;
}

/** Calls remembered. */
const remembered = 2000;
/**
 * So long after it should have ended itself a call is ended with its thread, in milliseconds; it has a second try in a fresh one, and more time
 * for it: a machine that is busy with something else says nothing of a check. And how long a thread may take to start.
 */
const patience = { call: 500, again: 1500, start: 15_000 };
/** Code that so many calls had to be ended of is not called any more: it would take a thread with every letter. */
const mostHangs = 3;

const tooLong = { broken: 'It took longer than 20 ms and was ended.' } as const;
const notStarted = { broken: 'What runs own code could not be started. Reload to try again.' } as const;

/** Codes that are told apart; one that is written is another with every letter. */
const mostCodes = 100;

/**
 * What is asked, as a key. A code is a number in it: with every key of the keyboard a hundred contents may be wanted ahead, and a code is up to 20,000
 * characters.
 */
function createKeys(): (asked: Asked) => string {
  const numbers = new Map<string, number>();
  let last = 0;
  return (asked) => {
    let number = numbers.get(asked.code);
    if (number === undefined) {
      number = ++last;
      numbers.set(asked.code, number);
      for (const oldest of numbers.keys()) {
        if (numbers.size <= mostCodes) break;
        numbers.delete(oldest);
      }
    }
    return 'input' in asked ? `${number} ${JSON.stringify(asked.input)}` : `${number}:${asked.content}`;
  };
}

/** What calls came to, and those that wait, by code and input. */
function createOutcomes() {
  const keyOf = createKeys();
  const known = new Map<string, Outcome>();
  const waiting = new Map<string, Asked>();
  /** What is wanted ahead: nobody waits for it. */
  let later = new Map<string, Asked>();
  const hangs = new Map<string, number>();
  const listeners = new Set<() => void>();
  const learn = (key: string, outcome: Outcome): void => {
    // What was only wanted ahead changes nothing that is shown.
    const isWaitedFor = waiting.delete(key);
    later.delete(key);
    known.set(key, outcome);
    for (const oldest of known.keys()) {
      if (known.size <= remembered) break;
      known.delete(oldest);
    }
    if (isWaitedFor) for (const listener of listeners) listener();
  };
  return {
    keyOf,
    waiting,
    listeners,
    learn,
    find: (key: string, { code }: Asked): Outcome | undefined =>
      known.get(key) ?? ((hangs.get(code) ?? 0) >= mostHangs ? tooLong : undefined),
    hangs(key: string, { code }: Asked): void {
      hangs.set(code, (hangs.get(code) ?? 0) + 1);
      learn(key, tooLong);
    },
    want(all: readonly Asked[]): void {
      later = new Map(
        all.map((asked): [string, Asked] => [keyOf(asked), asked]).filter(([key]) => !known.has(key)),
      );
    },
    first: (): [string, Asked] | undefined => {
      for (const entry of waiting) return entry;
      for (const entry of later) return entry;
      return undefined;
    },
  };
}

/** One thread at a time: started when there is something to do, ended with a call that does not end. */
function createCalls(
  start: StartThread,
  outcomes: ReturnType<typeof createOutcomes>,
  onIdle: () => void,
): { next(): void; drop(): void } {
  const { waiting, learn } = outcomes;
  let thread: Thread | undefined;
  let isReady = false;
  let busy: { readonly key: string; readonly asked: Asked; readonly id: number } | undefined;
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
    outcomes.want([]);
    for (const key of [...waiting.keys()]) learn(key, notStarted);
    next();
  };
  const begin = (key: string, asked: Asked, to: Thread): void => {
    busy = { key, asked, id: ++count };
    const isAgain = tried.has(key);
    timer = setTimeout(
      () => {
        drop();
        if (isAgain) {
          tried.delete(key);
          outcomes.hangs(key, asked);
        } else tried.add(key);
        next();
      },
      isAgain ? patience.again : patience.call,
    );
    to.post({ ...asked, id: busy.id });
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
    if (busy) return;
    if (waiting.size === 0) onIdle();
    const first = outcomes.first();
    if (!first) return;
    if (!thread) {
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
  const { next, drop } = createCalls(start, outcomes, () => {
    for (const done of settling.splice(0)) done();
  });
  const ask = (asked: Asked): Outcome | undefined => {
    const key = outcomes.keyOf(asked);
    const outcome = outcomes.find(key, asked);
    if (outcome || outcomes.waiting.has(key)) return outcome;
    outcomes.waiting.set(key, asked);
    next();
    return undefined;
  };
  return {
    // A key says which of the two was asked, and so which outcome there is.
    check: (code, input) => ask({ code, input }) as CodeOutcome | undefined,
    shape: (code, content) => ask({ code, content }) as Shaped | undefined,
    ahead(code, contents) {
      outcomes.want(contents.map((content) => ({ code, content })));
      next();
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
