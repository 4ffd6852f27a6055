import { useEffect } from 'react';
import type { Later } from './later.tsx';

const beginnings = ['pointermove', 'pointerdown', 'keydown', 'focusin'] as const;

/** What is loaded on the first interaction with the page; `null` afterwards. */
let awaited: Set<Later<unknown>> | null = new Set();

function begin(): void {
  for (const type of beginnings) window.removeEventListener(type, begin);
  const all = awaited;
  awaited = null;
  for (const one of all ?? []) fetchQuietly(one);
}

/**
 * Loads something in advance and ignores a failure: it is loaded again when needed, and the failure is shown
 * then.
 */
function fetchQuietly(one: Later<unknown>): void {
  one.fetch().catch(() => undefined);
}

/**
 * Loads what a page may need next on the first interaction, so that a click opens it immediately and no key
 * typed directly after the click is lost. A first visit without interaction loads nothing.
 */
export function useAtFirstUse(...all: readonly (Later<unknown> | undefined)[]): void {
  // biome-ignore lint/correctness/useExhaustiveDependencies: what a component may open stays the same while it stands
  useEffect(() => {
    for (const one of all) {
      if (!one) continue;
      if (awaited === null) fetchQuietly(one);
      else {
        if (awaited.size === 0)
          for (const type of beginnings) window.addEventListener(type, begin, { passive: true });
        awaited.add(one);
      }
    }
  }, []);
}
