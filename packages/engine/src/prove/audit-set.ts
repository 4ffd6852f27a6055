import type { CheckTable } from '../checks/contract.ts';
import { compile, type RunCustomCode, withCustomCode } from '../document/compile.ts';
import type { SetDocument } from '../document/document.ts';
import type { KindTable } from '../kinds/contract/definition.ts';
import { auditField, type Counterexample, type Course } from './audit.ts';

/** What is audited, and how much. */
export interface Audit extends Course {
  /** Fields by id; all of them, where none is named. */
  readonly fields?: readonly string[];
  /** So many events a field, all threads together. */
  readonly events: number;
  /** Runs developers' code at once; without it shapes show what was typed, and their rules stay open. */
  readonly run?: RunCustomCode | undefined;
  /** Checks that do not come with this package. */
  readonly checks?: CheckTable;
}

/** How far the audit of a set has come since the last time it told. */
export interface Audited {
  readonly field: string;
  readonly events: number;
  readonly found?: Counterexample;
  /** This thread's share of the field is done. */
  readonly isDone: boolean;
}

/**
 * Runs the law check on the fields of a set, in turns, so that each had its part whenever it stops. `first`
 * and `every` name a share of the work. Throws `RangeError` for a document that `readDocument` would have
 * refused.
 *
 * @example
 * for (const { found } of auditSet(set, kinds, { seed: 1, events: 1000, today: '2027-02-10' })) if (found) break;
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
