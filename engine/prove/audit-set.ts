import { compile } from '../document/compile.ts';
import type { SetDocument } from '../document/document.ts';
import type { KindTable } from '../kinds/definition.ts';
import { audit, type Counterexample, type Course } from './audit.ts';

/** What is audited, and how much. */
export interface Audit extends Course {
  /** Fields by id; all of them, where none is named. */
  readonly fields?: readonly string[];
  /** So many events a field, all threads together. */
  readonly events: number;
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
 * Audits the fields of a set, one after the other; or that share of it which `first` and `every` name. Between two steps it may be left off. Throws
 * `RangeError` for a document that `readDocument` would have refused.
 */
export function* auditSet(document: SetDocument, kinds: KindTable, wanted: Audit): Generator<Audited> {
  const { fields = document.fields.map(({ id }) => id), events: most, every = 1 } = wanted;
  const share = Math.ceil(most / every);
  for (const field of compile(document, kinds).fields) {
    if (!fields.includes(field.id)) continue;
    let events = 0;
    for (const step of audit(field, kinds, wanted)) {
      events += step.events;
      const isDone = events >= share;
      const { found } = step;
      yield { field: field.id, events: step.events, isDone, ...(found ? { found } : {}) };
      if (isDone) break;
    }
  }
}

/** What threads found, together: of each law of a field what the first tape showed that any of them played. */
export function together(found: readonly Counterexample[]): readonly Counterexample[] {
  const first = new Map<Counterexample['law'], Counterexample>();
  for (const one of found) {
    const known = first.get(one.law);
    if (!known || one.at < known.at) first.set(one.law, one);
  }
  return [...first.values()].sort((a, b) => a.law - b.law);
}
