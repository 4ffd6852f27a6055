'use client';

import { useId, useState } from 'react';
import type { Option } from '../../field/option.ts';

/**
 * Any of many values: all of them, or a list of its own, found by name or code. Values of an existing list
 * are kept.
 */
export function SeveralEditor({
  option,
  value,
  onChange,
}: {
  readonly option: Extract<Option, { is: 'several' }>;
  readonly value: unknown;
  readonly onChange: (value: unknown) => void;
}) {
  const name = useId();
  const [search, setSearch] = useState('');
  const [first] = option.offers;
  const chosen = Array.isArray(value) ? (value as readonly string[]) : undefined;
  const nameOf = (one: string): string => option.offers.find(([code]) => code === one)?.[1] ?? one;
  const wanted = search.trim().toLowerCase();
  const found = option.offers.filter(
    ([code, label]) => label.toLowerCase().includes(wanted) || code.toLowerCase() === wanted,
  );
  const toggle = (one: string) => {
    const all = chosen ?? [];
    const next = all.includes(one) ? all.filter((other) => other !== one) : [...all, one];
    if (next.length) onChange(next);
  };
  return (
    <fieldset className="min-w-72 max-w-xl flex-1">
      <legend className="caption">{option.label}</legend>
      <div className="flex gap-x-5">
        <label className="flex min-h-6 items-baseline gap-2">
          <input
            type="radio"
            name={name}
            className="accent-[var(--oxide)]"
            checked={!chosen}
            onChange={() => onChange(option.any)}
          />
          all regions
        </label>
        <label className="flex min-h-6 items-baseline gap-2">
          <input
            type="radio"
            name={name}
            className="accent-[var(--oxide)]"
            checked={chosen !== undefined}
            onChange={() => first && onChange([first[0]])}
          />
          selected regions
        </label>
      </div>
      {chosen && (
        <>
          <ul aria-label={`${option.label}, chosen`} className="flex flex-wrap gap-x-4">
            {chosen.map((one) => (
              <li key={one} className="flex items-baseline gap-1">
                {nameOf(one)}
                <button
                  type="button"
                  className="help-button"
                  aria-label={`Remove ${nameOf(one)}`}
                  disabled={chosen.length < 2}
                  onClick={() => toggle(one)}
                >
                  ×
                </button>
              </li>
            ))}
          </ul>
          <input
            className="entry mt-1"
            aria-label={`${option.label}: search by name or code`}
            placeholder="Search by name or code"
            value={search}
            onChange={(event) => setSearch(event.target.value)}
          />
          <fieldset className="mt-1 h-32 overflow-y-auto" aria-label={`${option.label}, all`}>
            {found.map(([code, label]) => (
              <label key={code} className="flex min-h-6 items-baseline gap-2 hover:bg-paper">
                <input
                  type="checkbox"
                  className="accent-[var(--oxide)]"
                  checked={chosen.includes(code)}
                  disabled={chosen.length === 1 && chosen.includes(code)}
                  onChange={() => toggle(code)}
                />
                {label} <span className="value ml-auto text-xs text-faint">{code}</span>
              </label>
            ))}
            {found.length === 0 && <p className="py-2 text-faint">No match.</p>}
          </fieldset>
        </>
      )}
    </fieldset>
  );
}
