import type { Reason } from './cells.ts';
import type { Finding } from './finding.ts';
import type { Check, CompiledField, Plan } from './plan.ts';
import type { FieldEvent, FieldState } from './state.ts';

/** What a field holds, whatever its kind. `display` follows from the rest alone (law 1). */
export interface Body {
  /** The characters the user contributed, in order. */
  readonly content: string;
  readonly display: string;
  /** Nothing is missing: what stands there is a whole value, right or wrong. */
  readonly complete: boolean;
  /** How a paste was read that could mean several things: `group .`, `decimal ,`, `order`, `code`. */
  readonly assumed?: string;
}

/** What an edit leads to: what the field then holds, and where the caret stands in its display. */
export interface Edited<B extends Body = Body> {
  readonly body: B;
  readonly caret: number;
}

/** An edit of several characters: what came of it, and the letters and digits that found no place. */
export interface Taken<B extends Body = Body> extends Edited<B> {
  readonly leftOut: string;
  /** Set only when nothing at all was taken. */
  readonly rejected: Reason | null;
}

export type Extent = 'character-left' | 'character-right' | 'word-left' | 'selection';

/**
 * What a kind of field must be able to do. `plan` is the compiled definition, `body` what the field holds;
 * offsets are UTF-16 units of the display. Everything is pure. What is optional, most kinds do without.
 */
export interface Kind<P = Plan, B extends Body = Body> {
  empty(plan: P): B;
  raw(plan: P, body: B): string;
  /** The typed value, `null` until complete and well-formed. */
  value(plan: P, body: B): string | null;
  /** Whether typing on could still add a character. */
  hasRoom(plan: P, body: B): boolean;
  /** One character from the keyboard. A reason means: nothing changed. */
  key(plan: P, body: B, start: number, end: number, character: string): Edited<B> | Reason;
  /** A text at once: paste, drop, the end of a composition. */
  insert(plan: P, body: B, start: number, end: number, text: string): Taken<B>;
  /** A whole value from the program, the initial value. Takes raw values first, then whatever a paste takes. */
  read(plan: P, text: string): Taken<B>;
  erase(plan: P, body: B, start: number, end: number, extent: Extent): Edited<B>;
  /** The body with the caret at the end of its content. */
  whole(plan: P, body: B): Edited<B>;
  /** The nearest offset where the caret may stand. */
  stand?(plan: P, body: B, offset: number): number;
  /** Carries out events for kinds with a resting text or steps: `around.ts`. */
  around?(field: CompiledField, state: FieldState, event: FieldEvent): FieldState;
  /** What leaving makes of the content: padded, tidied. Nothing a key would refuse, and done once it stays. */
  leave?(plan: P, body: B): B;
  /** The same content as it shows away from the focus. */
  rest?(plan: P, body: B): B;
  /** The same content as it shows while it is typed into. */
  wake?(plan: P, body: B): B;
  /** The up key (`by` 1) and the down key (-1); `undefined` where there is nothing to step. */
  step?(plan: P, body: B, caret: number, by: 1 | -1): Edited<B> | undefined;
  /** The kind's own answer to a check; `undefined` leaves it to `rules/checks.ts`. `today` is an ISO 8601 date. */
  judge?(plan: P, body: B, check: Check, today: string): Finding | undefined;
  /** What there is to tell of a value, by name: `weekday`, `week`. */
  facts?(plan: P, body: B): Readonly<Record<string, string>>;
}

const table: Record<string, Kind> = {};

/** Puts kinds at hand, by name. A page carries the kinds it puts in: `kinds.ts` has them all. */
export const addKinds = (kinds: Readonly<Record<string, Kind>>): void => {
  Object.assign(table, kinds);
};

let lastPlan: Plan | undefined;
let lastKind: Kind;

/** The kind of a field. Throws `RangeError` when it was never put in. The last answer is kept: fields are typed into one at a time. */
export function kindOf({ plan }: CompiledField): Kind {
  if (plan === lastPlan) return lastKind;
  const kind = table[plan.kind];
  if (!kind) throw new RangeError(`addKinds: ${plan.kind}`);
  lastPlan = plan;
  lastKind = kind;
  return kind;
}
