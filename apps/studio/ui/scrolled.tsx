import type { ReactNode } from 'react';

/**
 * Content that may be wider than the page and scrolls on its own, with the keyboard too. Visually hidden
 * texts scroll with it.
 */
export const Scrolled = ({ label, children }: { readonly label: string; readonly children: ReactNode }) => (
  // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls can be scrolled by key
  <section className="relative max-w-full overflow-x-auto" aria-label={label} tabIndex={0}>
    {children}
  </section>
);
