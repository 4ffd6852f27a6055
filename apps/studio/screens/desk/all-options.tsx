'use client';

import type { FieldDocument } from '@arbeit/engine/document';
import type { Piece } from '@arbeit/engine/kinds';
import { memo } from 'react';
import { useKinds } from '../../field/kinds-provider.tsx';
import { namedOptions } from '../../model/set-options.ts';
import { focusSoon } from '../../ui/focus-soon.ts';
import { Menu } from '../../ui/pop-out.tsx';
import * as words from '../../words/desk/all-options.ts';

/**
 * All options of the field by name, because the part that sets an option is not always easy to guess. Beside
 * them are the options that differ from the default. Each leads to where it is set. It renders only when the
 * definition changes.
 */
export const AllOptions = memo(function AllOptions({
  definition,
  pieces,
  onOpen,
}: {
  readonly definition: FieldDocument;
  readonly pieces: readonly Piece[];
  /** Opens a piece of the specimen. */
  readonly onOpen: (piece: string) => void;
}) {
  const all = namedOptions(definition, useKinds()).flatMap((option) => {
    const piece = pieces.find(({ part }) => option.at.includes(part));
    return piece ? [{ ...option, piece: piece.id }] : [];
  });
  if (all.length === 0) return null;
  const go = ({ key, piece }: (typeof all)[number]) => {
    onOpen(piece);
    focusSoon(`[data-option^="${CSS.escape(key)}"] :is(input, select, textarea, button)`);
  };
  return (
    <div className="set-options">
      <Menu
        trigger={words.allOptions}
        button={{ className: 'word-button' }}
        align="start"
        className="min-w-56"
        items={() =>
          all.map((option) => ({
            id: option.key,
            label: option.label,
            ...(option.value === undefined ? {} : { note: option.value }),
            movesFocus: true,
            onSelect: () => go(option),
          }))
        }
      />
      {all.map(
        (option) =>
          option.value !== undefined && (
            <button key={option.key} type="button" onClick={() => go(option)}>
              <span className="text-faint">{words.named(option.label)}</span> {option.value}
            </button>
          ),
      )}
    </div>
  );
});
