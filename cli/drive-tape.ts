import { type Expectation, type Hand, marked, type Row, type Tape } from '@arbeit/engine/tape';
import type { Locator, Page } from 'playwright-core';
import { act, type Driven, type Shown, shownIn } from './page-hands.ts';

/** A tape on its way into a page. */
export interface Drive {
  readonly page: Page;
  readonly tape: Tape;
  readonly hand: Hand;
  /** The field a tape is about before it names one. */
  readonly first: string;
  readonly fields: ReadonlyMap<string, string>;
  readonly messages: ReadonlyMap<string, string>;
  /** What the definition does, by the same hand; the last of a line is what it led to. */
  readonly rows: readonly Row[] | undefined;
}

const typedInto =
  'input:not([type=radio], [type=checkbox], [type=file], [type=button], [type=submit]), textarea';

/** There is nothing to type into where a field was said to be. */
class NoInput extends Error {}

/** The input a selector means: itself, or the one in what it names. Throws `NoInput` where there is none. */
async function inputOf(page: Page, selector: string): Promise<Locator> {
  const found = page.locator(selector).first();
  await found.waitFor({ state: 'attached', timeout: 10_000 }).catch(() => {
    throw new NoInput(`there is nothing at ${selector}`);
  });
  const isInput = await found.evaluate((element, what) => element.matches(what), typedInto);
  const input = isInput ? found : found.locator(typedInto).first();
  if ((await input.count()) === 0) throw new NoInput(`there is nothing to type into at ${selector}`);
  return input;
}

/** A text with its caret or selection drawn in, as a tape writes it. */
const quoted = (text: string, caret?: readonly [number, number]): string =>
  JSON.stringify(marked(text, caret));

type Step = Tape['steps'][number];
type Expect = Step & Expectation;

/** The inputs of a page by the fields they are, each looked for once. */
function inputsOn(page: Page, fields: ReadonlyMap<string, string>): (id: string) => Promise<Locator> {
  const known = new Map<string, Locator>();
  return async (id) => {
    const found = known.get(id) ?? (await inputOf(page, fields.get(id) ?? ''));
    known.set(id, found);
    return found;
  };
}

/** What the definition shows, and what the page does; without the focus a browser keeps a caret of its own. */
function shownBoth(row: Row, seen: Shown): readonly [string, string] {
  return row.flags.focused && seen.focused
    ? [quoted(row.display, row.caret), quoted(seen.display, seen.caret)]
    : [quoted(row.display), quoted(seen.display)];
}

const textOf = async (said: Locator): Promise<string> => (await said.innerText()).trim();

/** What is expected and what is found, of what can be seen on a page: the text, its caret, the message, the focus. */
async function expectedBoth(
  step: Expect,
  input: Locator,
  message: Locator | undefined,
): Promise<readonly [string, string] | undefined> {
  switch (step.what) {
    case 'display': {
      const { display, caret } = await shownIn(input);
      return [quoted(step.text, step.caret), quoted(display, step.caret && caret)];
    }
    case 'message':
      return message && [JSON.stringify(step.text), JSON.stringify(await textOf(message))];
    case 'focus': {
      if (step.id === null) return undefined;
      return [step.id, (await shownIn(input)).focused ? step.id : 'another'];
    }
    default:
      return undefined;
  }
}

const withoutFocus: ReadonlySet<Step['do']> = new Set(['focus', 'leave', 'submit', 'reset', 'wait', 'set', 'autofill']); // biome-ignore format: a list

/** Drives one tape: what is not the same, a line each; or why it cannot be driven. */
export async function drivenTape(drive: Drive): Promise<readonly string[] | string> {
  try {
    return await apartIn(drive);
  } catch (error) {
    if (error instanceof NoInput) return error.message;
    throw error;
  }
}

async function apartIn({
  page,
  tape,
  hand,
  first,
  fields,
  messages,
  rows,
}: Drive): Promise<readonly string[]> {
  const driving: Driven = { page, session: await page.context().newCDPSession(page) };
  const led = new Map((rows ?? []).map((row) => [row.line, row]));
  const input = inputsOn(page, fields);
  const apart: string[] = [];
  const touched = new Set<string>();
  let about = first;
  let focused = false;
  const messageAt = (id: string): Locator | undefined => {
    const selector = messages.get(id);
    return selector === undefined ? undefined : page.locator(selector).first();
  };
  const tell = ({ line, source }: Step, [expected, found]: readonly [string, string]): void => {
    if (expected !== found) apart.push(`line ${line}: ${source}: expected ${expected}, found ${found}`);
  };
  for (const step of tape.steps) {
    if (step.do === 'expect') {
      // What the definition shows was held against it already.
      if (rows !== undefined && step.what !== 'focus') continue;
      const id = step.what === 'focus' ? (step.id ?? about) : (step.field ?? about);
      if (!fields.has(id)) continue;
      const both = await expectedBoth(step, await input(id), messageAt(id));
      if (both) tell(step, both);
      continue;
    }
    if (step.do === 'focus') about = step.field ?? about;
    const field = await input(about);
    const isByHand = !withoutFocus.has(step.do);
    if (isByHand && !focused) await act(driving, field, { do: 'focus' }, { hand, isFirst: false });
    await act(driving, field, step, {
      hand,
      isFirst: !touched.has(about),
      hint: led.get(step.line)?.caret[1],
    });
    if (isByHand || step.do === 'set' || step.do === 'autofill') touched.add(about);
    const row = led.get(step.line);
    about = row?.field ?? about;
    const seen = await shownIn(await input(about));
    focused = seen.focused;
    if (!row) continue;
    tell(step, shownBoth(row, seen));
    const said = messageAt(row.field);
    if (said) tell(step, [JSON.stringify(row.message ?? ''), JSON.stringify(await textOf(said))]);
  }
  return apart;
}
