'use client';

import type { FieldDocument, SetDocument } from '@arbeit/engine/document';
import type { Offer } from '@arbeit/engine/options';
import { useId } from 'react';
import { sampleLine, sampleOf } from '../definition/sample.ts';
import { useKinds } from '../kinds/at-hand.tsx';
import type { Option } from '../kinds/option.ts';
import { DraftInput } from '../sheet/draft-input.tsx';
import { Labelled } from '../sheet/labelled.tsx';
import { chosen, isSame, optionsFor, problemOf, withOption } from './options.ts';
import { PicksEditor } from './picks-editor.tsx';

type Facts = Pick<SetDocument, 'locale' | 'classes'>;

/** Every option a piece of the specimen stands for. While a choice is pointed at, `onPreview` is told what it would make of the field. */
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
      {optionsFor(definition, part, kinds).map((option) => (
        <OptionEditor
          key={option.key}
          option={option}
          definition={definition}
          set={set}
          onPreview={onPreview}
          onChange={(value) =>
            onChange((field) => withOption(field, option, value, kinds), `entry ${option.key}`)
          }
        />
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
        <fieldset onMouseLeave={() => onPreview(null)}>
          <legend className="caption">{option.label}</legend>
          {option.choices.map(([choice, label]) => (
            <label
              key={label}
              className="flex items-baseline gap-2 py-0.5 hover:bg-wash"
              onMouseEnter={() => onPreview(would(choice))}
            >
              <input
                type="radio"
                name={id}
                className="accent-[var(--oxide)]"
                checked={isSame(value, choice)}
                onFocus={() => onPreview(would(choice))}
                onBlur={() => onPreview(null)}
                onChange={() => onChange(choice)}
              />
              <span>{label}</span>
              <span className="value ml-auto max-w-40 truncate text-xs text-faint">
                {option.key === 'resting'
                  ? sampleOf(would(choice), set, kinds).find((piece) => piece.part === 'resting')?.text
                  : sampleLine(sampleOf(would(choice), set, kinds))}
              </span>
            </label>
          ))}
        </fieldset>
      );
    case 'picks':
      return (
        <PicksEditor
          label={option.label}
          least={option.least}
          // A document that was read has a list there.
          offers={value as readonly Offer[]}
          check={option.check}
          onChange={onChange}
        />
      );
    case 'number':
    case 'text': {
      const check =
        option.is === 'text'
          ? option.check
          : (text: string) =>
              wholeFrom(option.min, option.max)(text) ??
              (text === '' ? null : problemOf(definition, option, Number(text), kinds));
      const suggestions = option.is === 'text' ? (option.suggestions ?? []) : [];
      return (
        <Labelled label={option.label}>
          {(inputId) => (
            <>
              <DraftInput
                id={inputId}
                className="entry value"
                {...(option.is === 'number' ? { inputMode: 'numeric' } : { list: `${inputId}-list` })}
                value={value === undefined ? '' : String(value)}
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
  }
}

const wholeFrom =
  (min: number, max: number) =>
  (text: string): string | null =>
    text === '' || (/^\d{1,5}$/.test(text) && +text >= min && +text <= max)
      ? null
      : `A whole number from ${min} to ${max}, or nothing.`;
