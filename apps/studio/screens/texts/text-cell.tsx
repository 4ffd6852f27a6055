'use client';

import { type Plural, pluralCategories } from '@arbeit/engine/rules';
import * as words from '../../words/texts/text-cell.ts';

/**
 * One text, edited in place: a line, or a line for each of its plural forms. Emptied, it is removed unless it
 * is required.
 */
export function TextCell({
  label,
  text,
  like,
  usual,
  isNeeded = false,
  onChange,
}: {
  readonly label: string;
  readonly text: string | Plural | undefined;
  /** What it is a translation of: if that has plural forms, so has the translation. */
  readonly like?: string | Plural | undefined;
  /** The message shown without it. */
  readonly usual: string;
  readonly isNeeded?: boolean;
  readonly onChange: (text: string | Plural | undefined) => void;
}) {
  const forms = typeof text === 'object' ? text : typeof like === 'object' && !text ? like : undefined;
  if (!forms)
    return (
      <Line
        label={label}
        value={typeof text === 'string' ? text : ''}
        usual={usual || (like === undefined ? '' : words.missingText)}
        onChange={(next) => (next.trim() || isNeeded ? next.trim() && onChange(next) : onChange(undefined))}
      />
    );
  const own = typeof text === 'object' ? text : undefined;
  return (
    <>
      {pluralCategories
        .filter((form) => forms[form] !== undefined)
        .map((form) => (
          <div key={form} className="flex items-baseline gap-2">
            <span className="caption w-10">{form}</span>
            <Line
              label={`${label}, ${form}`}
              value={own?.[form] ?? ''}
              usual={own ? own.other : words.missingText}
              onChange={(next) => {
                const { by, other } = own ?? { by: forms.by, other: next };
                if (form === 'other' && !next.trim()) onChange(undefined);
                else onChange({ ...own, by, other, [form]: next } as Plural);
              }}
            />
          </div>
        ))}
    </>
  );
}

const Line = ({
  label,
  value,
  usual,
  onChange,
}: {
  readonly label: string;
  readonly value: string;
  readonly usual: string;
  readonly onChange: (text: string) => void;
}) => (
  <textarea
    rows={1}
    aria-label={label}
    className="text-cell"
    value={value}
    placeholder={usual}
    onChange={({ target }) => onChange(target.value.replace(/[\r\n]+/g, ' '))}
    onKeyDown={(event) => {
      if (event.key === 'Enter') event.preventDefault();
    }}
  />
);
