'use client';

import { useRouter } from 'next/navigation';
import type { ComponentProps } from 'react';

/**
 * A link to another sheet: a real one, followed inside the page where a plain click asks for no more. The
 * framework's own fetches ahead what nobody asked for, and weighs six kilobytes on every first visit.
 */
export function Link({ href, ...rest }: ComponentProps<'a'> & { readonly href: string }) {
  const router = useRouter();
  return (
    <a
      {...rest}
      href={href}
      onClick={(event) => {
        if (event.defaultPrevented || event.button !== 0) return;
        if (event.metaKey || event.ctrlKey || event.shiftKey || event.altKey) return;
        event.preventDefault();
        router.push(href);
      }}
    />
  );
}
