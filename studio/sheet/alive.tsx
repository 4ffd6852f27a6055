'use client';

import { useEffect } from 'react';

/** Marks the page once React has taken it over: what drives the page by machine waits for `html[data-alive]`. */
export function Alive() {
  useEffect(() => {
    document.documentElement.dataset.alive = '';
  }, []);
  return null;
}
