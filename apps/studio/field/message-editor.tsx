'use client';

import { numbersOf, type Plural, pluralCategories } from '@arbeit/engine/rules';
import { useEffect, useRef } from 'react';
import { DraftInput } from '../ui/draft-input.tsx';
import { Labelled } from '../ui/labelled.tsx';
import * as words from '../words/field/message-editor.ts';
import './message-editor.css';

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
  data,
  problemOf,
  onChange,
}: {
  readonly say: string | Plural | undefined;
  readonly check: object;
  readonly locale: string;
  /** The default message. */
  readonly usual: string;
  /** The placeholders that the check knows. */
  readonly data: readonly string[];
  readonly problemOf: (text: string) => string | null;
  readonly onChange: (say: string | Plural | undefined) => void;
}) {
  const around = useRef<HTMLDivElement>(null);
  /** The text that had the focus last: a placeholder goes into it, chosen by pointer or by key. */
  const last = useRef<HTMLInputElement>(null);
  useEffect(() => {
    const element = around.current;
    const keep = ({ target }: FocusEvent) => {
      if (target instanceof HTMLInputElement) last.current = target;
    };
    element?.addEventListener('focusin', keep);
    return () => element?.removeEventListener('focusin', keep);
  }, []);
  const names = Object.keys(numbersOf(check));
  return (
    <div ref={around} className="message-editor">
      {typeof say === 'object' ? (
        <Forms say={say} names={names} locale={locale} problemOf={problemOf} onChange={onChange} />
      ) : (
        <OneText say={say} usual={usual} by={names[0]} problemOf={problemOf} onChange={onChange} />
      )}
      <Placeholders
        names={data}
        inputOf={() =>
          last.current?.isConnected ? last.current : (around.current?.querySelector('input') ?? null)
        }
      />
    </div>
  );
}

/** The placeholders of a message: each is inserted where the caret is. */
function Placeholders({
  names,
  inputOf,
}: {
  readonly names: readonly string[];
  /** The input that a placeholder goes into. */
  readonly inputOf: () => HTMLInputElement | null;
}) {
  const insert = (name: string) => {
    const input = inputOf();
    if (!input) return;
    input.focus();
    // As if it were typed: the editor checks it and passes it on.
    input.setRangeText(`{${name}}`, input.selectionStart ?? 0, input.selectionEnd ?? 0, 'end');
    input.dispatchEvent(new Event('input', { bubbles: true }));
  };
  return (
    <p className="flex flex-wrap items-baseline gap-x-1.5 gap-y-1">
      {names.map((name) => (
        <button
          key={name}
          type="button"
          className="chip value"
          aria-label={words.insertPlaceholder(name)}
          onClick={() => insert(name)}
        >
          {`{${name}}`}
        </button>
      ))}
    </p>
  );
}

/** A message that is the same for all numbers. */
function OneText({
  say,
  usual,
  by,
  problemOf,
  onChange,
}: {
  readonly say: string | undefined;
  readonly usual: string;
  /** The number that plural forms can depend on. */
  readonly by: string | undefined;
  readonly problemOf: (text: string) => string | null;
  readonly onChange: (say: string | Plural | undefined) => void;
}) {
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
