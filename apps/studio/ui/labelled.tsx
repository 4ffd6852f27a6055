import { type ReactNode, useId } from 'react';

/** A control under its label; `children` receives the id that connects the two. */
export function Labelled({
  label,
  children,
}: {
  readonly label: string;
  readonly children: (id: string) => ReactNode;
}) {
  const id = useId();
  return (
    <div className="min-w-0 flex-1">
      <label htmlFor={id} className="caption block">
        {label}
      </label>
      {children(id)}
    </div>
  );
}
