'use client';

import { useLayoutEffect, useRef, useState } from 'react';
import * as words from '../words/ui/commands.ts';
import type { IndexedSet } from './entries.ts';
import { useAtFirstUse } from './first-use.ts';
import { type Command, type CommandGroup, innermost, isTyping, meets } from './keys.ts';
import { later, useLater } from './later.tsx';

const palette = later(() => import('./palette.tsx'));

/** The commands of the page, by group: each part of the page registers its own while it is mounted. */
const groups = new Map<symbol, CommandGroup>();

/** Registers commands for the palette and the keyboard while the component is mounted. */
export function useCommands(title: string, commands: readonly Command[]): void {
  const name = useRef(Symbol(title));
  const latest = useRef(commands);
  latest.current = commands;
  // Before paint: a key pressed directly after a page appeared must find its command.
  useLayoutEffect(() => {
    const own = name.current;
    groups.set(own, { title, commands: () => latest.current });
    return () => {
      groups.delete(own);
    };
  }, [title]);
}

/** The palette, its button and its key, and the keys of every command. Used once per page. */
export function Commands({ indexed }: { readonly indexed: () => Promise<readonly IndexedSet[]> }) {
  useAtFirstUse(palette);
  const [open, setOpen] = useState<'palette' | 'keys' | null>(null);
  const { it: loaded, open: ask } = useLater(palette);
  const show = (what: 'palette' | 'keys') => {
    ask();
    setOpen(what);
  };
  useCommands(words.general, [
    { id: 'palette', label: words.allCommands, key: 'Ctrl+k', run: () => show('palette') },
    { id: 'keys', label: words.keyboardShortcuts, key: '?', run: () => show('keys') },
  ]);
  useLayoutEffect(() => {
    const onKeyDown = (event: KeyboardEvent) => {
      if (event.defaultPrevented) return;
      // A dialog over the page has keys of its own.
      const isCovered =
        document.querySelector('[role="dialog"], [role="alertdialog"], [role="menu"]') !== null;
      for (const { commands } of groups.values())
        for (const { key, run } of commands()) {
          if (key === undefined || !meets(event, key)) continue;
          if (isCovered || (key.length === 1 && isTyping(innermost(event)))) continue;
          event.preventDefault();
          run();
          return;
        }
    };
    window.addEventListener('keydown', onKeyDown);
    return () => window.removeEventListener('keydown', onKeyDown);
  }, []);
  return (
    <>
      <button type="button" className="word-button" onClick={() => show('palette')}>
        {words.commands} <span className="caption max-md:hidden">{words.ctrlK}</span>
      </button>
      {loaded && open && (
        <loaded.Palette
          groups={[...groups.values()]}
          indexed={indexed}
          shows={open}
          onClose={() => setOpen(null)}
        />
      )}
    </>
  );
}
