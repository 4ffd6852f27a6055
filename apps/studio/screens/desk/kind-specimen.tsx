'use client';

import type { Piece } from '@arbeit/engine/kinds';
import { graphemes } from '@arbeit/engine/values';
import { memo, type Ref } from 'react';
import { useAtFirstUse } from '../../ui/first-use.ts';
import * as words from '../../words/desk/kind-specimen.ts';
import { CaptionRows } from './caption-rows.tsx';
import type { Captioned } from './captions.ts';
import { OptionEditors } from './option-editors-later.ts';

/** Whether a piece is part of the text, rather than beside it. */
export const isInText = (piece: Piece): boolean => !piece.isOff && !piece.isAside;

/**
 * A finished text of the field, large. Every piece is a button that opens its options; pieces beside the
 * text, and those that could be switched on, follow it. Every character has a column, the same as in the
 * ruler.
 */
export const KindSpecimen = memo(function KindSpecimen({
  pieces,
  shown,
  open,
  buttons,
  onOpen,
}: {
  readonly pieces: readonly Piece[];
  /** The text as it would become, while a choice is hovered or focused. */
  readonly shown: readonly Piece[] | null;
  /** The piece that is open. */
  readonly open: string | null;
  readonly buttons: Ref<HTMLDivElement>;
  readonly onOpen: (piece: string | null) => void;
}) {
  useAtFirstUse(OptionEditors);
  const drawn = shown ?? pieces;
  const text = drawn.filter(isInText);
  const beside = pieces.filter((piece) => !isInText(piece));
  return (
    <section aria-label={words.specimen}>
      <div ref={buttons} className="flex items-stretch">
        {text.map((piece) => (
          <button
            key={piece.id}
            type="button"
            data-part={piece.id}
            aria-expanded={open === piece.id}
            aria-label={words.editWithCaptionText(piece.caption, piece.text)}
            className="piece"
            data-preview={shown !== null || undefined}
            data-is={piece.isValue ? 'taken' : 'fixed'}
            onClick={() => onOpen(open === piece.id ? null : piece.id)}
          >
            {graphemes(piece.seen ?? piece.text).map((character, i) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: a character is known by its place alone
              <span key={i} aria-hidden="true" data-is={piece.isValue ? 'cell' : 'fixed'}>
                {/^\s$/.test(character) ? '⎵' : character}
              </span>
            ))}
          </button>
        ))}
        <span className="ml-5 flex flex-wrap items-center gap-x-4 gap-y-1 text-sm">
          {beside.map((piece) => (
            <button
              key={piece.id}
              type="button"
              data-part={piece.id}
              aria-expanded={open === piece.id}
              aria-label={words.editWithCaptionText(piece.caption, piece.text)}
              className="word-button whitespace-nowrap aria-expanded:font-semibold aria-expanded:text-oxide"
              onClick={() => onOpen(open === piece.id ? null : piece.id)}
            >
              <span className="caption">{piece.isOff ? words.no(piece.caption) : piece.caption} </span>
              <span className={`value ${piece.isOff ? 'text-faint line-through' : ''}`}>{piece.text}</span>
            </button>
          ))}
        </span>
      </div>
      {/* While a choice is pointed at they stay as they are: what is pointed at must not move. */}
      <CaptionRows captions={captionsOf(pieces.filter(isInText))} open={open} />
    </section>
  );
});

/** A caption per piece; neighbours with the same options share one. */
function captionsOf(text: readonly Piece[]): readonly Captioned[] {
  const captions: (Captioned & { readonly part: string })[] = [];
  let from = 0;
  for (const { id, part, text: own, caption } of text) {
    const end = from + graphemes(own).length;
    const last = captions.at(-1);
    if (last && last.part === part && last.text === caption) captions.splice(-1, 1, { ...last, end });
    else captions.push({ id, part, from, end, text: caption });
    from = end;
  }
  return captions;
}
