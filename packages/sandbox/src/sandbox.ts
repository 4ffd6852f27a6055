import type { Shaped } from '@arbeit/engine/field';
import type { CodeInput, CodeOutcome } from '@arbeit/engine/rules';
import type { QuickJSContext, QuickJSHandle, QuickJSWASMModule } from 'quickjs-emscripten-core';
import { giveIntl } from './intl.ts';

/**
 * Limits of a call: steps, bytes of memory and of stack, characters of its result and of its error. Steps are
 * rounds of loops and calls, counted by the engine: the same call takes the same number on any machine,
 * however busy. 500,000 take 20 to 40 ms on an idle one.
 */
const limits = { steps: 500_000, memory: 8 * 1024 * 1024, stack: 256 * 1024, answer: 20_000, reason: 500 };

/** Steps between two interrupt checks of the engine (QuickJS, `JS_INTERRUPT_COUNTER_INIT`). */
const stepsAsked = 10_000;

/** Runs custom checks and custom formats. */
export interface Sandbox {
  /** Calls the module's default function, in a new world. */
  check(code: string, input: CodeInput): CodeOutcome;
  /**
   * Calls the module's `shape` and `value`, in a world that is kept between calls. That is fast, and shows
   * whether a format depends on earlier calls.
   */
  shape(code: string, content: string): Shaped;
}

/**
 * Runs developers' code in a JavaScript engine of its own (QuickJS, compiled to WebAssembly), in worlds that
 * contain only the language: no clock, no random numbers, no network, no page. Code that takes too many steps
 * or too much memory is ended, and the reason is returned. Work of the engine itself, such as a search
 * through a very long list, cannot be ended here: the caller runs the sandbox in a thread and ends that
 * (`runner.ts`). `onSpoilt` is called when this engine should not be used again.
 */
export function createSandbox(quickjs: QuickJSWASMModule, onSpoilt: () => void): Sandbox {
  return {
    check(code, input) {
      let world: World | undefined;
      try {
        world = worldOf(quickjs, code, checking, onSpoilt);
        return outcomeIn(world.call(input));
      } catch (problem) {
        return failureOf(problem);
      } finally {
        // Ended in the middle, it may be in an undefined state: another one replaces it.
        if (world && !world.end()) onSpoilt();
      }
    },
    shape: shaper(quickjs),
  };
}

/** The result of a function call. */
export type Called = { readonly text: string } | Failure;

/** A function of one text, in a world that is kept between calls. */
export interface Caller {
  call(text: string): Called;
  /** Frees the world. */
  end(): void;
}

/**
 * A pasted function of one text, in a world of its own that is kept between calls. The caller has to find out
 * whether it depends on earlier calls. Throws `{ broken, line? }` if the code contains no function.
 */
export function createCaller(quickjs: QuickJSWASMModule, code: string): Caller {
  let world: World;
  try {
    world = worldOf(quickjs, asModule(code), answering);
  } catch (problem) {
    throw failureOf(problem);
  }
  return {
    call(text) {
      try {
        return textIn(world.call(text));
      } catch (problem) {
        return failureOf(problem);
      }
    },
    end: () => void world.end(),
  };
}

/** Most worlds of custom formats kept at the same time. */
const mostWorlds = 8;

/** Runs custom formats, each code in a world that is kept. */
function shaper(quickjs: QuickJSWASMModule): Sandbox['shape'] {
  const worlds = new Map<string, World | Failure>();
  const worldFor = (code: string): World | Failure => {
    const known = worlds.get(code);
    if (known) return known;
    let made: World | Failure;
    try {
      made = worldOf(quickjs, code, shaping);
    } catch (problem) {
      made = failureOf(problem);
    }
    worlds.set(code, made);
    // While code is being written, each letter makes another one.
    for (const [oldest, world] of worlds) {
      if (worlds.size <= mostWorlds) break;
      if ('end' in world) world.end();
      worlds.delete(oldest);
    }
    return made;
  };
  return (code, content) => {
    const world = worldFor(code);
    if ('broken' in world) return world;
    try {
      return shapeIn(world.call(content));
    } catch (problem) {
      return failureOf(problem);
    }
  };
}

/** Why there is no result, in words, and the line of the code (1-based). */
type Failure = { readonly broken: string; readonly line?: number };

/** An error in custom code, reported to the caller. */
class Broken extends Error {
  readonly failure: Failure;
  constructor(failure: Failure) {
    super('broken');
    this.failure = failure;
  }
}

const failureOf = (problem: unknown): Failure =>
  problem instanceof Broken ? problem.failure : { broken: `The engine stopped: ${String(problem)}.` };

/** What is called in a module, and how. */
interface Made {
  /** The names of its exports; the first must be a function. */
  readonly exports: readonly string[];
  /** The message if it is not a function; `type` is what it is instead. */
  missing(type: string): string;
  /**
   * A function, as text, that calls the exports from inside and returns the result as text together with its
   * type. No object of the host can be reached from inside, because only text crosses the border. Both
   * directions use JSON: a text with a zero character would end there otherwise.
   */
  readonly harness: string;
  /** Adds to the world what it has beside the language. */
  prepare?(context: QuickJSContext, evaluate: (code: string) => QuickJSHandle): void;
}

const checking: Made = {
  exports: ['default'],
  missing: (type) =>
    type === 'undefined'
      ? 'It has no "export default".'
      : 'The code needs “export default” followed by a function.',
  harness: `(call, text) => {
    const answer = call(JSON.parse(text));
    if (answer === undefined || answer === null) return 'nothing';
    if (answer instanceof Promise) return 'a promise';
    if (typeof answer !== 'object') return 'a ' + typeof answer;
    return '=' + JSON.stringify(answer);
  }`,
};

const answering: Made = {
  exports: ['default'],
  missing: () => 'No function with a text parameter found.',
  prepare: giveIntl,
  harness: `((parse, stringify) => (call, text) => {
    const answer = call(parse(text));
    return typeof answer === 'string' ? '=' + stringify(answer) : answer === undefined ? 'nothing' : 'a ' + typeof answer;
  })(JSON.parse, JSON.stringify)`,
};

const shaping: Made = {
  exports: ['shape', 'value'],
  missing: () => 'The code has no “export function shape(content)”.',
  harness: `((parse, stringify) => (shape, value, text) => {
    const content = parse(text);
    const plain = (answer) => (answer instanceof Promise ? {} : answer);
    const answer = { shown: plain(shape(content)) };
    if (typeof value === 'function') answer.value = plain(value(content)) ?? null;
    return '=' + stringify(answer);
  })(JSON.parse, JSON.stringify)`,
};

/** What a world of custom code has beside the language itself: nothing. */
const intrinsics = {
  BaseObjects: true,
  Eval: true,
  StringNormalize: true,
  RegExp: true,
  RegExpCompiler: true,
  JSON: true,
  MapSet: true,
  Promise: true,
  BigInt: true,
};

/** A world with a module in it. */
interface World {
  /** The harness's result of a call. Throws `Broken`. */
  call(given: unknown): string;
  /** Frees the world; `false` if it could not be freed completely. */
  end(): boolean;
}

function worldOf(
  quickjs: QuickJSWASMModule,
  code: string,
  made: Made,
  onSpoilt: () => void = () => undefined,
): World {
  const runtime = quickjs.newRuntime();
  const context = runtime.newContext({ intrinsics });
  /** Handles into the world, to be disposed of before it is closed. */
  const held: QuickJSHandle[] = [];
  const hold = (handle: QuickJSHandle): QuickJSHandle => {
    held.push(handle);
    return handle;
  };
  const end = (): boolean => {
    try {
      for (const handle of held) handle.dispose();
      context.dispose();
      runtime.dispose();
      return true;
    } catch {
      return false;
    }
  };
  try {
    runtime.setMemoryLimit(limits.memory);
    runtime.setMaxStackSize(limits.stack);
    // Removes whatever would not give the same result twice, and whatever makes code from text.
    evaluate(context, 'delete Math.random; delete globalThis.eval; delete globalThis.Function;').dispose();
    made.prepare?.(context, (text) => evaluate(context, text));
    runtime.setInterruptHandler(meter());
    const loaded = context.evalCode(code, 'own.js', { type: 'module' });
    if (loaded.error) throw broken(context, loaded.error);
    const module = hold(loaded.value);
    const own = made.exports.map((name) =>
      context.typeof(module) === 'object' ? hold(context.getProp(module, name)) : context.undefined,
    );
    const type = context.typeof(own[0] ?? context.undefined);
    if (type !== 'function') throw new Broken({ broken: made.missing(type) });
    const run = hold(evaluate(context, made.harness));
    const call = (given: unknown): string => {
      runtime.setInterruptHandler(meter());
      const text = context.newString(JSON.stringify(given));
      const result = context.callFunction(run, context.undefined, ...own, text);
      text.dispose();
      if (result.error) throw broken(context, result.error);
      const said = context.getString(result.value);
      result.value.dispose();
      return said;
    };
    return { call, end };
  } catch (problem) {
    if (!end()) onSpoilt();
    throw problem;
  }
}

/** Returns a function that tells whether a call has used up its steps. */
function meter(): () => boolean {
  let steps = 0;
  return () => {
    steps += stepsAsked;
    return steps > limits.steps;
  };
}

function evaluate(context: QuickJSContext, code: string): QuickJSHandle {
  const result = context.evalCode(code, 'arbeit.js');
  if (result.error) throw broken(context, result.error);
  return result.value;
}

/** A result that must be JSON; anything else is reported with what was expected. */
function jsonIn(said: string, expected: string): { readonly json: unknown } | Failure {
  if (!said.startsWith('=')) return { broken: `It returned ${said}${expected}` };
  if (said.length > limits.answer) return { broken: 'Its answer is too long.' };
  try {
    return { json: JSON.parse(said.slice(1)) };
  } catch {
    return { broken: 'The return value is not JSON.' };
  }
}

function outcomeIn(said: string): CodeOutcome {
  if (said === 'nothing') return { answer: undefined };
  const read = jsonIn(said, ': expected nothing or an object.');
  return 'broken' in read ? read : { answer: read.json };
}

function textIn(said: string): Called {
  const read = jsonIn(said, ' instead of a string.');
  // The harness returns only texts as JSON.
  return 'broken' in read ? read : { text: String(read.json) };
}

function shapeIn(said: string): Shaped {
  const read = jsonIn(said, '.');
  if ('broken' in read) return read;
  const { json } = read;
  if (typeof json !== 'object' || json === null) return { broken: 'The return value is not JSON.' };
  return { shown: undefined, ...json };
}

/** An error from inside, in words, with its line in the code. */
function broken(context: QuickJSContext, handle: QuickJSHandle): Broken {
  const error = context.dump(handle);
  handle.dispose();
  if (typeof error !== 'object' || error === null)
    return new Broken({ broken: `It threw ${String(JSON.stringify(error)).slice(0, limits.reason)}.` });
  const message = String(error.message ?? '');
  const line = /own\.js:(\d+)/.exec(String(error.stack ?? ''))?.[1];
  return new Broken({
    broken: inWords(String(error.name ?? 'Error'), message),
    ...(line === undefined ? {} : { line: Number(line) }),
  });
}

function inWords(name: string, message: string): string {
  if (message === 'interrupted') return `Stopped after ${limits.steps.toLocaleString('en')} steps (limit).`;
  if (message === 'out of memory')
    return `Stopped: it used more than ${limits.memory / 1024 / 1024} MB of memory (limit).`;
  if (/could not load module|module loader/.test(message)) return 'Imports are not available here.';
  // An error may quote its input, however long that is.
  return `${name}: ${message}`.slice(0, limits.reason);
}

/**
 * A copied function as a module that exports it: the last function the code names, or the whole code as one.
 */
export function asModule(code: string): string {
  if (/^\s*export\s+default\b/m.test(code)) return code;
  // Line by line as it was, because errors are reported by line.
  const plain = code.replace(/^(\s*)export\s+(?=(?:async\s+)?(?:function|const|let|var)\b)/gm, '$1');
  const named = [
    ...plain.matchAll(
      /^(?:function\s+([\w$]+)|(?:const|let|var)\s+([\w$]+)\s*=\s*(?:function\b|\(?[\w$\s,=:]*\)?\s*=>))/gm,
    ),
  ];
  const last = named.at(-1);
  if (last) return `${plain}\nexport default ${last[1] ?? last[2]};`;
  const isStatement = /^\s*(?:const|let|var|import|class|if|for|while)\b/.test(plain);
  return isStatement ? plain : `export default ${plain.trim().replace(/;$/, '')}`;
}
