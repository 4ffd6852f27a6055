'use client';

import { usePathname } from 'next/navigation';
import { useLayoutEffect } from 'react';

/**
 * Links contain the key of a set, so that they lead to the same set after a rename. Once the page is there,
 * the address bar shows the id instead. The router is not told: to it, the id would be another page, and the
 * next refresh would mount this page anew and lose what it shows.
 */
export function NamedAddress({ setKey, id }: { readonly setKey: string; readonly id: string }) {
  // Renders again for every page of the set.
  usePathname();
  // After every render, because a refresh of the router writes its own address.
  useLayoutEffect(() => {
    const byKey = `/sets/${setKey}/`;
    const { pathname, search, hash } = window.location;
    if (!pathname.startsWith(byKey)) return;
    const address = `/sets/${id}/${pathname.slice(byKey.length)}${search}${hash}`;
    // The router replaces the method of the object; that of the prototype is the browser's own.
    History.prototype.replaceState.call(window.history, window.history.state, '', address);
  });
  return null;
}
