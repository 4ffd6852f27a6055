'use client';

import type { FieldDocument, SetDocument } from '@arbeit/engine/document';
import type { KindTable } from '@arbeit/engine/kinds';
import type { Offer } from '@arbeit/engine/options';
import { useId } from 'react';
import { useKinds } from '../../field/kinds-provider.tsx';
import type { Option } from '../../field/option.ts';
import { sampleLine, sampleOf } from '../../model/sample.ts';
import { statesAlong } from '../../model/states-along.ts';
import { DraftInput } from '../../ui/draft-input.tsx';
import { Labelled } from '../../ui/labelled.tsx';
import { deferred } from '../../ui/later.tsx';
import * as words from '../../words/desk/option-editors.ts';
import { chosen, isSame, optionsFor, problemOf, withOption } from './options.ts';
import { PicksEditor } from './picks-editor.tsx';
import { SeveralEditor } from './several-editor.tsx';

const ShapeEditor = deferred(() =>
  import('../../field/custom-code/shape-editor.tsx').then((own) => own.ShapeEditor),
);

type Facts = Pick<SetDocument, 'locale' | 'classes'>;

/**
 * The options of a piece of the specimen. While a choice is hovered or focused, `onPreview` receives what it
 * would change.
 */
export function OptionEditors({
  definition,
  part,
  set,
  onPreview,
  onChange,
}: {
  readonly definition: FieldDocument;
  readonly part: string;
  readonly set: Facts;
  readonly onPreview: (field: FieldDocument | null) => void;
  readonly onChange: (change: (field: FieldDocument) => FieldDocument, about?: string) => void;
}) {
  const kinds = useKinds();
  return (
    <>
      {optionsFor(definition, part, kinds, Object.keys(set.classes ?? {})).map((option) => (
        <div
          key={option.key}
          data-option={option.key}
          className={option.is === 'code' ? 'option w-full' : 'option'}
        >
          <OptionEditor
            option={option}
            definition={definition}
            set={set}
            onPreview={onPreview}
            onChange={(value) =>
              onChange((field) => withOption(field, option, value, kinds), `entry ${option.key}`)
            }
          />
          {option.about && <p className="max-w-72 pt-0.5 text-xs text-faint">{option.about}</p>}
        </div>
      ))}
    </>
  );
}

function OptionEditor({
  option,
  definition,
  set,
  onPreview,
  onChange,
}: {
  readonly option: Option;
  readonly definition: FieldDocument;
  readonly set: Facts;
  readonly onPreview: (field: FieldDocument | null) => void;
  readonly onChange: (value: unknown) => void;
}) {
  const id = useId();
  const kinds = useKinds();
  const value = chosen(definition, option);
  const would = (choice: unknown) => withOption(definition, option, choice, kinds);
  switch (option.is) {
    case 'choice':
      return (
        <ChoiceEditor
          name={id}
          option={option}
          value={value}
          examples={examplesOf(
            option.choices.slice(0, most + 1).map(([choice]) => would(choice)),
            option.key,
            set,
            kinds,
          )}
          onPoint={(choice) => onPreview(choice === undefined ? null : would(choice.value))}
          onChange={onChange}
        />
      );
    case 'several':
      return <SeveralEditor option={option} value={value} onChange={onChange} />;
    case 'picks':
      return (
        <PicksEditor
          label={option.label}
          least={option.least}
          // The document was read, so this is a list.
          offers={value as readonly Offer[]}
          check={option.check}
          onChange={onChange}
        />
      );
    case 'code':
      return (
        <ShapeEditor
          label={option.label}
          definition={definition}
          set={set}
          code={String(value ?? '')}
          check={option.check}
          withCode={(code) => would(code)}
          onChange={onChange}
        />
      );
    case 'number':
    case 'text':
      return (
        <LineEditor
          option={option}
          value={value === undefined ? '' : String(value)}
          problemOf={(number) => problemOf(definition, option, number, kinds)}
          onChange={onChange}
        />
      );
  }
}

/** A number or a text on one line. */
function LineEditor({
  option,
  value,
  problemOf,
  onChange,
}: {
  readonly option: Extract<Option, { is: 'number' | 'text' }>;
  readonly value: string;
  readonly problemOf: (number: number) => string | null;
  readonly onChange: (value: unknown) => void;
}) {
  const check =
    option.is === 'text'
      ? option.check
      : (text: string) =>
          wholeFrom(option.min, option.max)(text) ?? (text === '' ? null : problemOf(Number(text)));
  const suggestions = option.is === 'text' ? (option.suggestions ?? []) : [];
  return (
    <Labelled label={option.label}>
      {(inputId) => (
        <>
          <DraftInput
            id={inputId}
            className="entry value"
            {...(option.is === 'number' ? { inputMode: 'numeric' } : { list: `${inputId}-list` })}
            value={value}
            check={check}
            onChange={(text) =>
              onChange(option.is === 'text' ? text : text === '' ? undefined : Number(text))
            }
          />
          <datalist id={`${inputId}-list`}>
            {suggestions.map((text) => (
              <option key={text} value={text} />
            ))}
          </datalist>
        </>
      )}
    </Labelled>
  );
}

/** Most choices shown as radio buttons; more are a list that opens. */
const most = 9;

/** One of several choices, each with its effect on an example. */
function ChoiceEditor({
  name,
  option,
  value,
  examples,
  onPoint,
  onChange,
}: {
  readonly name: string;
  readonly option: Extract<Option, { is: 'choice' }>;
  readonly value: unknown;
  readonly examples: readonly string[];
  /** Called with the choice that is hovered or focused, `undefined` for none. */
  readonly onPoint: (choice: { readonly value: unknown } | undefined) => void;
  readonly onChange: (value: unknown) => void;
}) {
  if (option.choices.length > most)
    return (
      <Labelled label={option.label}>
        {(id) => (
          <select
            id={id}
            className="entry w-64"
            value={option.choices.findIndex(([choice]) => isSame(value, choice))}
            onChange={(event) => onChange(option.choices[Number(event.target.value)]?.[0])}
          >
            {option.choices.map(([, label], i) => (
              <option key={label} value={i}>
                {label}
              </option>
            ))}
          </select>
        )}
      </Labelled>
    );
  return (
    <fieldset className="min-w-56 max-w-md" onMouseLeave={() => onPoint(undefined)}>
      <legend className="caption">{option.label}</legend>
      {option.choices.map(([choice, label], i) => (
        <label
          key={label}
          className="flex min-h-[24px] items-baseline gap-2 hover:bg-paper"
          onMouseEnter={() => onPoint({ value: choice })}
        >
          <input
            type="radio"
            name={name}
            className="accent-[var(--oxide)]"
            checked={isSame(value, choice)}
            onFocus={() => onPoint({ value: choice })}
            onBlur={() => onPoint(undefined)}
            onChange={() => onChange(choice)}
          />
          <span>{label}</span>
          <span className="value ml-auto whitespace-pre pl-4 text-xs text-faint">{examples[i]}</span>
        </label>
      ))}
    </fieldset>
  );
}

/** The effect of each choice on a finished text; if all look the same, on an unfinished one. */
function examplesOf(
  ways: readonly FieldDocument[],
  key: string,
  set: Facts,
  kinds: KindTable,
): readonly string[] {
  const finished = ways.map((way) => {
    const pieces = sampleOf(way, set, kinds);
    const aside = pieces.find(({ part, isAside }) => part === key && isAside);
    return aside ? aside.text : sampleLine(pieces);
  });
  const isSameAll = finished.length > 1 && new Set(finished).size === 1;
  return (isSameAll && statesAlong(ways, set, kinds)) || finished;
}

const wholeFrom =
  (min: number, max: number) =>
  (text: string): string | null =>
    text === '' || (/^\d{1,5}$/.test(text) && +text >= min && +text <= max)
      ? null
      : words.enterAWholeNumber(min, max);
