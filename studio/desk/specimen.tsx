'use client';

import { DropdownMenu, Popover } from 'radix-ui';
import { memo, useState } from 'react';
import { type Node, type Notation, printNotation } from '../../engine/compile/notation.ts';
import { inWords } from '../../engine/compile/plain-words.ts';
import { newParts } from '../definition/new-parts.ts';
import { insertBeside } from '../definition/pattern-edits.ts';
import type { Column, Span } from './columns.ts';
import { PartEditor } from './part-editor.tsx';

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
          <Popover.Root
            key={span.path.join('.')}
            open={open === i}
            onOpenChange={(isOpen) => setOpen(isOpen ? i : null)}
          >
            <Popover.Trigger
              className={`group flex flex-col text-left hover:bg-wash data-[state=open]:bg-wash ${span.path.length > 1 ? 'border-b border-dashed border-line' : ''}`}
              style={{ gridColumn: `${span.from + 1} / ${span.end + 1}` }}
              onMouseEnter={() => setAbout(span.node)}
              onMouseLeave={() => setAbout(null)}
              onFocus={() => setAbout(span.node)}
              onBlur={() => setAbout(null)}
              aria-label={`${inWords(span.node)}. Define this part.`}
            >
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
            </Popover.Trigger>
            <Popover.Portal>
              <Popover.Content
                aria-label={`Define: ${inWords(span.node)}`}
                align="start"
                sideOffset={6}
                collisionPadding={12}
                className="z-20 w-[22rem] max-w-[calc(100vw-1.5rem)] border-2 border-ink bg-paper p-4"
              >
                <PartEditor
                  nodes={notation.nodes}
                  path={span.path}
                  classes={classes}
                  onChange={onChange}
                  onGone={() => setOpen(null)}
                />
              </Popover.Content>
            </Popover.Portal>
          </Popover.Root>
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
    <DropdownMenu.Root>
      <DropdownMenu.Trigger className="word-button ml-3 self-center justify-self-start whitespace-nowrap text-sm">
        Add a part
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content align="start" sideOffset={4} className="menu min-w-60">
          {newParts.map(({ label, part }) => (
            <DropdownMenu.Item
              key={label}
              className="menu-item"
              onSelect={() =>
                onChange(
                  nodes.length
                    ? insertBeside(nodes, [nodes.length - 1], 'after', part)
                    : printNotation([part]),
                )
              }
            >
              {label}
            </DropdownMenu.Item>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
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
