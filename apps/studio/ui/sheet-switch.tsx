'use client';

import { useSyncExternalStore } from 'react';
import * as words from '../words/ui/sheet-switch.ts';
import { useCommands } from './commands.tsx';

const subscribe = (changed: () => void): (() => void) => {
  const observer = new MutationObserver(changed);
  observer.observe(document.documentElement, { attributeFilter: ['data-sheet'] });
  return () => observer.disconnect();
};

/** Switches between the light and the dark theme; the choice is stored in this browser. */
export function SheetSwitch() {
  const sheet = useSyncExternalStore(
    subscribe,
    () => document.documentElement.dataset.sheet ?? 'light',
    () => 'light',
  );
  const other = sheet === 'dark' ? 'light' : 'dark';
  const change = () => {
    document.documentElement.dataset.sheet = other;
    try {
      localStorage.setItem('arbeit.sheet', other);
    } catch {
      // Without storage, the theme changes only for now.
    }
  };
  useCommands(words.appearance, [
    { id: 'sheet', label: other === 'dark' ? words.darkTheme : words.lightTheme, run: change },
  ]);
  return (
    <button type="button" className="word-button" onClick={change}>
      {other === 'dark' ? words.darkTheme : words.lightTheme}
    </button>
  );
}
