import type { Cursor } from '../faults/cursor.ts';
import type { Definition } from '../kinds/contract/definition.ts';
import type { CheckOptions, EntryOf } from '../options/option.ts';
import type { Schema } from '../options/schema.ts';

/** A check as a document writes it. */
export interface CheckBase {
  readonly type: string;
}

/** One way to change a check, with what it is then. */
export type Mutation = readonly [words: string, instead: CheckBase];

/** All there is to a check but what it does (`run.ts`) and how it is made ready for that (`compile.ts`): how it is read, described to other tools, edited and broken on purpose. */
export interface CheckDefinition<C extends CheckBase> {
  readonly type: C['type'];
  /** Its members as data: their type, the reader, the JSON Schema and the editor of the desk come from it. */
  readonly options: CheckOptions;
  /** Reports what no member says by itself: limits, members against each other. `kind`: what is known of the field, where it is known. */
  read?(at: Cursor, kind: Definition | undefined): void;
  /** What a schema can say of members against each other. */
  readonly rest?: Schema;
  /** What its message may name in `{…}` beside the label; `own`: what the code or the server brings, only they know. */
  readonly data: readonly string[] | 'own';
  /** The members that the forms of a message can go by. */
  readonly numbers?: readonly string[];
  /** Every sensible way to break it. */
  mutations(check: C): readonly Mutation[];
}

/** The check that a definition is of. */
export type CheckOf<T extends string, O extends CheckOptions> = { readonly type: T } & EntryOf<O>;

/** A definition whose check has the type of its options. */
export const define = <const T extends string, const O extends CheckOptions>(
  definition: Omit<CheckDefinition<CheckOf<T, O>>, 'type' | 'options'> & {
    readonly type: T;
    readonly options: O;
  },
): CheckDefinition<CheckOf<T, O>> & { readonly options: O } =>
  definition as CheckDefinition<CheckOf<T, O>> & { readonly options: O };
