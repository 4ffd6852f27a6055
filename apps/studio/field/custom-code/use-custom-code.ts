'use client';

import type { FieldStore } from '@arbeit/dom';
import { customBy } from '@arbeit/engine/checks';
import { apply, type FieldState, type HydratedField, withFormat } from '@arbeit/engine/field';
import { createRunner, type Reply, type Runner } from '@arbeit/sandbox';
import { useCallback, useEffect, useMemo, useState } from 'react';
import { hasCustomCode } from '../../model/has-custom-code.ts';

let runner: Runner | undefined;

/**
 * What runs own code in the page. The engine that does is fetched by its thread, when something is to run and
 * nowhere else.
 */
export function runnerInPage(): Runner {
  runner ??= createRunner((onReply, onFailure) => {
    const worker = new Worker(new URL('../../workers/custom-code/page-worker.ts', import.meta.url), {
      type: 'module',
    });
    worker.addEventListener('message', ({ data }: MessageEvent<Reply>) => onReply(data));
    worker.addEventListener('error', onFailure);
    return { post: (call) => worker.postMessage(call), end: () => worker.terminate() };
  });
  return runner;
}

const hasChecks = (rules: readonly { readonly check: { readonly type: string } }[]): boolean =>
  rules.some(({ check }) => check.type === 'custom');

/** The field with what runs its own code, where it has any; the same field for the same one. */
export function useCustomCode<F extends HydratedField>(field: F): F {
  return useMemo(() => withCustomCode(field), [field]);
}

/**
 * Where a page is only drawn, nothing is known yet of any call: what the page then shows first is the same.
 */
const nothingYet = { check: () => undefined, shape: () => undefined };

/**
 * The same, outside of components. `isWanted`: rules of a form ask own code about it. On the server, where a
 * page is only drawn, nothing runs.
 */
export function withCustomCode<F extends HydratedField>(field: F, isWanted = false): F {
  if (!(isWanted || hasCustomCode(field))) return field;
  const { check, shape } = typeof window === 'undefined' ? nothingYet : runnerInPage();
  const shaped = withFormat(field, shape);
  if (!isWanted && !hasChecks(field.rules)) return shaped;
  return { ...shaped, checks: { ...field.checks, custom: customBy(check) } };
}

/** Looks anew whenever some own code has come to something. */
export function useOutcomes(isWanted: boolean, look: () => void): void {
  useEffect(() => (isWanted ? runnerInPage().subscribe(look) : undefined), [isWanted, look]);
}

/** How many times own code has come to something since it is looked at: what is drawn by it is drawn anew. */
export function useAnswers(isWanted: boolean): number {
  const [count, setCount] = useState(0);
  const more = useCallback(() => setCount((now) => now + 1), []);
  useOutcomes(isWanted, more);
  return count;
}

/**
 * Before fields are looked at anew: the browser tells of a caret that was moved a moment later
 * (`selectionchange` is a task of its own), and what an answer brings would put it back to where the field
 * knows it. So it is told now.
 */
export const tellCaret = (): void => void document.dispatchEvent(new Event('selectionchange'));

/** Tells a field anew what stands there. No event of its own, and nothing for its tape. */
export function lookAgain(store: FieldStore): void {
  tellCaret();
  store.restore(apply(store.field, store.state(), { type: 'look' }));
}

/**
 * Keeps a field told of what its own code comes to; and asks for the shapes the next key may lead to, so that
 * it is seldom shown without.
 */
export function useOwnOutcomes(store: FieldStore): void {
  useEffect(() => watchOutcomes(store), [store]);
}

/** The same, outside of components. Returns what ends it; nothing, where the field has no own code. */
export function watchOutcomes(store: FieldStore): (() => void) | undefined {
  if (!hasCustomCode(store.field)) return undefined;
  const stop = runnerInPage().subscribe(() => lookAgain(store));
  const stopAsking = store.field.kind.prefetch && store.subscribe((state) => askAhead(store.field, state));
  return () => {
    stop();
    stopAsking?.();
  };
}

/** Has the shapes worked out that the next key may lead to. */
export function askAhead({ kind, plan }: HydratedField, { body, start, end, focused }: FieldState): void {
  if (!focused || !kind.prefetch) return;
  const { code, contents } = kind.prefetch(plan, body, start, end);
  runnerInPage().ahead(code, contents);
}
