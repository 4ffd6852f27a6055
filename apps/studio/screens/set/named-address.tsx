'use client';

import { usePathname } from 'next/navigation';
import { useLayoutEffect } from 'react';

/** Links carry the key of a set, so that they lead to the same set after a rename. Once the page is there, its address shows the id instead. */
export function NamedAddress({ setKey, id }: { readonly setKey: string; readonly id: string }) {
  const path = usePathname();
  useLayoutEffect(() => {
    const byKey = `/sets/${setKey}/`;
    if (!path.startsWith(byKey)) return;
    const { search, hash } = window.location;
    window.history.replaceState(null, '', `/sets/${id}/${path.slice(byKey.length)}${search}${hash}`);
  }, [path, setKey, id]);
  return null;
}
