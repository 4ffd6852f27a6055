import type { CheckTable } from '../checks/contract.ts';
import { compile, type RunCustomCode, withCustomCode } from '../document/compile.ts';
import type { SetDocument } from '../document/document.ts';
import type { KindTable } from '../kinds/contract/definition.ts';
import { auditField, type Counterexample, type Course } from './audit.ts';

/** Options of a law check. */
export interface Audit extends Course {
  /** Field ids; all fields if left out. */
  readonly fields?: readonly string[];
  /** Number of events per field, all threads together. */
  readonly events: number;
  /** Runs developers' code; without it custom formats show what was typed and their rules stay open. */
  readonly run?: RunCustomCode | undefined;
  /** Checks that do not come with this package. */
  readonly checks?: CheckTable;
}

/** A progress report of a law check. */
export interface Audited {
  readonly field: string;
  readonly events: number;
  readonly found?: Counterexample;
  /** Whether this thread has finished its share of the field. */
  readonly isDone: boolean;
}

/**
 * Runs the law check on the fields of a set, in turns, so that each had its part whenever it stops. `first`
 * and `every` name a share of the work. Throws `RangeError` for a document that `readDocument` would have
 * refused.
 *
 * @example
 * for (const { found } of auditSet(set, kinds, { seed: 1, events: 1000, today: '2027-02-10' }))
 *   if (found) break;
 */
export function* auditSet(document: SetDocument, kinds: KindTable, wanted: Audit): Generator<Audited> {
  const { fields = document.fields.map(({ id }) => id), events: most, every = 1, run, checks } = wanted;
  const share = most / every;
  const compiled = compile(document, kinds, undefined, checks);
  let open = (run ? withCustomCode(compiled, run) : compiled).fields
    .filter(({ id }) => fields.includes(id))
    .map((field) => ({ id: field.id, steps: auditField(field, kinds, wanted), events: 0 }));
  while (open.length > 0) {
    for (const one of open) {
      const { events, found } = one.steps.next().value;
      one.events += events;
      yield { field: one.id, events, isDone: one.events >= share, ...(found ? { found } : {}) };
    }
    open = open.filter(({ events }) => events < share);
  }
}

/**
 * The findings of several threads as one list: per law of a field, the one of the first tape.
 *
 * @example
 * const all = together([]);
 */
export function together(found: readonly Counterexample[]): readonly Counterexample[] {
  const first = new Map<Counterexample['law'], Counterexample>();
  for (const one of found) {
    const known = first.get(one.law);
    if (!known || one.at < known.at) first.set(one.law, one);
  }
  return [...first.values()].sort((a, b) => a.law - b.law);
}
