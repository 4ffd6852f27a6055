'use client';

import type { FieldDocument } from '@arbeit/engine/document';
import { memo } from 'react';
import { deferred } from '../../ui/later.tsx';
import type { Change } from './definition-band.tsx';
import { FoldedLine } from './folded-line.tsx';
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
  return (
    <div className="mt-1">
      <FoldedLine
        name="How it looks"
        caption="Handed off it looks"
        said={lookInWords(definition.look)}
        opens="the look"
      >
        {() => <LookEditor definition={definition} onChange={onChange} />}
      </FoldedLine>
    </div>
  );
});
