import { type Expectation, type Hand, marked, needsFocus, type Row, type Tape } from '@arbeit/engine/tape';
import type { Locator, Page } from 'playwright-core';
import { act, type Driven, type ShownInPage, shownIn } from './page-hands.ts';
import { pick, pickable, pickedIn } from './page-picks.ts';
import type { Servers } from './page-servers.ts';

/** A tape that is driven into a page. */
export interface Drive {
  readonly page: Page;
  readonly tape: Tape;
  readonly hand: Hand;
  /** Id of the field the tape is about before it names one. */
  readonly first: string;
  readonly fields: ReadonlyMap<string, string>;
  readonly messages: ReadonlyMap<string, string>;
  /** Answers requests of the page. */
  readonly servers: Servers;
  /** What the definition does by the same hand, a row per action; the last of a line is its result. */
  readonly rows: readonly Row[] | undefined;
}

const typedInto =
  'input:not([type=radio], [type=checkbox], [type=file], [type=button], [type=submit]), textarea';

/** The page has no input where a field was expected. */
class NoInput extends Error {}

/** A field on a page: an input, or something to pick from. */
interface Place {
  readonly at: Locator;
  readonly isPicked: boolean;
}

/**
 * The place a selector means: the element itself, or the control inside. Throws `NoInput` if there is none.
 */
async function placeOf(page: Page, selector: string): Promise<Place> {
  const found = page.locator(selector).first();
  await found.waitFor({ state: 'attached', timeout: 10_000 }).catch(() => {
    throw new NoInput(`no element matches ${selector}`);
  });
  const isInput = await found.evaluate((element, what) => element.matches(what), typedInto);
  const input = isInput ? found : found.locator(typedInto).first();
  if ((await input.count()) > 0) return { at: input, isPicked: false };
  const hasPicks = await found.evaluate(
    (element, what) => element.matches(what) || element.querySelector(what) !== null,
    pickable,
  );
  if (!hasPicks) throw new NoInput(`there is nothing to type into or to pick from at ${selector}`);
  return { at: found, isPicked: true };
}

/** A text with its caret or selection drawn in, as a tape writes it. */
const quoted = (text: string, caret?: readonly [number, number]): string =>
  JSON.stringify(marked(text, caret));

type Step = Tape['steps'][number];
type Expect = Step & Expectation;

/** Places of fields on a page, each searched once. */
function placesOn(page: Page, fields: ReadonlyMap<string, string>): (id: string) => Promise<Place> {
  const known = new Map<string, Place>();
  return async (id) => {
    const found = known.get(id) ?? (await placeOf(page, fields.get(id) ?? ''));
    known.set(id, found);
    return found;
  };
}

/** What a place shows; for choices their labels, without a caret. */
async function shownAt({
  at,
  isPicked,
}: Place): Promise<ShownInPage & { readonly ticked?: boolean | undefined }> {
  if (!isPicked) return shownIn(at);
  const { words, ticked, focused } = await pickedIn(at);
  return { display: words, caret: [0, 0], focused, ticked };
}

/**
 * What the definition shows and what the page shows. Without focus the caret is ignored: browsers keep one of
 * their own.
 */
async function shownBoth(row: Row, place: Place): Promise<readonly [string, string]> {
  const seen = await shownAt(place);
  if (seen.ticked !== undefined)
    return [row.value === 'yes' ? 'ticked' : 'not ticked', seen.ticked ? 'ticked' : 'not ticked'];
  return row.flags.focused && seen.focused && !place.isPicked
    ? [quoted(row.display, row.caret), quoted(seen.display, seen.caret)]
    : [quoted(row.display), quoted(seen.display)];
}

const textOf = async (said: Locator): Promise<string> => (await said.innerText()).trim();

/** What a tape expects and what is found, as far as a page shows it: text, caret, message, focus. */
async function expectedBoth(
  step: Expect,
  place: Place,
  message: Locator | undefined,
): Promise<readonly [string, string] | undefined> {
  switch (step.what) {
    case 'display': {
      const { display, caret } = await shownAt(place);
      const expected = place.isPicked ? undefined : step.caret;
      return [quoted(step.text, expected), quoted(display, expected && caret)];
    }
    case 'message':
      return message && [JSON.stringify(step.text), JSON.stringify(await textOf(message))];
    case 'focus': {
      if (step.id === null) return undefined;
      return [step.id, (await shownAt(place)).focused ? step.id : 'another'];
    }
    default:
      return undefined;
  }
}

/** Drives one tape. Resolves to its differences, one per line, or to why it cannot be driven. */
export async function drivenTape(drive: Drive): Promise<readonly string[] | string> {
  try {
    return await apartIn(drive);
  } catch (error) {
    if (error instanceof NoInput) return error.message;
    throw error;
  }
}

/**
 * How long a page may take to show the result of an answer, and of anything else, in milliseconds: some
 * format in a thread. A page that shows something else already is not waited for.
 */
const patience = { answer: 3000, else: 1000, apart: 0 };

/** Reads two texts until they are equal or the time is over. */
async function sameSoon(
  both: () => Promise<readonly [string, string]>,
  milliseconds: number,
): Promise<readonly [string, string]> {
  let [expected, found] = await both();
  for (const end = Date.now() + milliseconds; expected !== found && Date.now() < end; )
    [expected, found] = await both();
  return [expected, found];
}

/** The rows of each line of a tape: one per action, as many as the hand needs. */
function byLine(rows: readonly Row[]): ReadonlyMap<number, readonly Row[]> {
  const lines = new Map<number, Row[]>();
  for (const row of rows) lines.set(row.line, [...(lines.get(row.line) ?? []), row]);
  return lines;
}

async function apartIn(drive: Drive): Promise<readonly string[]> {
  const { page, tape, first, fields, messages, rows, servers } = drive;
  const driving: Driven = { page, session: await page.context().newCDPSession(page) };
  const led = byLine(rows ?? []);
  const placeAt = placesOn(page, fields);
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
  const soon = (isAnswered = false): number =>
    isAnswered ? patience.answer : apart.length > 0 ? patience.apart : patience.else;
  /** Carries out a step with the focus where a person would have it. */
  const carryOut = async (step: Exclude<Step, Expect>): Promise<void> => {
    if (step.do === 'answer' || step.do === 'sent') {
      const problem = await servers.answer(step);
      if (problem) tell(step, ['to be asked', problem]);
      return;
    }
    const place = await placeAt(about);
    const isByHand = needsFocus(step.do);
    const done = (action: Exclude<Step, Expect> | { do: 'focus' }) =>
      place.isPicked
        ? pick(driving, place.at, action)
        : act(driving, place.at, action, {
            hand: drive.hand,
            isFirst: action.do !== 'focus' && !touched.has(about),
            hint: led.get(step.line)?.at(-1)?.caret[1],
            settled: async (n) => {
              const row = led.get(step.line)?.[n];
              if (row) await sameSoon(() => shownBoth(row, place), soon());
            },
          });
    if (isByHand && !focused) await done({ do: 'focus' });
    await done(step);
    if (isByHand || step.do === 'set' || step.do === 'autofill') touched.add(about);
  };
  for (const step of tape.steps) {
    if (step.do === 'expect') {
      // The definition's own display has been compared already.
      if (rows !== undefined && step.what !== 'focus') continue;
      const id = step.what === 'focus' ? (step.id ?? about) : (step.field ?? about);
      if (!fields.has(id)) continue;
      const both = await expectedBoth(step, await placeAt(id), messageAt(id));
      if (both) tell(step, both);
      continue;
    }
    if (step.do === 'focus') about = step.field ?? about;
    await carryOut(step);
    const row = led.get(step.line)?.at(-1);
    about = row?.field ?? about;
    const place = await placeAt(about);
    focused = (await shownAt(place)).focused;
    if (!row) continue;
    const isAnswered = step.do === 'answer' || step.do === 'sent';
    const limit = soon(isAnswered);
    tell(step, await sameSoon(() => shownBoth(row, place), limit));
    const said = messageAt(row.field);
    if (!said) continue;
    const told = async () => [JSON.stringify(row.message ?? ''), JSON.stringify(await textOf(said))] as const;
    tell(step, await sameSoon(told, limit));
  }
  return apart;
}
