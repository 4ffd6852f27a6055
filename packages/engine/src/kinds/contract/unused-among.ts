import type { CompiledField, Plan } from '../../field/compiled.ts';
import { namesOfUnused } from '../../field/unused-features.ts';
import type { Rule } from '../../rules/rule.ts';

/** The members of fields that decide which code they need. */
export type Fields = readonly Pick<CompiledField, 'plan' | 'rules'>[];

/** Whether a field uses a feature, by feature name. */
export type Has<P extends Plan> = Readonly<Record<string, (plan: P, rules: readonly Rule[]) => boolean>>;

/** The features that none of some fields of a kind uses. */
export const unusedAmong =
  <P extends Plan>(has: Has<P>) =>
  (fields: Fields): readonly string[] =>
    namesOfUnused(
      Object.fromEntries(
        Object.entries(has).map(([name, isIn]) => [
          name,
          // Fields of the kind have the kind's own plan.
          fields.some(({ plan, rules }) => isIn(plan as unknown as P, rules)),
        ]),
      ),
    );
