'use client';

import { numbersOf, type Plural, pluralCategories } from '@arbeit/engine/rules';
import { DraftInput } from '../ui/draft-input.tsx';
import { Labelled } from '../ui/labelled.tsx';

/** The numbers that plural forms can depend on, in words. */
const numbers: Readonly<Record<string, string>> = {
  min: 'the lower limit',
  max: 'the upper limit',
  days: 'the days',
};

/** Which numbers each plural category is for, in words. */
const categories: Readonly<Record<(typeof pluralCategories)[number], string>> = {
  zero: 'for none',
  one: 'for one',
  two: 'for two',
  few: 'for few',
  many: 'for many',
  other: 'for all others',
};

/**
 * Editor of a message: one text, or one per plural form if the rule has a number (CLDR plural categories).
 */
export function MessageEditor({
  say,
  check,
  locale,
  usual,
  problemOf,
  onChange,
}: {
  readonly say: string | Plural | undefined;
  readonly check: object;
  readonly locale: string;
  /** The default message. */
  readonly usual: string;
  readonly problemOf: (text: string) => string | null;
  readonly onChange: (say: string | Plural | undefined) => void;
}) {
  const names = Object.keys(numbersOf(check));
  if (typeof say === 'object')
    return <Forms say={say} names={names} locale={locale} problemOf={problemOf} onChange={onChange} />;
  const [by] = names;
  return (
    <>
      <Labelled label="Message">
        {(id) => (
          <DraftInput
            id={id}
            className="entry"
            value={say ?? ''}
            placeholder={usual}
            check={problemOf}
            onChange={(text) => onChange(text.trim() ? text : undefined)}
          />
        )}
      </Labelled>
      {by !== undefined && (
        <button type="button" className="word-button" onClick={() => onChange({ by, other: say ?? usual })}>
          Add plural forms
        </button>
      )}
    </>
  );
}

function Forms({
  say,
  names,
  locale,
  problemOf,
  onChange,
}: {
  readonly say: Plural;
  readonly names: readonly string[];
  readonly locale: string;
  readonly problemOf: (text: string) => string | null;
  readonly onChange: (say: string | Plural) => void;
}) {
  const known = new Intl.PluralRules(locale).resolvedOptions().pluralCategories;
  const offered = pluralCategories.filter((form) => known.includes(form) || say[form] !== undefined);
  return (
    <div className="w-full space-y-1">
      {names.length > 1 && (
        <Labelled label="Plural depends on">
          {(id) => (
            <select
              id={id}
              className="entry"
              value={say.by}
              onChange={({ target }) => onChange({ ...say, by: target.value })}
            >
              {names.map((name) => (
                <option key={name} value={name}>
                  {numbers[name] ?? name}
                </option>
              ))}
            </select>
          )}
        </Labelled>
      )}
      {offered.map((form) => (
        <Labelled key={form} label={`Message ${categories[form]}`}>
          {(id) => (
            <DraftInput
              id={id}
              className="entry"
              value={say[form] ?? ''}
              placeholder={say.other}
              check={(text) =>
                text.trim() ? problemOf(text) : form === 'other' ? 'This form is required.' : null
              }
              onChange={(text) => {
                const { [form]: _, ...rest } = say;
                onChange((text.trim() ? { ...say, [form]: text } : rest) as Plural);
              }}
            />
          )}
        </Labelled>
      ))}
      <button type="button" className="word-button" onClick={() => onChange(say.other)}>
        Remove plural forms
      </button>
    </div>
  );
}
