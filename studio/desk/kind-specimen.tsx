'use client';

import { Popover } from 'radix-ui';
import { memo, useId, useState } from 'react';
import type { FieldDocument, SetDocument } from '../../engine/compile/document.ts';
import { type Piece, sampleLine, sampleOf } from '../definition/sample.ts';
import { DraftInput } from '../sheet/draft-input.tsx';
import { chosen, isSame, type Option, optionsFor, withOption } from './options.ts';
import { Labelled } from './part-editor.tsx';

type Facts = Pick<SetDocument, 'locale' | 'classes'>;

/**
 * A finished text of the field, large, every piece a button that opens where it is defined. While a choice is pointed
 * at, the specimen shows what it would become.
 */
export const KindSpecimen = memo(function KindSpecimen({
  definition,
  set,
  onChange,
}: {
  readonly definition: FieldDocument;
  readonly set: Facts;
  readonly onChange: (change: (field: FieldDocument) => FieldDocument, about?: string) => void;
}) {
  const [preview, setPreview] = useState<FieldDocument | null>(null);
  const pieces = sampleOf(definition, set);
  const shown = preview ? sampleOf(preview, set) : pieces;
  return (
    <section aria-label="Specimen">
      <div className="flex flex-wrap items-stretch">
        {pieces.map((piece) => (
          <Popover.Root key={piece.id} onOpenChange={() => setPreview(null)}>
            <Popover.Trigger
              aria-label={`${piece.caption}: ${piece.text}. Define this part.`}
              className="group flex flex-col text-left hover:bg-wash data-[state=open]:bg-wash"
            >
              <PieceText piece={piece} />
            </Popover.Trigger>
            <Popover.Portal>
              <Popover.Content
                aria-label={`Define: ${piece.caption}`}
                align="start"
                sideOffset={6}
                collisionPadding={12}
                className="z-20 w-[24rem] max-w-[calc(100vw-1.5rem)] space-y-3 border-2 border-ink bg-paper p-4"
              >
                <p className="border-b pb-2" aria-hidden="true">
                  {shown
                    .filter((other) => !other.isOff)
                    .map((other) => (
                      <span
                        key={other.id}
                        className={`value text-xl ${other.part === piece.part ? 'text-oxide' : ''} ${other.part === 'resting' ? 'block text-base' : ''}`}
                      >
                        {other.text}
                      </span>
                    ))}
                </p>
                {optionsFor(definition, piece.part).map((option) => (
                  <OptionEditor
                    key={option.key}
                    option={option}
                    definition={definition}
                    set={set}
                    onPreview={setPreview}
                    onChange={(value) =>
                      onChange((field) => withOption(field, option, value), `entry ${option.key}`)
                    }
                  />
                ))}
              </Popover.Content>
            </Popover.Portal>
          </Popover.Root>
        ))}
      </div>
    </section>
  );
});

function PieceText({ piece }: { readonly piece: Piece }) {
  const isLong = piece.text.length > 12;
  const ink = piece.isOff ? 'text-faint' : piece.isValue ? 'text-ink' : 'text-faint';
  return (
    <>
      <span
        aria-hidden="true"
        className={`value whitespace-pre px-1 text-center leading-[2.9rem] ${isLong ? 'text-lg' : 'text-[2rem]'} ${ink}`}
      >
        {piece.text}
      </span>
      <span
        aria-hidden="true"
        className={`caption block w-full truncate border-t-2 px-1 pb-1 text-center group-hover:text-oxide ${piece.isOff ? 'border-dashed border-line' : piece.isValue ? 'border-oxide' : 'border-rule'}`}
      >
        {piece.isOff ? `no ${piece.caption}` : piece.caption}
      </span>
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
  const value = chosen(definition, option);
  const would = (choice: unknown) => withOption(definition, option, choice);
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
                  ? sampleOf(would(choice), set).find((piece) => piece.part === 'resting')?.text
                  : sampleLine(sampleOf(would(choice), set))}
              </span>
            </label>
          ))}
        </fieldset>
      );
    case 'number':
    case 'text': {
      const check = option.is === 'text' ? option.check : wholeFrom(option.min, option.max);
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
