import { isDeepStrictEqual } from 'node:util';
import type { SetDocument } from '@arbeit/engine/document';
import { type CompiledSet, compile, withCustomCode } from '@arbeit/engine/document';
import { kinds } from '@arbeit/engine/kinds';
import type { Action, Tape } from '@arbeit/engine/tape';
import { needsFocus, play, type Row } from '@arbeit/engine/tape';
import { expect, type Locator, type Page, type Route } from '@playwright/test';
import { formAround, press } from '../packages/cli/src/page-hands.ts';
import { plainly } from '../packages/engine/src/kinds/custom/plainly.fixture.ts';

/** Plays tapes with real keys on a real page, and holds every step against the engine's own account of it. */

export const lineOf = (page: Page, field: string): Locator =>
  page.locator(`[data-field="${field}"] :is(input, textarea)`);

/** What a field is picked from, where it is. */
const picksOf = (page: Page, field: string): Locator => page.locator(`[data-field="${field}"] [data-draw]`);

/** Picks as a person would; a whole value as the browser or a program puts it there. */
async function pick(page: Page, action: Action, field: string): Promise<void> {
  const picks = picksOf(page, field);
  const head = picks.and(page.locator('select')).or(picks.locator('input')).first();
  switch (action.do) {
    case 'focus':
      return head.focus();
    case 'leave':
      return picks.evaluate(() => (document.activeElement as HTMLElement).blur());
    case 'autofill':
    case 'set':
      return picks.evaluate((element, text) => {
        const names = (option: { value: string }, words: string | null) =>
          option.value === text || words === text || (text !== '' && text.split(' ').includes(option.value));
        if (element instanceof HTMLSelectElement) {
          for (const option of element.options) option.selected = names(option, option.text);
        } else
          for (const box of element.querySelectorAll('input'))
            box.checked = names(box, box.parentElement!.textContent);
        element.dispatchEvent(new Event('input', { bubbles: true }));
      }, action.text);
    case 'submit':
      return formAround(head, 'requestSubmit');
    case 'reset':
      return formAround(head, 'reset');
    case 'up':
    case 'down':
    case 'backspace':
    case 'undo':
    case 'redo':
      return press(page, action.do, 'times' in action ? action.times : 1);
    default:
      throw new RangeError(`Nobody does "${action.do}" to what is picked.`);
  }
}

/** What the page shows of a field that is picked. It has no caret. */
const pickedOn = (page: Page, field: string) =>
  picksOf(page, field).evaluate(async (element: HTMLElement, id) => {
    await new Promise((done) => requestAnimationFrame(() => setTimeout(done)));
    const around = element.closest('[data-field]')!;
    const report = around.querySelector<HTMLElement>('[data-rejected]')!;
    const head = (element.matches('select') ? element : element.querySelector('input')) as HTMLInputElement;
    const words =
      element instanceof HTMLSelectElement
        ? [...element.selectedOptions].filter(({ value }) => value).map(({ text }) => text)
        : [...element.querySelectorAll<HTMLInputElement>(':checked')].map(
            (box) => box.parentElement!.textContent,
          );
    return {
      display: words.join('; '),
      caret: [0, 0] as (number | null)[],
      hasCaret: false,
      raw: new FormData(head.form!).getAll(id).join(' '),
      messages: [...around.querySelectorAll('[aria-live] p')].map((p) => p.textContent),
      invalid: [element, ...element.children, ...element.querySelectorAll('input')].some(
        (one) => one.getAttribute('aria-invalid') === 'true',
      ),
      valid: head.validity.valid,
      rejected: report.dataset.rejected,
      leftOut: report.dataset.leftOut,
      focused: element.contains(document.activeElement),
    };
  }, field);

/** Does one action the way a person (or the browser for them) would. */
async function act(page: Page, action: Action, field: string): Promise<void> {
  if (await picksOf(page, field).count()) return pick(page, action, field);
  const input = lineOf(page, field);
  switch (action.do) {
    case 'focus':
      return input.focus();
    case 'leave':
      return input.blur();
    case 'type':
      return page.keyboard.type(action.text);
    case 'insert':
      return page.keyboard.insertText(action.text);
    case 'paste':
      await page.evaluate((text) => navigator.clipboard.writeText(text), action.text);
      return page.keyboard.press('Control+V');
    case 'autofill':
    case 'set':
      return input.evaluate((element: HTMLInputElement, text) => {
        element.value = text;
        element.dispatchEvent(new Event('input', { bubbles: true }));
      }, action.text);
    case 'select':
      return input.evaluate(
        (element: HTMLInputElement, [start, end]) =>
          element.setSelectionRange(Math.min(start!, end!), Math.max(start!, end!)),
        [action.start, action.end],
      );
    case 'wait':
      return page.waitForTimeout(action.milliseconds);
    case 'submit':
      return formAround(input, 'requestSubmit');
    case 'reset':
      return formAround(input, 'reset');
    case 'answer':
    case 'sent':
      return answerOnPage(page, action);
    default:
      return press(page, action.do, 'times' in action ? action.times : 1);
  }
}

/** Requests of a page that the tape answers: held back until it does. */
const held = new WeakMap<Page, Route[]>();

/**
 * Holds what a page asks the services or sends to its form's route, so that answers come when the tape says
 * so.
 */
async function holdRequests(page: Page): Promise<void> {
  if (held.has(page)) held.get(page)!.length = 0;
  else {
    const waiting: Route[] = [];
    held.set(page, waiting);
    const hold = (route: Route): void => void waiting.push(route);
    await page.route('**/api/services/passes', hold);
    await page.route('**/api/services/codes/check', hold);
    await page.route('**/forms/*/records', hold);
  }
}

/** Answers what the page asked or sent last, as the tape says. */
async function answerOnPage(page: Page, action: Extract<Action, { do: 'answer' | 'sent' }>): Promise<void> {
  const waiting = held.get(page)!;
  await expect.poll(() => waiting.length).toBeGreaterThan(0);
  const route = waiting.pop()!;
  if (action.do === 'sent') {
    const findings = action.field === undefined ? [] : [{ field: action.field, code: action.code }];
    await route.fulfill({ status: findings.length ? 422 : 200, json: { findings } });
  } else if (action.verdict === 'unreachable') await route.abort();
  else await route.fulfill({ json: { verdict: action.verdict, code: action.code } });
}

/** What a page shows of a field: what a person sees, what a form submits, where the caret is. */
export type Seen = Awaited<ReturnType<typeof pickedOn>> | Awaited<ReturnType<typeof lineOn>>;

/** What a page of the studio shows of a field. */
const seen = async (page: Page, field: string): Promise<Seen> =>
  (await picksOf(page, field).count()) ? pickedOn(page, field) : lineOn(page, field);

/** The same of one that is typed into. */
const lineOn = (page: Page, field: string) =>
  // One frame, so that React has drawn what the event changed.
  lineOf(page, field).evaluate(async (input: HTMLInputElement, id) => {
    await new Promise((done) => requestAnimationFrame(() => setTimeout(done)));
    const around = input.closest('[data-field]')!;
    const report = around.querySelector<HTMLElement>('[data-rejected]')!;
    return {
      display: input.value,
      hasCaret: true,
      caret: [input.selectionStart, input.selectionEnd],
      raw: new FormData(input.form!).get(id),
      messages: [...around.querySelectorAll('[aria-live] p')].map((p) => p.textContent),
      invalid: input.getAttribute('aria-invalid') === 'true',
      valid: input.validity.valid,
      rejected: report.dataset.rejected,
      leftOut: report.dataset.leftOut,
      focused: document.activeElement === input,
    };
  }, field);

/** Plays the tape in both places, a step at a time. */
export async function playBoth(
  page: Page,
  set: CompiledSet,
  tape: Tape,
  look: (page: Page, field: string) => Promise<Seen> = seen,
): Promise<void> {
  await holdRequests(page);
  const played = play(set, tape);
  if ('message' in played) throw new RangeError(played.message);
  expect(played.misses).toEqual([]);
  let at = 0;
  let field =
    tape.target.type === 'field'
      ? tape.target.id
      : set.forms.find((form) => form.id === tape.target.id)!.fields[0]!.id;
  let focused = false;
  for (const step of tape.steps) {
    if (step.do === 'expect') continue;
    const row: Row = played.rows[at++]!;
    field = step.do === 'focus' ? (step.field ?? field) : field;
    const before = field;
    if (!focused && needsFocus(step.do)) await act(page, { do: 'focus' }, field);
    await act(page, step, before);
    // A submit that is held back moves the focus to the first wrong field.
    field = row.field;
    focused = row.flags.focused;
    const agrees = () => expectAgreement(page, tape, step, row, look);
    // An answer reaches the page in its own time, and so does what own code makes of a text.
    const isShaped = set.fields.find(({ id }) => id === row.field)?.kind.withFormat !== undefined;
    if (step.do === 'answer' || step.do === 'sent' || isShaped) await expect(agrees).toPass();
    else await agrees();
  }
}

/** What the page shows of the field a row is about is what the engine says. */
async function expectAgreement(
  page: Page,
  tape: Tape,
  step: Tape['steps'][number],
  row: Row,
  look: (page: Page, field: string) => Promise<Seen>,
): Promise<void> {
  const found = await look(page, row.field);
  const expected = {
    display: row.display,
    // Without the focus the browser keeps a selection of its own.
    caret: row.flags.focused && found.hasCaret ? [...row.caret] : found.caret,
    raw: row.raw,
    messages: row.message === null ? [] : [row.message],
    valid: row.flags.valid,
    focused: row.flags.focused,
    invalid: row.codes.length > 0 && !row.flags.valid,
    rejected: row.rejected ?? '',
    leftOut: row.leftOut,
  };
  const { hasCaret: _, ...rest } = found;
  // A page reports the last event alone, a tape's row all of its action; a key that moves nothing is no event
  // there.
  if (!['insert', 'paste', 'autofill', 'set'].includes(step.do) || ('text' in step && step.text === ''))
    Object.assign(rest, { rejected: expected.rejected, leftOut: expected.leftOut });
  // Each call of expect costs as much as a key.
  if (!isDeepStrictEqual(rest, expected))
    expect(rest, `${tape.title}, line ${step.line}: ${step.source}`).toEqual(expected);
}

export const compiled = (document: unknown): CompiledSet =>
  withCustomCode(compile(document as SetDocument, kinds), { check: () => undefined, shape: plainly() });
