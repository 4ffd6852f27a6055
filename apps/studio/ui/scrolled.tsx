import type { ReactNode } from 'react';

/**
 * Content that may be larger than its place and scrolls on its own, with the keyboard too. Visually hidden
 * texts scroll with it.
 */
export const Scrolled = ({
  label,
  className = 'max-w-full overflow-x-auto',
  children,
}: {
  readonly label: string;
  /** How it scrolls. */
  readonly className?: string;
  readonly children: ReactNode;
}) => (
  // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls can be scrolled by key
  <section className={`relative ${className}`} aria-label={label} tabIndex={0}>
    {children}
  </section>
);
