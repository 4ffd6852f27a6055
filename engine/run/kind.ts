import type { Reason } from './cells.ts';
import type { Edited } from './insert.ts';
import type { PatternBody } from './layout.ts';
import { pattern } from './pattern.ts';
import type { CompiledField, PatternPlan } from './plan.ts';

/** An edit of several characters: what came of it, and the letters and digits that found no place. */
export interface Taken extends Edited {
  readonly leftOut: string;
  /** Set only when nothing at all was taken. */
  readonly rejected: Reason | null;
}

export type Extent = 'character-left' | 'character-right' | 'word-left' | 'selection';

/**
 * What a kind of field must be able to do. `plan` is the compiled definition, `body` what the field holds;
 * offsets are UTF-16 units of the display. Everything is pure.
 */
export interface Kind<Plan, Body> {
  empty(plan: Plan): Body;
  display(plan: Plan, body: Body): string;
  content(plan: Plan, body: Body): string;
  raw(plan: Plan, body: Body): string;
  /** The typed value, `null` until complete and well-formed. */
  value(plan: Plan, body: Body): string | null;
  complete(plan: Plan, body: Body): boolean;
  /** Whether typing on could still add a character. */
  hasRoom(plan: Plan, body: Body): boolean;
  ghost(plan: Plan, body: Body): string;
  /** One character from the keyboard. A reason means: nothing changed. */
  key(plan: Plan, body: Body, start: number, end: number, character: string): Edited | Reason;
  /** A text at once: paste, drop, the end of a composition. */
  insert(plan: Plan, body: Body, start: number, end: number, text: string): Taken;
  /** A whole value from elsewhere: autofill, a program, the initial value. Takes raw values and displays. */
  read(plan: Plan, text: string): Taken;
  erase(plan: Plan, body: Body, start: number, end: number, extent: Extent): Edited;
  /** The body with the caret at the end of its content. */
  whole(plan: Plan, body: Body): Edited;
}

/** The kinds, by name: a new kind is its own file and a line here. */
const kinds = { pattern } as const;

export function kindOf(field: CompiledField): Kind<PatternPlan, PatternBody> {
  return kinds[field.plan.kind];
}
