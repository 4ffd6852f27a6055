import { apply, start } from '../field/apply.ts';
import type { FieldState } from '../field/field-state.ts';
import type { HydratedField } from '../field/kind.ts';
import { marked } from '../tape/marked.ts';
import { parseTape } from '../tape/parse-tape.ts';
import { audit, type Counterexample, eventsOf } from './audit.ts';
import { subjectWith } from './law-subject.ts';
import { type Formatter, pastedField, type Wiring } from './pasted.ts';

/** The result of the law check of a function. */
export interface PastedAudit {
  readonly events: number;
  /** For each broken law the shortest tape that was found. */
  readonly found: readonly Counterexample[];
}

/** Contents that formatters are made for. */
const texts = [
  '1234567890',
  '0770090012',
  '12345678901234567890',
  '1234.56',
  '1,234',
  '-12',
  '14/02/2027',
  'AB12CD',
  'name',
];
const own = [...'1234567890'];

/** Fewest events per tape on average for a function worth testing further. */
const fewest = 10;

/** How long a function is tested. */
export interface PastedCourse {
  readonly seed: number;
  readonly events: number;
  /** Called with the number of events played so far. */
  readonly onStep?: (events: number) => void;
}

/**
 * Runs the law check on a formatting function, wired to a plain input. Each broken law comes with its
 * shortest tape.
 *
 * @example
 * const { events, found } = auditPasted((text) => text.toUpperCase(), 'count', { seed: 1, events: 1000 });
 */
export function auditPasted(
  format: Formatter,
  wiring: Wiring,
  { seed, events: most, onStep }: PastedCourse,
): PastedAudit {
  const { field, exemptions } = pastedField('theirs', format, wiring);
  const found: Counterexample[] = [];
  let [events, tapes] = [0, 0];
  const matter = { own, texts, characters: [...own, ...'aZ-./, '] };
  for (const step of audit(subjectWith(field, exemptions, ''), matter, { seed, today: '' })) {
    events += step.events;
    tapes += step.tapes;
    if (step.found) found.push(step.found);
    onStep?.(events);
    // A tape ends where the function throws; a function that always throws has few events.
    if (events >= most || tapes * fewest >= most) break;
  }
  return { events, found: found.sort((a, b) => a.law - b.law) };
}

/**
 * What a field shows after each line of a tape, with its caret drawn in, or what it throws. Empty if the
 * tape has faults.
 *
 * @example
 * shownAlong(pass, ['type "12"', 'backspace']);
 */
export function shownAlong(field: HydratedField, lines: readonly string[]): readonly string[] {
  const read = parseTape(`field ${field.id}\n${lines.join('\n')}\n`);
  if (!read.ok) return [];
  const shown: string[] = [];
  let state: FieldState = start(field);
  for (const step of read.tape.steps) {
    if (step.do === 'expect') continue;
    try {
      for (const event of eventsOf(step, state, field)) state = apply(field, state, event);
      shown.push(marked(state.body.display, [state.start, state.end]));
    } catch (error) {
      shown.push(String(error));
    }
  }
  return shown;
}
