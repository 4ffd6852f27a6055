'use client';

import type { FieldStore } from '@arbeit/dom';
import { customBy } from '@arbeit/engine/checks';
import { type HydratedField, withFormat } from '@arbeit/engine/field';
import { useEffect, useMemo } from 'react';
import { hasCustomCode } from '../../model/has-custom-code.ts';

type Own = typeof import('./use-custom-code.ts');

let own: Own | undefined;
let isComing = false;
const waiting = new Set<() => void>();

/**
 * Fetches what runs custom code. Until then, fields show what was typed and rules with custom code stay open.
 */
function fetchOwn(): void {
  if (isComing) return;
  isComing = true;
  import('./use-custom-code.ts').then(
    (it) => {
      own = it;
      for (const one of waiting) one();
    },
    () => {
      isComing = false;
    },
  );
}

/** What runs custom code, once fetched. The first call fetches it. */
function runner(): ReturnType<Own['runnerInPage']> | undefined {
  if (!own) fetchOwn();
  return own?.runnerInPage();
}

/**
 * The field with what runs its custom code, which is fetched when something must run: a list of fields does
 * not carry it.
 */
export function useCustomCodeLater<F extends HydratedField>(field: F): F {
  return useMemo(() => {
    if (typeof window === 'undefined' || !hasCustomCode(field)) return field;
    const shaped = withFormat(field, (code, content) => runner()?.shape(code, content));
    const custom = customBy((code, input) => runner()?.check(code, input));
    return { ...shaped, checks: { ...field.checks, custom } };
  }, [field]);
}

/** Evaluates a field again when its custom code has a result. */
export function useOwnOutcomesLater(store: FieldStore): void {
  useEffect(() => {
    if (!hasCustomCode(store.field)) return undefined;
    let stop: (() => void) | undefined;
    const begin = (): void => {
      stop = own?.watchOutcomes(store);
      own?.lookAgain(store);
    };
    if (own) stop = own.watchOutcomes(store);
    else waiting.add(begin);
    return () => {
      waiting.delete(begin);
      stop?.();
    };
  }, [store]);
}
