'use client';

import { useEffect } from 'react';

/**
 * Marks the page as hydrated, as `HydrationMarker` does, and nothing else: for what each page loads and where
 * nothing is removed.
 */
export function AliveMarker() {
  useEffect(() => {
    document.documentElement.dataset.alive = '';
  }, []);
  return null;
}
