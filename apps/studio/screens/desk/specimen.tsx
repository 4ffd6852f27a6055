'use client';

import { inWords, type Node, type Notation, printNotation } from '@arbeit/engine/kinds/pattern';
import { memo, type Ref } from 'react';
import { newParts } from '../../model/new-parts.ts';
import { insertBeside } from '../../model/pattern-edits.ts';
import { useAtFirstUse } from '../../ui/first-use.ts';
import { deferred } from '../../ui/later.tsx';
import { Menu } from '../../ui/pop-out.tsx';
import * as texts from '../../words/desk/specimen.ts';
import { CaptionRows } from './caption-rows.tsx';
import type { Column, Span } from './columns.ts';

/** The editor of a part, loaded on the first interaction with the page. */
export const PartEditor = deferred(() => import('./part-editor.tsx').then((part) => part.PartEditor));

const idOf = (span: Span): string => span.path.join('.');

/**
 * The finished text, large. Every part is a button that opens its editor. It renders only when the definition
 * changes, not at every key.
 */
export const Specimen = memo(function Specimen({
  notation,
  columns,
  spans,
  open,
  buttons,
  onOpen,
  onChange,
}: {
  readonly notation: Notation;
  readonly columns: readonly Column[];
  readonly spans: readonly Span[];
  /** The path of the part that is open. */
  readonly open: string | null;
  readonly buttons: Ref<HTMLDivElement>;
  readonly onOpen: (part: string | null) => void;
  readonly onChange: (pattern: string) => void;
}) {
  useAtFirstUse(PartEditor);
  const grid = { gridTemplateColumns: `repeat(${columns.length}, var(--col)) auto` };
  const captions = spans.map((span) => ({
    id: idOf(span),
    from: span.from,
    end: span.end,
    text: captionFor(span.node),
  }));
  return (
    <section aria-label={texts.specimen}>
      <div ref={buttons} className="grid items-stretch" style={grid}>
        {spans.map((span) => {
          const id = idOf(span);
          return (
            <button
              key={id}
              type="button"
              data-part={id}
              aria-expanded={open === id}
              aria-label={texts.edit(inWords(span.node))}
              title={inWords(span.node)}
              className="piece"
              data-is={span.node.type === 'text' ? 'fixed' : 'taken'}
              data-optional={span.path.length > 1 || undefined}
              style={{ gridColumn: `${span.from + 1} / ${span.end + 1}` }}
              onClick={() => onOpen(open === id ? null : id)}
            >
              {columns.slice(span.from, span.end).map((column) => (
                <span
                  key={column.id}
                  aria-hidden="true"
                  data-is={column.is}
                  data-optional={column.optional || undefined}
                >
                  {column.character === ' ' ? '⎵' : column.character}
                </span>
              ))}
            </button>
          );
        })}
        <AddPart nodes={notation.nodes} onChange={onChange} />
      </div>
      <CaptionRows captions={captions} open={open} />
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
      trigger={texts.addAPart}
      button={{ className: 'word-button ml-4 self-center justify-self-start whitespace-nowrap text-sm' }}
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

/** A part in a word or two. */
function captionFor(node: Node): string {
  switch (node.type) {
    case 'text':
      return node.text.trim().length > 2 ? texts.fixed : '·';
    case 'number':
      return `${node.low}–${node.high}`;
    case 'words':
      return node.words.join(', ');
    case 'cells': {
      const name = node.takes.type === 'characters' ? node.takes.characters : node.takes.name;
      const count =
        node.min === node.max ? (node.max === 1 ? '' : `${node.max} `) : `${node.min}–${node.max} `;
      return `${count}${name}`;
    }
    case 'stretch':
      return texts.optional;
  }
}
