'use client';

import { usePathname, useRouter } from 'next/navigation';
import { useEffect, useMemo, useRef, useState } from 'react';
import * as words from '../words/ui/palette.ts';
import { Dialog } from './dialog.tsx';
import { type Entry, entriesElsewhere, found, type IndexedSet } from './entries.ts';
import { type CommandGroup, keyShown } from './keys.ts';
import { chooseItem, controlEntries, menuEntries, operate, whenThere } from './page-controls.ts';

/** Keys that are not commands: those of the field and of the desk's lists. */
const others: readonly (readonly [key: string, does: string])[] = [
  ['Ctrl+z', words.undo],
  ['Ctrl+Shift+z', words.redo],
  ['Escape', words.closeTheOpenDialog],
  ['ArrowUp', words.and],
];

/** A dialog with every command of the page, to be found by words, or with every key. */
export function Palette({
  groups,
  indexed,
  shows,
  onClose,
}: {
  readonly groups: readonly CommandGroup[];
  /** Fetches the names of all fields and forms. */
  readonly indexed: () => Promise<readonly IndexedSet[]>;
  readonly shows: 'palette' | 'keys';
  readonly onClose: () => void;
}) {
  return shows === 'palette' ? (
    <Finder groups={groups} indexed={indexed} onClose={onClose} />
  ) : (
    <Dialog title={words.keyboardShortcuts} onClose={onClose}>
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

/** The key of the set and the kind of page in an address: `/sets/s_1/trials` is `s_1`, `trials`. */
function placeIn(path: string): { readonly setKey: string | undefined; readonly page: string } {
  const [, sets, setKey, page] = path.split('/');
  if (sets === 'sets' && setKey && page) return { setKey, page };
  return { setKey: undefined, page: path === '/' ? 'shelf' : path.slice(1) };
}

/** All entries: of the page, of its menus, and of everything elsewhere; and whether more are on their way. */
function useEntries(
  groups: readonly CommandGroup[],
  indexed: () => Promise<readonly IndexedSet[]>,
): { readonly entries: readonly Entry[]; readonly isComing: boolean } {
  const path = usePathname();
  const router = useRouter();
  const [index, setIndex] = useState<readonly IndexedSet[]>();
  useEffect(() => {
    // Without the index, everything on the page is still there.
    indexed().then(setIndex, () => setIndex([]));
  }, [indexed]);
  // Read once: while the palette is open, nothing behind it changes.
  const [present] = useState(() => [
    ...groups.flatMap(({ title, commands }) =>
      commands()
        .filter(({ id }) => id !== 'palette')
        .map((command): Entry => ({ ...command, group: title })),
    ),
    ...menuEntries(),
    ...controlEntries(),
  ]);
  const entries = useMemo(() => {
    const open = (to: string, then?: () => boolean): void => {
      router.push(to);
      const [path] = to.split('?');
      if (then) whenThere(() => location.pathname === path && then());
    };
    const { setKey, page } = placeIn(path);
    const around = { setKey, page, index: index ?? [], open, use: operate, choose: chooseItem };
    return [...present, ...entriesElsewhere(around)];
  }, [present, index, path, router]);
  return { entries, isComing: index === undefined };
}

function Finder({
  groups,
  indexed,
  onClose,
}: {
  readonly groups: readonly CommandGroup[];
  readonly indexed: () => Promise<readonly IndexedSet[]>;
  readonly onClose: () => void;
}) {
  const [text, setText] = useState('');
  const [at, setAt] = useState(0);
  const { entries, isComing } = useEntries(groups, indexed);
  /** Enter was pressed before what the text finds was there: it runs as soon as it is. */
  const [isPressed, setPressed] = useState(false);
  const list = useMemo(() => found(entries, text), [entries, text]);
  const here = Math.min(at, list.length - 1);
  const run = (entry: Entry | undefined) => {
    if (!entry || entry.disabled) return;
    onClose();
    // After this dialog has returned the focus, so that the command can move it.
    queueMicrotask(() => requestAnimationFrame(() => entry.run()));
  };
  // biome-ignore lint/correctness/useExhaustiveDependencies: once, when the entries are complete
  useEffect(() => {
    if (!isPressed || isComing) return;
    setPressed(false);
    run(list[0]);
  }, [isPressed, isComing]);
  return (
    <Dialog title={words.commands} onClose={onClose}>
      <input
        className="entry"
        role="combobox"
        aria-expanded="true"
        aria-controls="commands"
        aria-activedescendant={list[here] ? `command-${here}` : undefined}
        aria-label={words.whatDoYouWant}
        placeholder={words.whatDoYouWant}
        value={text}
        onChange={(event) => {
          setText(event.target.value);
          setAt(0);
          setPressed(false);
        }}
        onKeyDown={(event) => {
          const by = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0;
          if (by !== 0) {
            event.preventDefault();
            setAt((here + by + list.length) % Math.max(1, list.length));
          }
          if (event.key === 'Enter') {
            event.preventDefault();
            const entry = list[here];
            if (isComing && (!entry || entry.disabled)) setPressed(true);
            else run(entry);
          }
        }}
      />
      <div id="commands" role="listbox" aria-label={words.commands} className="h-80 overflow-y-auto">
        {list.map((entry, i) => (
          // Each part of a page has ids of its own, so several entries may have one: a shelf has many “undo”.
          <Option
            key={`${entry.group} ${entry.label}`}
            entry={entry}
            i={i}
            isHere={i === here}
            onAt={setAt}
            onRun={run}
          />
        ))}
        {list.length === 0 && (
          <p className="px-2 py-3 text-faint">{isComing ? words.loading : words.noMatchingCommand}</p>
        )}
      </div>
    </Dialog>
  );
}

function Option({
  entry,
  i,
  isHere,
  onAt,
  onRun,
}: {
  readonly entry: Entry;
  readonly i: number;
  readonly isHere: boolean;
  readonly onAt: (i: number) => void;
  readonly onRun: (entry: Entry) => void;
}) {
  const item = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (isHere) item.current?.scrollIntoView({ block: 'nearest' });
  }, [isHere]);
  return (
    <div
      ref={item}
      id={`command-${i}`}
      role="option"
      tabIndex={-1}
      aria-selected={isHere}
      aria-disabled={entry.disabled !== undefined}
      className="flex min-h-8 cursor-pointer items-baseline gap-3 px-2 py-1 aria-disabled:cursor-default aria-disabled:text-faint aria-selected:bg-oxide aria-selected:text-on-oxide"
      onPointerMove={() => onAt(i)}
      onClick={() => onRun(entry)}
      onKeyDown={() => undefined}
    >
      <span className="min-w-0 truncate">{entry.label}</span>
      <span className="ml-auto max-w-64 truncate text-xs">{entry.disabled ?? entry.group}</span>
      {entry.key && <span className="value text-xs whitespace-nowrap">{keyShown(entry.key)}</span>}
    </div>
  );
}
