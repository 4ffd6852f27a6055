import * as words from '../words/ui/keys.ts';

/** A command of a page. */
export interface Command {
  readonly id: string;
  readonly label: string;
  /** For example `Ctrl+k` (the command key on Apple's keyboards), `Alt+ArrowUp`, `/`. */
  readonly key?: string;
  run(): void;
}

export interface CommandGroup {
  readonly title: string;
  commands(): readonly Command[];
}

/** Whether a pressed key is that of a command. */
export function meets(
  event: Pick<KeyboardEvent, 'key' | 'ctrlKey' | 'metaKey' | 'altKey' | 'shiftKey'>,
  key: string,
): boolean {
  const parts = key.split('+');
  const name = parts.pop() ?? '';
  const wants = (modifier: string): boolean => parts.includes(modifier);
  if ((event.ctrlKey || event.metaKey) !== wants('Ctrl') || event.altKey !== wants('Alt')) return false;
  // A symbol such as `?` needs Shift on some keyboards and not on others.
  if (name.length > 1 && event.shiftKey !== wants('Shift')) return false;
  return event.key.toLowerCase() === name.toLowerCase();
}

/**
 * The element where an event happened: for events inside a shadow tree, `target` is its host (DOM,
 * retargeting).
 */
export const innermost = (event: Event): EventTarget | null => event.composedPath()[0] ?? event.target;

/** Whether the focused element accepts characters. Then a key that types one belongs to it. */
export const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement &&
  target.matches('input:not([type=radio], [type=checkbox]), textarea, select, [contenteditable=true]');

const signs: Readonly<Record<string, string>> = { ArrowUp: '↑', ArrowDown: '↓', Escape: words.esc };

/** A key as displayed: `Ctrl K`, `Alt ↑`. */
export const keyShown = (key: string): string =>
  key
    .split('+')
    .map((part) => signs[part] ?? (part.length === 1 ? part.toUpperCase() : part))
    .join(' ');
