'use client';

import type { FieldDocument } from '@arbeit/engine/document';
import { memo } from 'react';
import { FoldedLine } from '../../ui/folded-line.tsx';
import { deferred } from '../../ui/later.tsx';
import * as words from '../../words/desk/appearance-section.ts';
import { appearanceInWords } from './appearance-words.ts';
import type { Change } from './change.ts';

const LookEditor = deferred(() =>
  import('./appearance-editor.tsx').then((editor) => editor.AppearanceEditor),
);

/**
 * A summary of how the field is drawn in a hand-off, on one line; when open, one row per option. The view “As
 * handed off” above the field shows the result.
 */
export const AppearanceSection = memo(function TheLook({
  definition,
  onChange,
}: {
  readonly definition: FieldDocument;
  readonly onChange: Change;
}) {
  return (
    <div>
      <FoldedLine
        name={words.appearance}
        caption={words.appearanceWhenExported}
        said={appearanceInWords(definition.look)}
        opens={words.theAppearance}
      >
        {() => <LookEditor definition={definition} onChange={onChange} />}
      </FoldedLine>
    </div>
  );
});
