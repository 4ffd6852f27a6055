'use client';

import { useId, useState } from 'react';
import { useUnsavedLine } from './unsaved.ts';

/**
 * A text input that passes on only valid text. Invalid text stays in the input with the error below; on blur
 * the last valid text is restored.
 */
export function DraftInput({
  value,
  check,
  label,
  onChange,
  ...props
}: {
  readonly id: string;
  readonly className: string;
  /** Its accessible name, if it has no label. */
  readonly label?: string;
  readonly value: string;
  readonly inputMode?: 'numeric';
  readonly placeholder?: string;
  /** Id of a list of suggestions. */
  readonly list?: string;
  readonly check: (text: string) => string | null;
  readonly onChange: (text: string) => void;
}) {
  const [draft, setDraft] = useState<string | null>(null);
  const message = useId();
  const problem = draft === null ? null : check(draft);
  useUnsavedLine(problem !== null);
  return (
    <>
      <input
        {...props}
        aria-label={label}
        value={draft ?? value}
        aria-invalid={problem !== null}
        aria-describedby={message}
        spellCheck={false}
        autoComplete="off"
        onChange={(event) => {
          const text = event.target.value;
          setDraft(text);
          if (check(text) === null) onChange(text);
        }}
        onBlur={() => setDraft(null)}
      />
      <span id={message} aria-live="polite" className="block min-h-5 text-sm text-brick">
        {problem}
      </span>
    </>
  );
}
