'use client';

import type { FieldStore } from '@arbeit/dom';
import { customBy } from '@arbeit/engine/checks';
import { apply, type FieldState, type HydratedField, withFormat } from '@arbeit/engine/field';
import type { Call, Reply, Runner } from '@arbeit/sandbox';
import { useCallback, useEffect, useMemo, useState } from 'react';
import { hasCustomCode } from '../../model/has-custom-code.ts';

type PageRunner = Pick<Runner, 'check' | 'shape' | 'ahead' | 'subscribe'>;

let runner: Runner | undefined;
let isComing = false;
/** Listeners that subscribed before the runner was loaded. */
const waiting = new Set<{ readonly listener: () => void; stop?: () => void }>();

/** Starts the thread in which custom code runs. The thread loads the interpreter when something must run. */
function startThread(onReply: (reply: Reply) => void, onFailure: () => void) {
  const worker = new Worker(new URL('../../workers/custom-code/page-worker.ts', import.meta.url), {
    type: 'module',
  });
  worker.addEventListener('message', ({ data }: MessageEvent<Reply>) => onReply(data));
  worker.addEventListener('error', onFailure);
  return { post: (call: Call) => worker.postMessage(call), end: () => worker.terminate() };
}

/** The runner, if it is loaded. The first call loads it. After a failure the next call tries again. */
function loaded(): Runner | undefined {
  if (runner || isComing) return runner;
  isComing = true;
  import('@arbeit/sandbox').then(
    ({ createRunner }) => {
      runner = createRunner(startThread);
      for (const one of waiting) {
        one.stop = runner.subscribe(one.listener);
        one.listener();
      }
    },
    () => {
      isComing = false;
    },
  );
  return undefined;
}

const inPage: PageRunner = {
  check: (code, input) => loaded()?.check(code, input),
  shape: (code, content) => loaded()?.shape(code, content),
  ahead: (code, contents) => loaded()?.ahead(code, contents),
  subscribe(listener) {
    if (runner) return runner.subscribe(listener);
    const one: { readonly listener: () => void; stop?: () => void } = { listener };
    waiting.add(one);
    return () => {
      waiting.delete(one);
      one.stop?.();
    };
  },
};

/**
 * Runs custom code in the page. Most fields do not have any, so the runner is loaded at the first call. Until
 * then results are unknown, and listeners are called when it is loaded.
 */
export const runnerInPage = (): PageRunner => inPage;

const hasChecks = (rules: readonly { readonly check: { readonly type: string } }[]): boolean =>
  rules.some(({ check }) => check.type === 'custom');

/** The field with what runs its custom code, if it has any; the same object for the same field. */
export function useCustomCode<F extends HydratedField>(field: F): F {
  return useMemo(() => withCustomCode(field), [field]);
}

/** On a server nothing has run yet, and the page starts with the same. */
const nothingYet = { check: () => undefined, shape: () => undefined };

/**
 * Like `useCustomCode`, for use outside of components. `isWanted`: whether a form rule runs custom code on
 * this field. On the server nothing runs.
 */
export function withCustomCode<F extends HydratedField>(field: F, isWanted = false): F {
  if (!(isWanted || hasCustomCode(field))) return field;
  const { check, shape } = typeof window === 'undefined' ? nothingYet : runnerInPage();
  const shaped = withFormat(field, shape);
  if (!isWanted && !hasChecks(field.rules)) return shaped;
  return { ...shaped, checks: { ...field.checks, custom: customBy(check) } };
}

/** Renders again when custom code has a result. */
export function useOutcomes(isWanted: boolean, look: () => void): void {
  useEffect(() => (isWanted ? runnerInPage().subscribe(look) : undefined), [isWanted, look]);
}

/** Number of results since the field is watched, as a dependency for drawing. */
export function useAnswers(isWanted: boolean): number {
  const [count, setCount] = useState(0);
  const more = useCallback(() => setCount((now) => now + 1), []);
  useOutcomes(isWanted, more);
  return count;
}

/**
 * Takes over a moved caret before fields are evaluated again: `selectionchange` comes in a later task, and a
 * result would put the caret back to its old place.
 */
export const tellCaret = (): void => void document.dispatchEvent(new Event('selectionchange'));

/** Evaluates a field again. This is no event of its tape. */
export function lookAgain(store: FieldStore): void {
  tellCaret();
  store.restore(apply(store.field, store.state(), { type: 'invalidate' }));
}

/**
 * Evaluates a field again when its custom code has a result, and formats in advance what the next key may
 * lead to.
 */
export function useOwnOutcomes(store: FieldStore): void {
  useEffect(() => watchOutcomes(store), [store]);
}

/**
 * The same outside of components. Returns a function that stops; `undefined` if the field has no custom code.
 */
export function watchOutcomes(store: FieldStore): (() => void) | undefined {
  if (!hasCustomCode(store.field)) return undefined;
  const stop = runnerInPage().subscribe(() => lookAgain(store));
  const stopAsking = store.field.kind.prefetch && store.subscribe((state) => askAhead(store.field, state));
  return () => {
    stop();
    stopAsking?.();
  };
}

/** Formats in advance the contents that the next key may lead to. */
export function askAhead({ kind, plan }: HydratedField, { body, start, end, focused }: FieldState): void {
  if (!focused || !kind.prefetch) return;
  const { code, contents } = kind.prefetch(plan, body, start, end);
  runnerInPage().ahead(code, contents);
}
