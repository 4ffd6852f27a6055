import type { ReactNode } from 'react';

/**
 * What may be wider than the page and is scrolled by itself, by key as well; words for those who do not see
 * are scrolled with it.
 */
export const Scrolled = ({ label, children }: { readonly label: string; readonly children: ReactNode }) => (
  // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls can be scrolled by key
  <section className="relative max-w-full overflow-x-auto" aria-label={label} tabIndex={0}>
    {children}
  </section>
);
