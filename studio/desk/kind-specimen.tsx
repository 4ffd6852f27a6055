'use client';

import type { FieldDocument, SetDocument } from '@arbeit/engine/document';
import type { Piece } from '@arbeit/engine/kinds';
import { memo, useState } from 'react';
import { sampleOf } from '../definition/sample.ts';
import { useKinds } from '../kinds/at-hand.tsx';
import { deferred } from '../sheet/later.tsx';
import { PopOut } from '../sheet/pop-out.tsx';

const OptionEditors = deferred(() => import('./option-editors.tsx').then((options) => options.OptionEditors));

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
  const kinds = useKinds();
  const pieces = sampleOf(definition, set, kinds);
  const shown = preview ? sampleOf(preview, set, kinds) : pieces;
  return (
    <section aria-label="Specimen">
      <div className="flex flex-wrap items-stretch">
        {pieces.map((piece) => (
          <PopOut
            key={piece.id}
            onOpenChange={() => setPreview(null)}
            needs={OptionEditors}
            label={`Define: ${piece.caption}`}
            className="w-[24rem] space-y-3 p-4"
            button={{
              'aria-label': `${piece.caption}: ${piece.text}. Define this part.`,
              className: 'group flex flex-col text-left hover:bg-wash data-[state=open]:bg-wash',
            }}
            trigger={<PieceText piece={piece} />}
          >
            {() => (
              <>
                <p className="border-b pb-2" aria-hidden="true">
                  {shown
                    .filter((other) => !other.isOff && (!other.isAside || other.part === piece.part))
                    .map((other) => (
                      <span
                        key={other.id}
                        className={`value text-xl ${other.part === piece.part ? 'text-oxide' : ''} ${other.part === 'resting' ? 'block text-base' : ''}`}
                      >
                        {other.text}
                      </span>
                    ))}
                </p>
                <OptionEditors
                  definition={definition}
                  part={piece.part}
                  set={set}
                  onPreview={setPreview}
                  onChange={onChange}
                />
              </>
            )}
          </PopOut>
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
