import { existsSync } from 'node:fs';
import { type CompiledSet, fieldIdsOf, type SetDocument } from '@arbeit/engine/document';
import { type Said, say } from '@arbeit/engine/faults';
import { byHand, type Hand, hands, parseTape, play, type Tape, trialTape } from '@arbeit/engine/tape';
import type { Browser, Page } from 'playwright-core';
import { today } from './clock.ts';
import { withSet } from './custom-code.ts';
import { drivenTape } from './drive-tape.ts';
import { load, loadDocument } from './files.ts';
import { askedPaths, holdServers } from './page-servers.ts';
import { type Output, report } from './report.ts';
import { cliTexts } from './words.ts';

/** Options of `arbeit drive`. */
export interface DriveOptions {
  readonly url: string | undefined;
  /** `id=selector`, one per field. */
  readonly fields: readonly string[];
  /** `id=selector` of the element with a field's message. */
  readonly messages: readonly string[];
  readonly hands: readonly string[];
  /** Path of a browser; searched if left out. */
  readonly browser: string | undefined;
  /** The path the page sends its forms to. */
  readonly record: string | undefined;
  readonly output: Output;
}

/** A tape to drive, with its name in reports. */
interface Driving {
  readonly name: string;
  readonly tape: Tape;
}

const chromiums = [
  '/usr/bin/chromium',
  '/usr/bin/chromium-browser',
  '/usr/bin/google-chrome',
  '/usr/bin/chromium-headless-shell',
] as const;
/** Flags for running without a monitor, and as root in a container. */
const flags = ['--no-sandbox', '--disable-gpu', '--no-first-run', '--disable-background-networking'];

/** Pairs of a field and a selector. Reports arguments that are not pairs. */
function pairs(
  flag: string,
  texts: readonly string[],
  output: Output,
): ReadonlyMap<string, string> | undefined {
  const all = new Map<string, string>();
  for (const text of texts) {
    const at = text.indexOf('=');
    if (at < 1 || at === text.length - 1) {
      report(output, '', say(cliTexts, 'not-a-pair', { option: flag, found: text }));
      return undefined;
    }
    all.set(text.slice(0, at), text.slice(at + 1));
  }
  return all;
}

/** The tapes of files: of a document its trials, unless tapes are named too. */
function loaded(
  files: readonly string[],
  output: Output,
): { readonly document: SetDocument | undefined; readonly all: readonly Driving[] } | undefined {
  let document: SetDocument | undefined;
  const all: Driving[] = [];
  const add = (name: string, text: string): boolean => {
    const read = parseTape(text);
    if (read.ok) all.push({ name: read.tape.title || name, tape: read.tape });
    else for (const fault of read.faults) report(output, `${name}:${fault.line}:${fault.column}`, fault);
    return read.ok;
  };
  for (const file of files) {
    if (/\.json$/.test(file)) {
      document = loadDocument(file, output);
      if (!document) return undefined;
      continue;
    }
    const text = load(file, output);
    if (text === undefined || !add(file, text)) return undefined;
  }
  if (all.length === 0 && document)
    for (const trial of document.trials ?? []) if (!add(trial.id, trialTape(trial))) return undefined;
  if (all.length === 0) {
    report(output, '', say(cliTexts, 'no-tapes'));
    return undefined;
  }
  return { document, all };
}

/**
 * `arbeit drive`. Types tapes with real keys into a page and compares each step with the document's
 * definition or with the tape's expectations. Returns the exit code: 0 all equal, 1 something differs, 2 a
 * file, page, field or browser is missing.
 */
export async function drivePage(files: readonly string[], wanted: DriveOptions): Promise<number> {
  const { url, output } = wanted;
  const fields = pairs('field', wanted.fields, output);
  const messages = pairs('message', wanted.messages, output);
  const known = loaded(files, output);
  if (!fields || !messages || !known) return 2;
  const by = wanted.hands.length > 0 ? wanted.hands : ['keys'];
  const odd = by.filter((hand) => !(hands as readonly string[]).includes(hand));
  for (const hand of odd)
    report(output, '', say(cliTexts, 'unknown-hand', { name: hand, known: hands.join(', ') }));
  if (url === undefined)
    report(output, '', say(cliTexts, 'missing-option', { option: 'url', value: '<page>' }));
  if (odd.length > 0 || url === undefined) return 2;
  const browser = await launched(wanted.browser, output);
  if (!browser) return 2;
  const set = known.document && (await withSet(known.document, (ready) => ready));
  const asked = askedPaths(known.document);
  const course: Course = {
    url,
    record: wanted.record,
    browser,
    set,
    asked,
    fields,
    messages,
    clock: today(),
  };
  const count = { same: 0, apart: 0, left: 0 };
  try {
    for (const { name, tape } of known.all)
      for (const hand of by as readonly Hand[]) {
        const said = by.length > 1 ? `${name}, by ${hand}` : name;
        const apart = await driven(course, tape, hand, fieldsOf(tape, known.document));
        if (typeof apart === 'string') {
          count.left++;
          output.out(`skipped ${said}: ${apart}`);
          continue;
        }
        count[apart.length > 0 ? 'apart' : 'same']++;
        output.out(`${apart.length > 0 ? 'DIFFERS' : 'matches'} ${said}`);
        for (const line of apart) output.out(`  ${line}`);
      }
  } catch (error) {
    report(output, url, say(cliTexts, 'page-failed', { reason: firstLine(error) }));
    return 2;
  } finally {
    await browser.close();
  }
  output.out(
    `${count.same} of ${count.same + count.apart} ${count.same + count.apart === 1 ? 'tape matches' : 'tapes match'}${count.left ? `; ${count.left} skipped` : ''}`,
  );
  return count.apart > 0 ? 1 : count.same > 0 ? 0 : 2;
}

/** What all tapes are driven with. */
interface Course {
  readonly url: string;
  readonly record: string | undefined;
  readonly browser: Browser;
  readonly set: CompiledSet | undefined;
  /** Paths that the page asks, by rule. */
  readonly asked: ReadonlyMap<string, string>;
  readonly fields: ReadonlyMap<string, string>;
  readonly messages: ReadonlyMap<string, string>;
  readonly clock: string;
}

/** Why a tape cannot be driven, known before a page is opened. `about` are its fields. */
function hindrance(
  { asked, record, fields }: Course,
  { steps }: Tape,
  about: readonly string[],
): Said | undefined {
  const lacking = about.filter((id) => !fields.has(id));
  if (lacking.length > 0) return say(cliTexts, 'no-selector', { fields: lacking.join(', ') });
  if (steps.some((step) => step.do === 'answer' && !asked.has(step.rule)))
    return say(cliTexts, 'no-answer-url');
  if (record === undefined && steps.some((step) => step.do === 'sent'))
    return say(cliTexts, 'no-record-path');
  return undefined;
}

/** Drives one tape by one hand on a new page. Resolves to its differences, or to why it cannot be driven. */
async function driven(
  course: Course,
  tape: Tape,
  hand: Hand,
  about: readonly string[],
): Promise<readonly string[] | string> {
  const { url, record, browser, set, asked, fields, messages, clock } = course;
  const cannot = hindrance(course, tape, about);
  if (cannot !== undefined) return cannot.message;
  const played = set && play(set, byHand(set, tape, hand, clock), clock);
  if (played && 'message' in played) return played.message;
  const page = await opened(browser, tape.today ?? clock);
  const servers = await holdServers(page, asked, record);
  await page.goto(url);
  const [first = ''] = about;
  const apart = await drivenTape({ page, tape, hand, first, fields, messages, servers, rows: played?.rows });
  await page.context().close();
  return apart;
}

/** A browser, or `undefined` after reporting that there is none. */
async function launched(program: string | undefined, output: Output): Promise<Browser | undefined> {
  const core = await import('playwright-core').catch(() => undefined);
  if (!core) {
    report(output, '', say(cliTexts, 'no-playwright'));
    return undefined;
  }
  const named = program ?? process.env.ARBEIT_CHROMIUM ?? chromiums.find((path) => existsSync(path));
  try {
    return await core.chromium.launch({
      args: flags,
      ...(named === undefined ? {} : { executablePath: named }),
    });
  } catch (error) {
    const program = named ?? 'chromium';
    report(output, '', say(cliTexts, 'no-browser', { program, reason: firstLine(error) }));
    return undefined;
  }
}

const firstLine = (error: unknown): string => String((error as Error).message).split('\n')[0] ?? '';

/** A new page on the day of the tape. */
async function opened(browser: Browser, day: string): Promise<Page> {
  const context = await browser.newContext({ permissions: ['clipboard-read', 'clipboard-write'] });
  const page = await context.newPage();
  await page.clock.setFixedTime(new Date(`${day}T12:00:00`));
  return page;
}

/** Ids of the fields a tape is about, the first one first. */
function fieldsOf({ target, steps }: Tape, document: SetDocument | undefined): readonly string[] {
  const named = steps.flatMap((step) => ('field' in step && step.field !== undefined ? [step.field] : []));
  if (target.type === 'field') return [...new Set([target.id, ...named])];
  const form = document?.forms?.find(({ id }) => id === target.id);
  return [...new Set([...(form ? fieldIdsOf(form).slice(0, 1) : []), ...named])];
}
