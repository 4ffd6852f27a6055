'use client';

import { numbersOf, type Plural, pluralCategories } from '@arbeit/engine/rules';
import { DraftInput } from '../ui/draft-input.tsx';
import { Labelled } from '../ui/labelled.tsx';
import * as words from '../words/field/message-editor.ts';

/** The numbers that plural forms can depend on, in words. */
const numbers: Readonly<Record<string, string>> = {
  min: words.theLowerLimit,
  max: words.theUpperLimit,
  days: words.theDays,
};

/** Which numbers each plural category is for, in words. */
const categories: Readonly<Record<(typeof pluralCategories)[number], string>> = {
  zero: words.forNone,
  one: words.forOne,
  two: words.forTwo,
  few: words.forFew,
  many: words.forMany,
  other: words.forAllOthers,
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
      <Labelled label={words.message}>
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
          {words.addPluralForms}
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
        <Labelled label={words.pluralDepends}>
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
        <Labelled key={form} label={words.messageWithCategorie(categories[form])}>
          {(id) => (
            <DraftInput
              id={id}
              className="entry"
              value={say[form] ?? ''}
              placeholder={say.other}
              check={(text) =>
                text.trim() ? problemOf(text) : form === 'other' ? words.thisFormIsRequired : null
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
        {words.removePluralForms}
      </button>
    </div>
  );
}
