import { parseTape } from './parse-tape.ts';
import { type Miss, type Playable, play } from './play.ts';
import type { Row, TapeFault } from './script.ts';

/** A trial, as a document has it: a tape with at least one expectation (`docs/contract/tapes.md`). */
export interface Trial {
  readonly id: string;
  /** Its name; the title of its tape by default. */
  readonly name?: string;
  /** What it is for. */
  readonly why?: string;
  /** The text of the tape. */
  readonly tape: string;
}

/** The result of a trial. */
export interface Outcome {
  readonly id: string;
  /** The name of the trial, or the title of its tape. */
  readonly name: string;
  /** How many expectations it has. */
  readonly expected: number;
  /** The expectations that failed. */
  readonly misses: readonly Miss[];
  /** A row per action. */
  readonly rows: readonly Row[];
  /** Why it could not be played to its end, each with its place in the tape. */
  readonly faults: readonly TapeFault[];
}

/**
 * A trial as a tape file: its name, why it exists, then its lines.
 *
 * @example
 * const text = trialTape({ id: 'pass', name: 'A pass', tape: 'field pass\nexpect display "|"' });
 */
export function trialTape({ id, name, why, tape }: Trial): string {
  const title = name ?? id;
  const hasTitle = /^[ \t]*tape\s/m.test(tape);
  const reason = (why ?? '').split(/\r?\n/).flatMap((line) => (line.trim() ? [`# ${line.trim()}\n`] : []));
  return `${hasTitle ? '' : `tape ${JSON.stringify(title)}\n`}${reason.join('')}${tape.replace(/\s*$/, '')}\n`;
}

/**
 * Whether a trial was played and all its expectations were met.
 *
 * @example
 * holds(runTrial(compiledSet, { id: 'pass', tape: 'field pass\nexpect display "|"' }));
 */
export const holds = ({
  expected,
  misses,
  faults,
}: Pick<Outcome, 'expected' | 'misses' | 'faults'>): boolean =>
  expected > 0 && misses.length === 0 && faults.length === 0;

/**
 * Plays a trial on its set, on the day its tape names or on `clock` (ISO 8601). Faults of the tape are
 * returned, not thrown.
 *
 * @example
 * const { misses, faults } = runTrial(compiledSet, { id: 'pass', tape: 'field pass\ntype "12"' });
 */
export function runTrial(
  set: Playable,
  { id, name, tape: text }: Pick<Trial, 'id' | 'name' | 'tape'>,
  clock = '',
): Outcome {
  const none = { id, name: name ?? id, expected: 0, misses: [], rows: [], faults: [] };
  const result = parseTape(text);
  if (!result.ok) return { ...none, faults: result.faults };
  const { tape } = result;
  const expected = tape.steps.filter((step) => step.do === 'expect').length;
  const called = { ...none, name: name ?? tape.title, expected };
  const played = play(set, { ...tape, title: called.name }, clock);
  return 'message' in played ? { ...called, faults: [{ ...played, column: 1 }] } : { ...called, ...played };
}

/**
 * Plays the text of a tape on a set. Returns one line per expectation that was missed, with its place, what
 * was expected and what was found. `clock` (ISO 8601) is the day for tapes that name none.
 *
 * @example
 * trial(compiledSet, 'field pass\ntype "12"\nexpect raw "12"'); // []
 */
export function trial(set: Playable, text: string, clock = ''): readonly string[] {
  const { faults, misses } = runTrial(set, { id: '', tape: text }, clock);
  return [
    ...faults.map(({ line, column, message }) => `${line}:${column}: ${message}`),
    ...misses.map(
      ({ line, source, expected, found }) => `${line}: ${source}: expected ${expected}, found ${found}`,
    ),
  ];
}
