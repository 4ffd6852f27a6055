'use client';

import { useId } from 'react';

/** One of a few words to be chosen. */
export interface ChoicesProps<T extends string> {
  readonly label: string;
  readonly value: T;
  readonly choices: Readonly<Record<T, string>>;
  readonly onChange: (value: T) => void;
}

/** One of a few words, as a group of radio buttons. */
export function Choices<T extends string>({ label, value, choices, onChange }: ChoicesProps<T>) {
  const name = useId();
  return (
    <div role="radiogroup" aria-label={label} className="flex flex-wrap gap-1">
      {(Object.keys(choices) as T[]).map((key) => (
        <label key={key} className="choice">
          <input
            type="radio"
            name={name}
            checked={key === value}
            onChange={() => onChange(key)}
            className="absolute inset-0 cursor-pointer opacity-0"
          />
          {choices[key]}
        </label>
      ))}
    </div>
  );
}
