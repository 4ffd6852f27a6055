import type { CompiledField, Plan } from '../field/compiled.ts';
import type { Rule } from '../rules/rule.ts';

/** Whether a field has something, by the name under which its kind's code asks for it. */
export type Has<P extends Plan> = Readonly<Record<string, (plan: P, rules: readonly Rule[]) => boolean>>;

/** What of it none of some fields has. */
export const lacking =
  <P extends Plan>(has: Has<P>) =>
  (fields: readonly Pick<CompiledField<P>, 'plan' | 'rules'>[]): readonly string[] =>
    Object.keys(has).filter((name) => !fields.some(({ plan, rules }) => has[name]?.(plan, rules)));
