/** Shapes that show a result without relying on colour. */
export type Shape = 'full' | 'half' | 'barred' | 'hollow' | 'dot';

/**
 * A square that is filled, half filled, hollow, or hollow with a bar; or a dot for no result. It has the
 * colour of its surroundings.
 */
export function Mark({
  shape,
  title,
  size = 13,
}: {
  readonly shape: Shape;
  readonly title?: string | undefined;
  readonly size?: number;
}) {
  return (
    <svg
      width={size}
      height={size}
      viewBox="0 0 13 13"
      aria-hidden="true"
      className="shrink-0 translate-y-[0.12em]"
    >
      {title && <title>{title}</title>}
      {shape === 'dot' ? (
        <rect x="5" y="5" width="3" height="3" fill="currentColor" />
      ) : (
        <rect
          x="1"
          y="1"
          width="11"
          height="11"
          fill={shape === 'full' ? 'currentColor' : 'none'}
          stroke="currentColor"
          strokeWidth="1.6"
        />
      )}
      {shape === 'half' && <rect x="1" y="6.5" width="11" height="5.5" fill="currentColor" />}
      {shape === 'barred' && <rect x="3.2" y="5.4" width="6.6" height="2.2" fill="currentColor" />}
    </svg>
  );
}
