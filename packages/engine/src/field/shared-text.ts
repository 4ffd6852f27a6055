import type { Plan } from './compiled.ts';
import type { HydratedField } from './kind.ts';
import type { TextState } from './text-state.ts';

/**
 * What fields that share a value exchange: the typed value, or raw where half a text already means something
 * (numbers). Empty if there is no value.
 *
 * @example
 * const text: string = sharedText(pass, start(pass).body);
 */
export const sharedText = <P extends Plan, B extends TextState>(
  { kind, plan }: Pick<HydratedField<P, B>, 'kind' | 'plan'>,
  body: NoInfer<B>,
): string => (kind.shares === 'raw' ? kind.raw(plan, body) : (kind.value(plan, body) ?? ''));
