'use client';

import { customBy } from '@arbeit/engine/checks';
import type { FieldDocument } from '@arbeit/engine/document';
import type { OpenField } from '@arbeit/engine/field';
import { useEffect, useMemo } from 'react';
import { createRunner, type Reply, type Runner } from './runner.ts';

let runner: Runner | undefined;

/** What runs own code in the page. The engine that does is fetched by its thread, when something is to run and nowhere else. */
export function runnerInPage(): Runner {
  runner ??= createRunner((onReply, onFailure) => {
    const worker = new Worker(new URL('./page-worker.ts', import.meta.url), { type: 'module' });
    worker.addEventListener('message', ({ data }: MessageEvent<Reply>) => onReply(data));
    worker.addEventListener('error', onFailure);
    return { post: (call) => worker.postMessage(call), end: () => worker.terminate() };
  });
  return runner;
}

/** Whether a rule is the developer's own code. */
export const hasOwnCode = ({ rules = [] }: Pick<FieldDocument, 'rules'>): boolean =>
  rules.some(({ check }) => check.type === 'custom');

/** The field with what runs its own code, where it has any; the same field for the same one. */
export function useOwnCode<F extends OpenField>(field: F): F {
  return useMemo(() => withOwnCode(field), [field]);
}

/** The same, outside of components. On the server, where a page is only drawn, nothing runs. */
export function withOwnCode<F extends OpenField>(field: F, isWanted = hasCode(field)): F {
  if (!isWanted || typeof window === 'undefined') return field;
  return { ...field, checks: { ...field.checks, custom: customBy(runnerInPage().run) } };
}

const hasCode = ({ rules }: Pick<OpenField, 'rules'>): boolean =>
  rules.some(({ check }) => check.type === 'custom');

/** Looks at a field anew whenever some own code has come to something. */
export function useOutcomes(isWanted: boolean, look: () => void): void {
  useEffect(() => (isWanted ? runnerInPage().subscribe(look) : undefined), [isWanted, look]);
}
