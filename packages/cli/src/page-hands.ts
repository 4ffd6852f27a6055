// Parts of this run in a page.
/// <reference lib="dom" />
import { type Action, begunOf, type Hand, isBlank, wordsIn } from '@arbeit/engine/tape';
import type { CDPSession, Locator, Page } from 'playwright-core';

/**
 * Does to an input of a page, ours or not, what a tape says: with the keys, compositions and writes of a
 * browser.
 */

/** The key of each action that is a key. */
export const keyFor = {
  backspace: 'Backspace',
  delete: 'Delete',
  'word-backspace': 'Control+Backspace',
  left: 'ArrowLeft',
  right: 'ArrowRight',
  up: 'ArrowUp',
  down: 'ArrowDown',
  home: 'Home',
  end: 'End',
  cut: 'Control+X',
  undo: 'Control+Z',
  redo: 'Control+Shift+Z',
  'select-all': 'Control+A',
} as const;

/** Presses the key of an action `times` times. */
export async function press(page: Page, action: keyof typeof keyFor, times: number): Promise<void> {
  for (let i = 0; i < times; i++) await page.keyboard.press(keyFor[action]);
}

/** A page with what drives it. */
export interface Driven {
  readonly page: Page;
  /** The session of the browser's own protocol, needed for compositions. */
  readonly session: CDPSession;
}

/** Writes a whole value as the browser or a script does, so that frameworks notice. */
const write = (input: Locator, text: string): Promise<void> =>
  input.evaluate(
    (element, [value]) => {
      const field = element as HTMLInputElement;
      const { set } = Object.getOwnPropertyDescriptor(Object.getPrototypeOf(field), 'value') ?? {};
      set?.call(field, value);
      // Chromium reports autofill by plain events.
      field.dispatchEvent(new Event('input', { bubbles: true, composed: true }));
      field.dispatchEvent(new Event('change', { bubbles: true }));
    },
    [text] as const,
  );

/** Types a word as a composition, letter by letter, as a phone's keyboard does. */
async function compose({ session }: Driven, word: string): Promise<void> {
  let text = '';
  for (const letter of word) {
    text += letter;
    const { length } = text;
    await session.send('Input.imeSetComposition', { text, selectionStart: length, selectionEnd: length });
  }
  await session.send('Input.insertText', { text: word });
}

/**
 * Waits until the page shows the result of one action of a line, counted from 0. A page may format in a
 * thread, and a user picks a suggestion after that.
 */
export type Settled = (action: number) => Promise<void>;

/**
 * Types the beginning of a word and replaces it by a suggestion. `done`: the actions of the line before it.
 * Returns those after it.
 */
async function suggest(
  { page }: Driven,
  input: Locator,
  word: string,
  done: number,
  settled: Settled,
): Promise<number> {
  const begun = begunOf(word);
  if (begun === undefined) {
    await page.keyboard.type(word);
    return done + 1;
  }
  if (done > 0) await settled(done - 1);
  const from = await input.evaluate((element) => (element as HTMLInputElement).selectionStart ?? 0);
  await page.keyboard.type(begun);
  await settled(done);
  // The keyboard replaces what is there of the word by then, whatever the page has made of it.
  await input.evaluate((element, start) => {
    const field = element as HTMLInputElement;
    const end = field.selectionStart ?? start;
    field.setSelectionRange(Math.min(start, end), Math.max(start, end));
  }, from);
  await page.keyboard.insertText(word);
  // Typed, selected, inserted: as many rows in what the engine says of this hand.
  return done + 3;
}

const selectIn = (input: Locator, from: number, to: number): Promise<void> =>
  input.evaluate((element, [start, end]) => (element as HTMLInputElement).setSelectionRange(start, end), [
    Math.min(from, to),
    Math.max(from, to),
  ] as const);

/** How an action is carried out. */
export interface Manner {
  readonly hand: Hand;
  /** Nothing was done to the field before. */
  readonly isFirst: boolean;
  /** Where the definition has the caret then. */
  readonly hint?: number | undefined;
  readonly settled: Settled;
}

/** Types a text by a hand. */
async function typeBy(
  driven: Driven,
  input: Locator,
  text: string,
  { hand, isFirst, settled }: Manner,
): Promise<void> {
  const { keyboard } = driven.page;
  switch (hand) {
    case 'composing':
      for (const word of wordsIn(text)) await (isBlank(word) ? keyboard.type(word) : compose(driven, word));
      return;
    case 'suggestion': {
      let done = 0;
      for (const word of wordsIn(text)) done = await suggest(driven, input, word, done, settled);
      return;
    }
    case 'dictation':
      return keyboard.insertText(text);
    case 'autofill':
    case 'program':
      return isFirst ? write(input, text) : keyboard.type(text);
    case 'keys':
      return keyboard.type(text);
  }
}

/** Submits or resets the form of an input, or of the element around it. */
export const formAround = (input: Locator, what: 'requestSubmit' | 'reset'): Promise<void> =>
  input.evaluate((element, name) => {
    const field = element as HTMLInputElement;
    const root = field.getRootNode();
    const form = field.form ?? ('host' in root ? (root.host as Element).closest('form') : null);
    form?.[name]();
  }, what);

/** Carries out one action on the tape's input. */
export async function act(driven: Driven, input: Locator, action: Action, manner: Manner): Promise<void> {
  const { page } = driven;
  const { hint } = manner;
  switch (action.do) {
    case 'focus':
      // At the end of the text, where a page leaves the caret; not where the definition puts it.
      return input.evaluate(
        (element, toEnd) => {
          const field = element as HTMLInputElement;
          field.focus();
          if (toEnd && field.selectionStart === 0 && field.selectionEnd === 0)
            field.setSelectionRange(field.value.length, field.value.length);
        },
        hint === undefined || hint > 0,
      );
    case 'leave':
      return input.blur();
    case 'type':
      return typeBy(driven, input, action.text, manner);
    case 'insert':
      return page.keyboard.insertText(action.text);
    case 'paste':
      await page.evaluate((text) => navigator.clipboard.writeText(text), action.text);
      return page.keyboard.press('Control+V');
    case 'autofill':
    case 'set':
      return write(input, action.text);
    case 'select':
      return selectIn(input, action.start, action.end);
    case 'wait':
      return page.waitForTimeout(action.milliseconds);
    case 'submit':
      return formAround(input, 'requestSubmit');
    case 'reset':
      return formAround(input, 'reset');
    case 'answer':
    case 'sent':
      return;
    default:
      return press(page, action.do, 'times' in action ? action.times : 1);
  }
}

/** What a page shows of an input. */
export interface ShownInPage {
  readonly display: string;
  readonly caret: readonly [number, number];
  readonly focused: boolean;
}

/** What an input shows once the page has drawn the result of the last event. */
export const shownIn = (input: Locator): Promise<ShownInPage> =>
  input.evaluate(async (element) => {
    await new Promise((done) => requestAnimationFrame(() => setTimeout(done)));
    const field = element as HTMLInputElement;
    const { activeElement } = field.getRootNode() as Document | ShadowRoot;
    return {
      display: field.value,
      caret: [field.selectionStart ?? 0, field.selectionEnd ?? 0] as const,
      focused: activeElement === field,
    };
  });
