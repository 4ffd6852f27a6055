'use client';

import type { FieldDocument } from '@arbeit/engine/document';
import { memo, useId, useState } from 'react';
import { deferred } from '../sheet/later.tsx';
import type { Change } from './definition-band.tsx';
import { lookInWords } from './look-words.ts';

const LookEditor = deferred(() => import('./look-editor.tsx').then((editor) => editor.LookEditor));

/** How the field is drawn where it is taken home, on one line; opened, an option a row. Seen by “As handed off” above the field. */
export const TheLook = memo(function TheLook({
  definition,
  onChange,
}: {
  readonly definition: FieldDocument;
  readonly onChange: Change;
}) {
  const [isOpen, setOpen] = useState(false);
  const id = useId();
  return (
    <section aria-label="How it looks" className="mt-1 text-sm">
      <div className="flex flex-wrap items-baseline gap-x-3 gap-y-1 border-t pt-1.5">
        <span className="caption">Handed off it looks</span>
        <span className="min-w-0 flex-1 wrap-anywhere">{lookInWords(definition.look)}</span>
        <button
          type="button"
          className="word-button"
          aria-expanded={isOpen}
          aria-controls={id}
          aria-label={isOpen ? 'Put the look away' : 'Change the look'}
          onClick={() => setOpen(!isOpen)}
        >
          {isOpen ? 'Put away' : 'Change'}
        </button>
      </div>
      <div id={id} hidden={!isOpen} className="max-w-xl pt-1">
        {isOpen && <LookEditor definition={definition} onChange={onChange} />}
      </div>
    </section>
  );
});
