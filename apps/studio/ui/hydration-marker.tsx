'use client';

import { useEffect } from 'react';
import { keepFocus } from './focus-keeper.ts';

/**
 * Marks the page once React has taken it over, and looks after its focus from then on. What drives the page
 * by machine waits for `html[data-alive]`.
 */
export function HydrationMarker() {
  useEffect(() => {
    document.documentElement.dataset.alive = '';
    return keepFocus(document);
  }, []);
  return null;
}
