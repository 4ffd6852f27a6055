import { useEffect } from 'react';
import type { Later } from './later.tsx';

const beginnings = ['pointermove', 'pointerdown', 'keydown', 'focusin'] as const;

/** What is fetched as soon as somebody begins to use the page; `null` from then on. */
let awaited: Set<Later<unknown>> | null = new Set();

function begin(): void {
  for (const type of beginnings) window.removeEventListener(type, begin);
  const all = awaited;
  awaited = null;
  for (const one of all ?? []) fetchQuietly(one);
}

/** What cannot be fetched now is asked for again when it is wanted, and told then. */
function fetchQuietly(one: Later<unknown>): void {
  one.fetch().catch(() => undefined);
}

/**
 * Fetches what a page may need next as soon as somebody begins to use it, so that a click opens it at once
 * and no key typed right behind the click is lost. A first visit that only looks fetches nothing.
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
