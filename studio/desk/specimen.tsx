'use client';

import { inWords, type Node, type Notation, printNotation } from '@arbeit/engine/kinds/pattern';
import { memo, useState } from 'react';
import { newParts } from '../definition/new-parts.ts';
import { insertBeside } from '../definition/pattern-edits.ts';
import { deferred } from '../sheet/later.tsx';
import { Menu, PopOut } from '../sheet/pop-out.tsx';
import type { Column, Span } from './columns.ts';

const PartEditor = deferred(() => import('./part-editor.tsx').then((part) => part.PartEditor));

/**
 * The finished text, large. Every part is a button that opens where the part is defined.
 * Drawn again only when the definition changes, not at every key.
 */
export const Specimen = memo(function Specimen({
  notation,
  columns,
  spans,
  classes,
  onChange,
}: {
  readonly notation: Notation;
  readonly columns: readonly Column[];
  readonly spans: readonly Span[];
  readonly classes: readonly string[];
  readonly onChange: (pattern: string) => void;
}) {
  const [about, setAbout] = useState<Node | null>(null);
  const [open, setOpen] = useState<number | null>(null);
  const grid = { gridTemplateColumns: `repeat(${columns.length}, var(--col)) auto` };
  return (
    <section aria-label="Specimen">
      <div className="grid items-stretch" style={grid}>
        {spans.map((span, i) => (
          <PopOut
            key={span.path.join('.')}
            open={open === i}
            onOpenChange={(isOpen) => setOpen(isOpen ? i : null)}
            needs={PartEditor}
            label={`Define: ${inWords(span.node)}`}
            className="w-[22rem] p-4"
            button={{
              className: `group flex flex-col text-left hover:bg-wash data-[state=open]:bg-wash ${span.path.length > 1 ? 'border-b border-dashed border-line' : ''}`,
              style: { gridColumn: `${span.from + 1} / ${span.end + 1}` },
              onMouseEnter: () => setAbout(span.node),
              onMouseLeave: () => setAbout(null),
              onFocus: () => setAbout(span.node),
              onBlur: () => setAbout(null),
              'aria-label': `${inWords(span.node)}. Define this part.`,
            }}
            trigger={
              <>
                <span className="flex" aria-hidden="true">
                  {columns.slice(span.from, span.end).map((column) => (
                    <span
                      key={column.id}
                      className={`value w-[var(--col)] text-center text-[2rem] leading-[2.9rem] ${column.is === 'fixed' ? 'text-faint' : column.optional ? 'text-line' : 'text-ink'}`}
                    >
                      {column.character === ' ' ? <span className="text-line">⎵</span> : column.character}
                    </span>
                  ))}
                </span>
                <span
                  aria-hidden="true"
                  className={`caption block truncate border-t-2 px-0.5 pb-1 text-center group-hover:text-oxide ${span.node.type === 'text' ? 'border-rule' : 'border-oxide'}`}
                >
                  {captionFor(span.node, span.end - span.from)}
                </span>
              </>
            }
          >
            {() => (
              <PartEditor
                nodes={notation.nodes}
                path={span.path}
                classes={classes}
                onChange={onChange}
                onGone={() => setOpen(null)}
              />
            )}
          </PopOut>
        ))}
        <AddPart nodes={notation.nodes} onChange={onChange} />
      </div>
      <p className="min-h-6 pt-1 text-sm text-faint" aria-hidden="true">
        {about ? `${inWords(about)} — click to define` : ''}
      </p>
    </section>
  );
});

function AddPart({
  nodes,
  onChange,
}: {
  readonly nodes: readonly Node[];
  readonly onChange: (pattern: string) => void;
}) {
  return (
    <Menu
      trigger="Add a part"
      button={{ className: 'word-button ml-3 self-center justify-self-start whitespace-nowrap text-sm' }}
      align="start"
      className="min-w-60"
      items={() =>
        newParts.map(({ label, part }) => ({
          id: label,
          label,
          onSelect: () =>
            onChange(
              nodes.length ? insertBeside(nodes, [nodes.length - 1], 'after', part) : printNotation([part]),
            ),
        }))
      }
    />
  );
}

/** A caption that fits the part's columns. */
function captionFor(node: Node, width: number): string {
  switch (node.type) {
    case 'text':
      return width > 2 ? 'fixed' : '·';
    case 'number':
      return `${node.low}–${node.high}`;
    case 'words':
      return node.words.join(', ');
    case 'cells': {
      const name = node.takes.type === 'characters' ? node.takes.characters : node.takes.name;
      const count =
        node.min === node.max ? (node.max === 1 ? '' : `${node.max} `) : `${node.min}–${node.max} `;
      return width < 2 ? name : `${count}${name}`;
    }
    case 'stretch':
      return 'optional';
  }
}
