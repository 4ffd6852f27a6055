import type { Spot } from '../faults/spot.ts';
import type { Definition } from '../kinds/contract/definition.ts';
import type { Schema } from '../options/schema.ts';
import type { Check } from '../rules/rule.ts';

/** A check as a document writes it. */
export interface CheckBase {
  readonly type: string;
}

/** One way to change a check, with what it is then. */
export type Mutation = readonly [words: string, instead: CheckBase];

/** A check as it runs. Of a check that documents do not know any type. */
export type CompiledOf<C extends CheckBase> = Extract<Check, { type: C['type'] }>;

/** All there is to a check but what it does: how it is read, described to other tools, compiled and broken on purpose. */
export interface CheckDefinition<C extends CheckBase> {
  readonly type: C['type'];
  /** Its members beside the type, in the order of the reference, each with whether it has to be given. */
  readonly members: { readonly [M in Exclude<keyof C, 'type'>]-?: 'needed' | 'optional' };
  /** Reports what is wrong with the members. `kind`: what is known of the field, where it is known. */
  read(at: Spot, kind: Definition | undefined): void;
  /** JSON Schema of all that can be said of it there; several where it has several shapes. */
  readonly schemas: readonly Schema[];
  /** What its message may name in `{…}` beside the label; `own`: what the code or the server brings, only they know. */
  readonly data: readonly string[] | 'own';
  /** The members that the forms of a message can go by. */
  readonly numbers?: readonly (keyof C & string)[];
  /** Ready to run. */
  compile(check: C, kind: Definition): CompiledOf<C>;
  /** Every sensible way to break it. */
  mutations(check: C): readonly (readonly [words: string, instead: CheckBase])[];
}

/** A definition with its own type of check. */
export const define = <C extends CheckBase>(definition: CheckDefinition<C>): CheckDefinition<C> => definition;
