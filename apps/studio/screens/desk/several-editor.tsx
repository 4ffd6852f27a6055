'use client';

import { useId, useState } from 'react';
import type { Option } from '../../field/option.ts';
import * as words from '../../words/desk/several-editor.ts';

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
          {words.allRegions}
        </label>
        <label className="flex min-h-6 items-baseline gap-2">
          <input
            type="radio"
            name={name}
            className="accent-[var(--oxide)]"
            checked={chosen !== undefined}
            onChange={() => onChange([option.first])}
          />
          {words.selectedRegions}
        </label>
      </div>
      {chosen && (
        <>
          <ul aria-label={words.chosen(option.label)} className="flex flex-wrap gap-x-4">
            {chosen.map((one) => (
              <li key={one} className="flex items-baseline gap-1">
                {nameOf(one)}
                <button
                  type="button"
                  className="help-button"
                  aria-label={words.removeWithName(nameOf(one))}
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
            aria-label={words.searchByNameOrCodeWithLabel(option.label)}
            placeholder={words.searchByNameOrCode}
            value={search}
            onChange={(event) => setSearch(event.target.value)}
          />
          <fieldset className="mt-1 h-32 overflow-y-auto" aria-label={words.all(option.label)}>
            {found.map(([code, label]) => (
              <label key={code} className="flex min-h-[24px] items-baseline gap-2 hover:bg-paper">
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
            {found.length === 0 && <p className="py-2 text-faint">{words.noMatch}</p>}
          </fieldset>
        </>
      )}
    </fieldset>
  );
}
