import type { CompiledField, Plan } from '../../field/compiled.ts';
import { namesOfUnused } from '../../field/unused-features.ts';
import type { Rule } from '../../rules/rule.ts';

/** Fields, as far as it decides what runs them. */
export type Fields = readonly Pick<CompiledField, 'plan' | 'rules'>[];

/** Whether a field has something, by the name under which its kind's code asks for it. */
export type Has<P extends Plan> = Readonly<Record<string, (plan: P, rules: readonly Rule[]) => boolean>>;

/** What of it none of some fields of the kind has. */
export const unusedAmong =
  <P extends Plan>(has: Has<P>) =>
  (fields: Fields): readonly string[] =>
    namesOfUnused(
      Object.fromEntries(
        Object.entries(has).map(([name, isIn]) => [
          name,
          // Plans of fields of the kind are the kind's own.
          fields.some(({ plan, rules }) => isIn(plan as unknown as P, rules)),
        ]),
      ),
    );
