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

/** Types the beginning of a word and replaces it by a suggestion. */
async function suggest({ page }: Driven, input: Locator, word: string): Promise<void> {
  const begun = begunOf(word);
  if (begun === undefined) return page.keyboard.type(word);
  const caret = (): Promise<number> =>
    input.evaluate((element) => (element as HTMLInputElement).selectionStart ?? 0);
  const from = await caret();
  await page.keyboard.type(begun);
  // The keyboard replaces what is there of the word by then, whatever the page has made of it.
  await input.evaluate((element, start) => {
    const field = element as HTMLInputElement;
    const end = field.selectionStart ?? start;
    field.setSelectionRange(Math.min(start, end), Math.max(start, end));
  }, from);
  await page.keyboard.insertText(word);
}

const selectIn = (input: Locator, from: number, to: number): Promise<void> =>
  input.evaluate((element, [start, end]) => (element as HTMLInputElement).setSelectionRange(start, end), [
    Math.min(from, to),
    Math.max(from, to),
  ] as const);

/** Types a text by a hand. `isFirst`: nothing was done to the field before. */
async function typeBy(
  driven: Driven,
  input: Locator,
  hand: Hand,
  text: string,
  isFirst: boolean,
): Promise<void> {
  const { keyboard } = driven.page;
  switch (hand) {
    case 'composing':
      for (const word of wordsIn(text)) await (isBlank(word) ? keyboard.type(word) : compose(driven, word));
      return;
    case 'suggestion':
      for (const word of wordsIn(text)) await suggest(driven, input, word);
      return;
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

/** Carries out one action on the tape's input. `hint`: where the definition has the caret then. */
export async function act(
  driven: Driven,
  input: Locator,
  action: Action,
  {
    hand,
    isFirst,
    hint,
  }: { readonly hand: Hand; readonly isFirst: boolean; readonly hint?: number | undefined },
): Promise<void> {
  const { page } = driven;
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
      return typeBy(driven, input, hand, action.text, isFirst);
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
