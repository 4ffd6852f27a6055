'use client';

import { useEffect } from 'react';
import { keepFocus } from './focus-keeper.ts';

/**
 * Marks the page as hydrated, and keeps the focus on it from then on. Programs that drive the page wait for
 * `html[data-alive]`.
 */
export function HydrationMarker() {
  useEffect(() => {
    document.documentElement.dataset.alive = '';
    return keepFocus(document);
  }, []);
  return null;
}
