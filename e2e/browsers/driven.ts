/** A browser that a test drives: Chromium, Firefox or WebKit behind one small interface, with real keys. */
export interface Driven {
  readonly name: BrowserName;
  goto(url: string): Promise<void>;
  /** Runs a function on the page and returns what it does; arguments and result as JSON. */
  run<A extends readonly unknown[], R>(fn: (...args: A) => R | Promise<R>, ...args: A): Promise<R>;
  /**
   * Presses keys as fast as the browser takes them, each a name of UI Events, with modifiers before it: `a`,
   * `Home`, `Control+a`.
   */
  keys(...chords: readonly string[]): Promise<void>;
  back(): Promise<void>;
  close(): Promise<void>;
}

export type BrowserName = 'chromium' | 'firefox' | 'webkit';

/** Code points that WebDriver has for keys without a character. */
const codePoints: Readonly<Record<string, string>> = {
  Backspace: '\uE003',
  Tab: '\uE004',
  Enter: '\uE007',
  Shift: '\uE008',
  Control: '\uE009',
  Alt: '\uE00A',
  Escape: '\uE00C',
  End: '\uE010',
  Home: '\uE011',
  ArrowLeft: '\uE012',
  ArrowUp: '\uE013',
  ArrowRight: '\uE014',
  ArrowDown: '\uE015',
  Delete: '\uE017',
};

/** A chord as its modifiers and its key. */
export function partsOf(chord: string): { readonly modifiers: readonly string[]; readonly key: string } {
  const parts = chord.length > 1 ? chord.split('+') : [chord];
  return { modifiers: parts.slice(0, -1), key: parts.at(-1) ?? '' };
}

/** Chords as key actions (WebDriver, actions). */
export const keyActions = (chords: readonly string[]): readonly object[] =>
  chords.flatMap((chord) => {
    const { modifiers, key } = partsOf(chord);
    const value = (name: string): string => codePoints[name] ?? name;
    return [
      ...modifiers.map((name) => ({ type: 'keyDown', value: value(name) })),
      { type: 'keyDown', value: value(key) },
      { type: 'keyUp', value: value(key) },
      ...modifiers.toReversed().map((name) => ({ type: 'keyUp', value: value(name) })),
    ];
  });

export const pause = (milliseconds: number): Promise<void> =>
  new Promise((done) => setTimeout(done, milliseconds));

/** Asks again and again until something is there. There is no limit of time: a test has one, for a hang. */
export async function until<T>(ask: () => Promise<T | undefined> | T | undefined): Promise<T> {
  for (;;) {
    const found = await ask();
    if (found !== undefined) return found;
    await pause(50);
  }
}
