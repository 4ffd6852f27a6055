import { type Answer, type Ask, fieldName } from '@arbeit/engine/field';
import type { FormStore } from './form-store.ts';
import type { FieldStore } from './store.ts';

/** Asks a server for a field. A rejection counts as "nobody answered". */
export type AskElsewhere = (ask: Ask, field: string, signal: AbortSignal) => Promise<Answer>;

/** Pause in typing after which rules with `"on": "pause"` ask, in milliseconds. */
const pause = 400;

/**
 * Asks the questions of a field as they come up and hands the answers in: on leaving, or on a pause in
 * typing. Typing never waits. A question without an answer in time is `unreachable`. Returns a function that
 * stops.
 *
 * @example
 * const stop = driveAsks(store, askByFetch('https://huts.example'));
 */
export function driveAsks(store: FieldStore, ask: AskElsewhere): () => void {
  let isStopped = false;
  let timer: ReturnType<typeof setTimeout> | undefined;
  let count = 0;
  /** Questions that were sent and not answered yet, by rule. */
  const open = new Map<string, AbortController>();
  const put = (question: Ask): void => {
    const { rule, about, timeout } = question;
    // A listener may have started the others too when one was started.
    if (!store.evaluation().asks.some((one) => one.rule === rule && one.about === about)) return;
    const id = `${rule}-${++count}`;
    const call = new AbortController();
    open.set(id, call);
    store.dispatch({ type: 'ask', id, rule, about });
    const late = new Promise<never>((_, fail) => call.signal.addEventListener('abort', fail));
    const waiting = setTimeout(() => call.abort(), timeout);
    Promise.race([ask(question, fieldName(store.field), call.signal), late])
      .catch((): Answer => ({ verdict: 'unreachable' }))
      .then((answer) => {
        clearTimeout(waiting);
        if (isStopped) return;
        open.delete(id);
        store.dispatch({ type: 'answer', id, answer });
      });
  };
  const look = (): void => {
    clearTimeout(timer);
    const { asks } = store.evaluation();
    for (const question of asks) if (question.on === 'leave') put(question);
    if (asks.some(({ on }) => on === 'pause'))
      timer = setTimeout(() => store.evaluation().asks.forEach(put), pause);
  };
  const letGo = store.subscribe(look);
  look();
  return () => {
    letGo();
    clearTimeout(timer);
    isStopped = true;
    // These will get no answer; whoever binds the field next asks again.
    for (const [id, call] of open) {
      call.abort();
      store.dispatch({ type: 'answer', id, answer: { verdict: 'unreachable' } });
    }
    if (open.size) store.dispatch({ type: 'ask-again' });
  };
}

/**
 * Like `driveAsks`, for all fields of a form.
 *
 * @example
 * const stop = driveFormAsks(formStore, askByFetch());
 */
export function driveFormAsks(store: FormStore, ask: AskElsewhere): () => void {
  const stops = [...store.form.asking].map((id) => driveAsks(store.field(id), ask));
  return () => {
    for (const stop of stops) stop();
  };
}

/**
 * A function that asks the page's own server (`docs/contract/servers.md`): POST of JSON `{ field, value,
 * values }`, answered by `{ verdict, code, data, facts }`. `base` goes before the path; a server needs it,
 * because it has no address of its own.
 *
 * @example
 * const stop = driveAsks(store, askByFetch());
 */
export const askByFetch =
  (base = ''): ((ask: Ask, field: string, signal?: AbortSignal) => Promise<Answer>) =>
  async ({ path, value, values, timeout }, field, signal = AbortSignal.timeout(timeout)) => {
    const response = await fetch(`${base}${path}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ field, value, values }),
      signal,
    });
    if (!response.ok) return { verdict: 'unreachable' };
    const answer = (await response.json()) as Answer;
    return answer.verdict === 'pass' || answer.verdict === 'fail' ? answer : { verdict: 'unreachable' };
  };
