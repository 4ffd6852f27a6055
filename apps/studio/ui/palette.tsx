'use client';

import { useState } from 'react';
import { Dialog } from './dialog.tsx';
import { type Command, type CommandGroup, keyShown } from './keys.ts';

/** Keys that are not commands: those of the field and of the desk's lists. */
const others: readonly (readonly [key: string, does: string])[] = [
  ['Ctrl+z', 'undo: of typing in a line, of the definition elsewhere'],
  ['Ctrl+Shift+z', 'redo'],
  ['Escape', 'closes what is open; the focus goes back'],
  ['ArrowUp', 'and ↓ on a handle: moves it; on the tape: steps; in a number, date or time: counts'],
];

/** A dialog with every command of the page, to be found by words, or with every key. */
export function Palette({
  groups,
  shows,
  onClose,
}: {
  readonly groups: readonly CommandGroup[];
  readonly shows: 'palette' | 'keys';
  readonly onClose: () => void;
}) {
  return shows === 'palette' ? (
    <Finder groups={groups} onClose={onClose} />
  ) : (
    <Dialog title="Keys" onClose={onClose}>
      <dl className="grid grid-cols-[auto_1fr] gap-x-5 gap-y-1">
        {groups
          .flatMap(({ commands }) => commands())
          .flatMap(({ key, label }) => (key === undefined ? [] : [[key, label] as const]))
          .concat(others)
          .map(([key, label]) => (
            <div key={`${key} ${label}`} className="contents">
              <dt className="value whitespace-nowrap">{keyShown(key)}</dt>
              <dd>{label}</dd>
            </div>
          ))}
      </dl>
    </Dialog>
  );
}

function Finder({
  groups,
  onClose,
}: {
  readonly groups: readonly CommandGroup[];
  readonly onClose: () => void;
}) {
  const [text, setText] = useState('');
  const [at, setAt] = useState(0);
  const words = text.toLowerCase().split(/\s+/).filter(Boolean);
  const found = groups.flatMap(({ title, commands }) =>
    commands()
      .filter(({ id }) => id !== 'palette')
      .filter(({ label }) => words.every((word) => `${title} ${label}`.toLowerCase().includes(word)))
      .map((command) => ({ title, command })),
  );
  const here = Math.min(at, found.length - 1);
  const run = (command: Command | undefined) => {
    if (!command) return;
    onClose();
    // After this dialog has returned the focus, so that the command can move it.
    queueMicrotask(() => requestAnimationFrame(() => command.run()));
  };
  return (
    <Dialog title="Commands" onClose={onClose}>
      <input
        className="entry"
        role="combobox"
        aria-expanded="true"
        aria-controls="commands"
        aria-activedescendant={found[here] ? `command-${here}` : undefined}
        aria-label="What do you want to do?"
        placeholder="What do you want to do?"
        value={text}
        onChange={(event) => {
          setText(event.target.value);
          setAt(0);
        }}
        onKeyDown={(event) => {
          const by = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0;
          if (by !== 0) {
            event.preventDefault();
            setAt((here + by + found.length) % Math.max(1, found.length));
          }
          if (event.key === 'Enter') {
            event.preventDefault();
            run(found[here]?.command);
          }
        }}
      />
      <div id="commands" role="listbox" aria-label="Commands" className="max-h-80 overflow-y-auto">
        {found.map(({ title, command }, i) => (
          <div
            key={`${title} ${command.id}`}
            id={`command-${i}`}
            role="option"
            tabIndex={-1}
            aria-selected={i === here}
            className="flex min-h-8 cursor-pointer items-baseline gap-3 px-2 py-1 aria-selected:bg-oxide aria-selected:text-on-oxide"
            onPointerMove={() => setAt(i)}
            onClick={() => run(command)}
            onKeyDown={() => undefined}
          >
            {command.label}
            <span className="ml-auto text-xs">{title}</span>
            {command.key && <span className="value text-xs">{keyShown(command.key)}</span>}
          </div>
        ))}
        {found.length === 0 && <p className="px-2 py-3 text-faint">Nothing here is called that.</p>}
      </div>
    </Dialog>
  );
}
