import type { RunShape, Shaped } from '@arbeit/engine/field';
import type { CodeInput, CodeOutcome, RunCode } from '@arbeit/engine/rules';
import type { Sandbox } from './sandbox.ts';

/** A request to a developer's code: the result of its check for a value, or the display of a content. */
type Asked =
  | { readonly code: string; readonly input: CodeInput }
  | { readonly code: string; readonly content: string };
type Outcome = CodeOutcome | Shaped;

/** A call to a thread, and its reply. */
export type Call = Asked & { readonly id: number };
export type Reply = { readonly ready: true } | { readonly id: number; readonly outcome: Outcome };

/** Runs a call in a sandbox and returns the reply. */
export const answerTo = (call: Call, sandbox: Sandbox): Reply => ({
  id: call.id,
  outcome: 'input' in call ? sandbox.check(call.code, call.input) : sandbox.shape(call.code, call.content),
});

/** A thread in which custom code runs. */
export interface Thread {
  post(call: Call): void;
  end(): void;
}

/**
 * Starts a thread. It calls `onReply` when it is ready and for each call, and `onFailure` if it cannot be
 * started.
 */
export type StartThread = (onReply: (reply: Reply) => void, onFailure: () => void) => Thread;

/** A client of a runner: a page, or one request to a server. Sessions take turns. */
export interface Session {
  /**
   * Returns the result of a call; `undefined` until it is known. Then the call is under way, and subscribers
   * are notified when it has ended.
   */
  readonly check: RunCode;
  readonly shape: RunShape;
  /** Resolves once no call of this session is under way. */
  settled(): Promise<void>;
}

/** The set whose code a session runs, and the client it runs for: a browser, a page. */
export interface Origin {
  readonly set: string;
  readonly client: string;
}

/** Runs custom code in threads of its own, each with one call at a time. */
export interface Runner extends Session {
  /**
   * A session beside the others. Calls are run in turns: between the sets, between the clients of a set,
   * between the sessions of a client. One set never has all threads if there are several. `origin` names the
   * set and the client; without it, the session is treated as a set of its own.
   */
  session(origin?: Origin): Session;
  /** Sessions that wait for calls. */
  waiting(): number;
  /** Formats these contents when no session has a call waiting. Replaces the contents given before. */
  ahead(code: string, contents: readonly string[]): void;
  subscribe(listener: () => void): () => void;
  end(): void;
}

/** Size of the memory of calls and results, in characters. */
const remembered = 2_000_000;
/**
 * How long a call may take before it is ended with its thread, in milliseconds: many times what its steps
 * take on a busy machine. Only work that the engine cannot count takes longer, such as its own search through
 * a very long text. `start` is the limit for starting a thread.
 */
const patience = { call: 5000, start: 30_000 };
/**
 * Code is not called again after this many calls that had to be ended: it would cost a thread per keystroke.
 */
const mostHangs = 2;

const notDecided = {
  undecided:
    'Not decided: the call did not come back. Run it again, or look for a search through a very long text.',
} as const;
const shapeNotDecided = { broken: notDecided.undecided } as const;
const notStarted = {
  broken: 'The sandbox for custom code could not be started. Reload the page to try again.',
} as const;

const undecided = (asked: Asked): Outcome => ('input' in asked ? notDecided : shapeNotDecided);

/** How many different codes are remembered; while code is being written, each letter makes another. */
const mostCodes = 100;

/**
 * Requests as keys. Code is replaced by a number in them: each keystroke may ask for a hundred contents in
 * advance, and code may have 20,000 characters.
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

/**
 * Results of calls, the newest last. The memory is limited by characters, because one result may be as long
 * as a thousand others.
 */
function createMemory(): { get(key: string): Outcome | undefined; set(key: string, outcome: Outcome): void } {
  const known = new Map<string, { readonly outcome: Outcome; readonly size: number }>();
  let size = 0;
  const forget = (key: string): void => {
    size -= known.get(key)?.size ?? 0;
    known.delete(key);
  };
  return {
    get: (key) => known.get(key)?.outcome,
    set(key, outcome) {
      forget(key);
      const own = key.length + (JSON.stringify(outcome)?.length ?? 0);
      known.set(key, { outcome, size: own });
      size += own;
      for (const oldest of known.keys()) {
        if (size <= remembered || known.size <= 1) break;
        forget(oldest);
      }
    },
  };
}

/** The calls of a session that are waiting, and the promises that wait for all of them. */
interface Queue {
  readonly origin: Origin;
  readonly waiting: Map<string, Asked>;
  readonly settling: (() => void)[];
}

/** A call to make. `queue` is its session; `undefined` for a call made in advance. */
interface Due {
  readonly key: string;
  readonly asked: Asked;
  readonly queue: Queue | undefined;
}

/**
 * The order of waiting sessions: first the set whose last turn was longest ago, then the client of it, then
 * the session.
 */
function createTurns() {
  const queues = new Set<Queue>();
  let count = 0;
  const last = new Map<string, number>();
  const lastOf = (...origin: readonly string[]): number => last.get(JSON.stringify(origin)) ?? 0;
  return {
    queues,
    inOrder: (): Queue[] =>
      [...queues].sort(
        ({ origin: a }, { origin: b }) =>
          lastOf(a.set) - lastOf(b.set) || lastOf(a.set, a.client) - lastOf(b.set, b.client),
      ),
    /** Called when a call of a session is handed to a thread. */
    take(queue: Queue): void {
      const { set, client } = queue.origin;
      count++;
      for (const origin of [[set], [set, client]]) last.set(JSON.stringify(origin), count);
      // Among the sessions of a client, it is last the next time.
      if (queues.delete(queue)) queues.add(queue);
    },
    /** Notifies those who wait for sessions that have nothing under way. */
    release(): void {
      for (const queue of queues) {
        if (queue.waiting.size > 0) continue;
        queues.delete(queue);
        for (const done of queue.settling.splice(0)) done();
      }
      if (queues.size === 0) last.clear();
    },
  };
}

/** The first call that no thread is running. */
function firstOf(
  calls: ReadonlyMap<string, Asked>,
  busy: readonly Due[],
): { readonly key: string; readonly asked: Asked } | undefined {
  for (const [key, asked] of calls) if (!busy.some((one) => one.key === key)) return { key, asked };
  return undefined;
}

/** Requests of sessions, results of calls, and which call is next. */
function createAsked(threads: number) {
  const keyOf = createKeys();
  const memory = createMemory();
  const listeners = new Set<() => void>();
  const hangs = new Map<string, number>();
  /** Calls to make in advance: nobody waits for them. */
  let later = new Map<string, Asked>();
  /** Threads that may run calls of one set at the same time. */
  const most = Math.max(1, threads - 1);
  const turns = createTurns();
  const { queues } = turns;
  const learn = (key: string, outcome: Outcome): void => {
    memory.set(key, outcome);
    later.delete(key);
    // A call made in advance changes nothing that is shown.
    let isWaitedFor = false;
    for (const { waiting } of queues) isWaitedFor = waiting.delete(key) || isWaitedFor;
    if (isWaitedFor) for (const listener of [...listeners]) listener();
  };
  return {
    listeners,
    learn,
    /** The result of a call; `undefined` if the session has to wait for it. */
    find(queue: Queue, asked: Asked): Outcome | undefined {
      const key = keyOf(asked);
      const isHopeless = (hangs.get(asked.code) ?? 0) >= mostHangs;
      const outcome = memory.get(key) ?? (isHopeless ? undecided(asked) : undefined);
      if (outcome) return outcome;
      queue.waiting.set(key, asked);
      queues.add(queue);
      return undefined;
    },
    settle(queue: Queue, done: () => void): void {
      queue.settling.push(done);
      queues.add(queue);
    },
    want(all: readonly Asked[]): void {
      later = new Map(
        all.map((asked): [string, Asked] => [keyOf(asked), asked]).filter(([key]) => !memory.get(key)),
      );
    },
    /** The next call to start: first calls of sessions, in turns, then calls in advance. */
    next(busy: readonly Due[]): Due | undefined {
      for (const queue of turns.inOrder()) {
        const ofSet = busy.filter((one) => one.queue?.origin.set === queue.origin.set);
        const first = ofSet.length < most && firstOf(queue.waiting, busy);
        if (first) return { ...first, queue };
      }
      const first = firstOf(later, busy);
      return first && { ...first, queue: undefined };
    },
    /** Called when a call is handed to a thread. */
    begun: ({ queue }: Due): void => queue && turns.take(queue),
    release: turns.release,
    waiting: (): number => queues.size,
    hang({ key, asked }: Due): void {
      hangs.set(asked.code, (hangs.get(asked.code) ?? 0) + 1);
      learn(key, undecided(asked));
    },
    giveUp(): void {
      later = new Map();
      for (const { waiting } of queues) for (const key of [...waiting.keys()]) learn(key, notStarted);
    },
  };
}

/** A thread, and the call it is running. */
interface Slot {
  thread: Thread | undefined;
  isReady: boolean;
  busy: (Due & { readonly id: number }) | undefined;
  timer: ReturnType<typeof setTimeout> | undefined;
}

/** Threads, started when needed and ended together with a call that does not return. */
function createPool(start: StartThread, threads: number, work: ReturnType<typeof createAsked>) {
  let count = 0;
  const slots = Array.from(
    { length: threads },
    (): Slot => ({ thread: undefined, isReady: false, busy: undefined, timer: undefined }),
  );
  const drop = (slot: Slot): void => {
    clearTimeout(slot.timer);
    slot.thread?.end();
    Object.assign(slot, { thread: undefined, isReady: false, busy: undefined });
  };
  const fail = (slot: Slot): void => {
    drop(slot);
    work.giveUp();
    next();
  };
  const hear = (slot: Slot, thread: Thread, reply: Reply): void => {
    // A late reply of a thread that was ended is ignored.
    const isLate = 'id' in reply ? reply.id !== slot.busy?.id : slot.isReady;
    if (slot.thread !== thread || isLate) return;
    clearTimeout(slot.timer);
    if ('ready' in reply) slot.isReady = true;
    else if (slot.busy) {
      const { key } = slot.busy;
      slot.busy = undefined;
      work.learn(key, reply.outcome);
    }
    next();
  };
  const begin = (slot: Slot): void => {
    slot.timer = setTimeout(() => fail(slot), patience.start);
    const thread: Thread = start(
      (reply) => hear(slot, thread, reply),
      () => slot.thread === thread && fail(slot),
    );
    slot.thread = thread;
  };
  const call = (slot: Slot, thread: Thread, due: Due): void => {
    const id = ++count;
    slot.busy = { ...due, id };
    work.begun(due);
    slot.timer = setTimeout(() => {
      drop(slot);
      work.hang(due);
      next();
    }, patience.call);
    thread.post({ ...due.asked, id });
  };
  const next = (): void => {
    work.release();
    for (const slot of slots) {
      if (slot.busy || (slot.thread && !slot.isReady)) continue;
      const due = work.next(slots.flatMap(({ busy }) => busy ?? []));
      if (!due) return;
      if (slot.thread) call(slot, slot.thread, due);
      else begin(slot);
    }
  };
  return {
    next,
    end(): void {
      for (const slot of slots) drop(slot);
    },
  };
}

/**
 * A runner on threads that `start` starts: the first when first needed, another when one had to be ended, at
 * most `threads` at the same time.
 */
export function createRunner(start: StartThread, threads = 1): Runner {
  const work = createAsked(threads);
  const pool = createPool(start, threads, work);
  let sessions = 0;
  const session = (origin: Origin = { set: `session ${sessions++}`, client: '' }): Session => {
    const queue: Queue = { origin, waiting: new Map(), settling: [] };
    const ask = (asked: Asked): Outcome | undefined => {
      const outcome = work.find(queue, asked);
      if (!outcome) pool.next();
      return outcome;
    };
    return {
      // The key tells which of the two was called, and so the type of the result.
      check: (code, input) => ask({ code, input }) as CodeOutcome | undefined,
      shape: (code, content) => ask({ code, content }) as Shaped | undefined,
      settled: () =>
        new Promise((done) => {
          work.settle(queue, done);
          pool.next();
        }),
    };
  };
  return {
    ...session(),
    session,
    waiting: work.waiting,
    ahead(code, contents) {
      work.want(contents.map((content) => ({ code, content })));
      pool.next();
    },
    subscribe(listener) {
      work.listeners.add(listener);
      return () => work.listeners.delete(listener);
    },
    end: pool.end,
  };
}
