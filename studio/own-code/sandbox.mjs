/** What a call may take: milliseconds, and of those at most so many between two looks at the clock, bytes of memory and of stack, characters of its answer. */
const limits = { time: 20, gap: 5, memory: 8 * 1024 * 1024, stack: 256 * 1024, answer: 20_000 };

/**
 * Calls the module's function from inside and hands the answer out as text, with what kind of thing it is: nothing out there can be reached from
 * in here, so nothing but text comes out.
 */
const harness = `(call, text) => {
  const answer = call(JSON.parse(text));
  if (answer === undefined || answer === null) return 'nothing';
  if (answer instanceof Promise) return 'a promise';
  if (typeof answer !== 'object') return 'a ' + typeof answer;
  return '=' + JSON.stringify(answer);
}`;

/**
 * Runs developers' code in a JavaScript engine of its own (QuickJS, compiled to WebAssembly), each call in a world that has nothing but the
 * language: no clock, no random numbers, no network, no page. What takes too long or too much is ended, and told. What the engine itself
 * is busy with (a search through a list of any length) it cannot end: whoever calls gives it a thread of its own and ends that (`runner.ts`).
 * Plain JavaScript, since Node runs it in a thread as it stands.
 */
export const createSandbox = (quickjs, onSpoilt) => (code, input) => callOnce(quickjs, code, input, onSpoilt);

/** What there is in the world of own code beside the language itself: nothing. */
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

/** Bounds a world, and takes out of it what would not come to the same twice or would make code of text. */
function bound(runtime, context) {
  runtime.setMemoryLimit(limits.memory);
  runtime.setMaxStackSize(limits.stack);
  evaluate(context, 'delete Math.random; delete globalThis.eval; delete globalThis.Function;').dispose();
}

/**
 * A function of one text that somebody has, in a world of its own that stays from call to call: whether it keeps something to itself is for whoever
 * calls it to find out. `call` answers `{ text }` or `{ broken, line? }`; `end` lets it go. Throws what `createSandbox` would have told, as `{ broken, line? }`.
 */
export function createCaller(quickjs, code) {
  const runtime = quickjs.newRuntime();
  const context = runtime.newContext({ intrinsics });
  const held = [];
  const hold = (handle) => {
    held.push(handle);
    return handle;
  };
  const end = () => {
    try {
      for (const handle of held) handle.dispose();
      context.dispose();
      runtime.dispose();
    } catch {
      // Ended in the middle it left something behind; the thread it ran in ends with it.
    }
  };
  try {
    bound(runtime, context);
    runtime.setInterruptHandler(meter());
    const loaded = context.evalCode(asModule(code), 'check.js', { type: 'module' });
    if (loaded.error) throw broken(context, loaded.error);
    const module = hold(loaded.value);
    const own = context.typeof(module) === 'object' ? hold(context.getProp(module, 'default')) : undefined;
    if (!own || context.typeof(own) !== 'function')
      throw new Broken({ broken: 'There is no function in it that takes a text.' });
    const run = hold(evaluate(context, textHarness));
    const call = (text) => {
      runtime.setInterruptHandler(meter());
      const given = context.newString(JSON.stringify(text));
      const result = context.callFunction(run, context.undefined, own, given);
      given.dispose();
      if (result.error) return broken(context, result.error).outcome;
      const said = context.getString(result.value);
      result.value.dispose();
      return textOf(said);
    };
    return { call, end };
  } catch (problem) {
    end();
    throw problem instanceof Broken ? problem.outcome : { broken: `The engine stopped: ${String(problem)}.` };
  }
}

/** Calls a function of a text, both ways as JSON: a text with a zero in it would end there otherwise. */
const textHarness = `((parse, stringify) => (call, text) => {
  const answer = call(parse(text));
  return typeof answer === 'string' ? '=' + stringify(answer) : answer === undefined ? 'nothing' : 'a ' + typeof answer;
})(JSON.parse, JSON.stringify)`;

function textOf(said) {
  if (!said.startsWith('=')) return { broken: `It answered ${said}, and no text.` };
  if (said.length > limits.answer) return { broken: 'Its answer is too long.' };
  return { text: JSON.parse(said.slice(1)) };
}

/** A function as it is copied from somewhere, as a module that hands it out: the last one it names, or the whole of it. */
export function asModule(code) {
  if (/^\s*export\s+default\b/m.test(code)) return code;
  // Line for line as it was: what is wrong is told by its line.
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

function callOnce(quickjs, code, input, onSpoilt) {
  const runtime = quickjs.newRuntime();
  const context = runtime.newContext({ intrinsics });
  try {
    bound(runtime, context);
    runtime.setInterruptHandler(meter());
    return call(context, code, input);
  } catch (problem) {
    return problem instanceof Broken
      ? problem.outcome
      : { broken: `The engine stopped: ${String(problem)}.` };
  } finally {
    try {
      context.dispose();
      runtime.dispose();
    } catch {
      // Ended in the middle it left something behind: another one goes on.
      onSpoilt();
    }
  }
}

/**
 * Whether a call has had its time. The engine asks every few thousand steps, mostly several times a millisecond; where far more lies between two
 * questions the machine was most likely busy with something else, and little of it is counted: a sound check must not fail because others work too.
 */
function meter() {
  let spent = 0;
  let last = performance.now();
  return () => {
    const now = performance.now();
    spent += Math.min(now - last, limits.gap);
    last = now;
    return spent > limits.time;
  };
}

/** What went wrong inside, told to whoever called. */
class Broken extends Error {
  constructor(outcome) {
    super('broken');
    this.outcome = outcome;
  }
}

function evaluate(context, code) {
  const result = context.evalCode(code, 'arbeit.js');
  if (result.error) throw broken(context, result.error);
  return result.value;
}

function call(context, code, input) {
  /** Whatever is held of the world inside, to be let go before it is closed. */
  const held = [];
  const hold = (handle) => {
    held.push(handle);
    return handle;
  };
  try {
    const loaded = context.evalCode(code, 'check.js', { type: 'module' });
    if (loaded.error) throw broken(context, loaded.error);
    const module = hold(loaded.value);
    if (context.typeof(module) !== 'object') return { broken: 'It has no "export default".' };
    const own = hold(context.getProp(module, 'default'));
    if (context.typeof(own) !== 'function')
      return { broken: 'It needs "export default" and a function behind it.' };
    const run = hold(evaluate(context, harness));
    const text = hold(context.newString(JSON.stringify(input)));
    const result = context.callFunction(run, context.undefined, own, text);
    if (result.error) throw broken(context, result.error);
    return outcomeOf(context.getString(hold(result.value)));
  } finally {
    for (const handle of held) handle.dispose();
  }
}

/** What came out, as the harness says it. */
function outcomeOf(said) {
  if (said === 'nothing') return { answer: undefined };
  if (!said.startsWith('=')) return { broken: `It answered ${said}: expected nothing or an object.` };
  if (said.length > limits.answer) return { broken: 'Its answer is too long.' };
  try {
    return { answer: JSON.parse(said.slice(1)) };
  } catch {
    return { broken: 'Its answer is no JSON.' };
  }
}

/** An error from inside, in words, with the line of the code it came from. */
function broken(context, handle) {
  const error = context.dump(handle);
  handle.dispose();
  if (typeof error !== 'object' || error === null)
    return new Broken({ broken: `It threw ${JSON.stringify(error)}.` });
  const message = String(error.message ?? '');
  const line = /check\.js:(\d+)/.exec(String(error.stack ?? ''))?.[1];
  return new Broken({
    broken: inWords(String(error.name ?? 'Error'), message),
    ...(line === undefined ? {} : { line: Number(line) }),
  });
}

function inWords(name, message) {
  if (message === 'interrupted') return `It took longer than ${limits.time} ms and was ended.`;
  if (message === 'out of memory')
    return `It took more than ${limits.memory / 1024 / 1024} MB and was ended.`;
  if (/could not load module|module loader/.test(message))
    return 'It imports something: there is nothing to import.';
  return `${name}: ${message}`;
}
