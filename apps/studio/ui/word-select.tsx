'use client';

import type { ChoicesProps } from './choices.tsx';

/** A choice inside a sentence: a list that looks like the word it is set to. */
export function WordSelect<T extends string>({ label, value, choices, onChange }: ChoicesProps<T>) {
  const keys = Object.keys(choices) as T[];
  return (
    <span className="word-select">
      <select
        aria-label={label}
        data-in-sentence
        value={value}
        onChange={({ target }) => {
          const chosen = keys.find((key) => key === target.value);
          if (chosen !== undefined) onChange(chosen);
        }}
      >
        {keys.map((key) => (
          <option key={key} value={key}>
            {choices[key]}
          </option>
        ))}
      </select>
      <span aria-hidden="true">▾</span>
    </span>
  );
}
