'use client';

/** A word of a field, edited in place. It looks like the word and grows with it, on one line. */
export function WordInPlace({
  label,
  value,
  missing,
  className = '',
  onChange,
  onLeave,
}: {
  readonly label: string;
  readonly value: string;
  /** Shown in place of an empty word. */
  readonly missing: string;
  readonly className?: string;
  readonly onChange: (text: string) => void;
  /** Called when it loses the focus. */
  readonly onLeave?: () => void;
}) {
  return (
    <textarea
      aria-label={label}
      title={label}
      rows={1}
      className={`word-in-place ${className}`}
      value={value}
      placeholder={missing}
      spellCheck
      onChange={(event) => onChange(event.target.value.replace(/[\r\n]+/g, ' '))}
      onBlur={onLeave}
      onKeyDown={(event) => {
        if (event.key === 'Enter') event.preventDefault();
      }}
    />
  );
}
