import type { Plan } from './compiled.ts';
import type { FieldEvent } from './field-state.ts';
import type { HydratedField } from './kind.ts';
import type { TextState } from './text-state.ts';

/**
 * What fields that share a value exchange: the typed value, or raw where half a text already means something
 * (numbers). Empty without a value.
 *
 * @example
 * const text: string = sharedText(pass, start(pass).body);
 */
export const sharedText = <P extends Plan, B extends TextState>(
  { kind, plan }: Pick<HydratedField<P, B>, 'kind' | 'plan'>,
  body: NoInfer<B>,
): string => (kind.shares === 'raw' ? kind.raw(plan, body) : (kind.value(plan, body) ?? ''));

/**
 * The event that gives a field the value of another (`sharedText`); `undefined` if it has that value. A field
 * that cannot contain the value becomes empty.
 *
 * @example
 * const event = sharedEvent(pass, start(pass).body, 'RH-1234');
 */
export function sharedEvent<P extends Plan, B extends TextState>(
  field: Pick<HydratedField<P, B>, 'kind' | 'plan'>,
  body: NoInfer<B>,
  text: string,
): FieldEvent | undefined {
  if (sharedText(field, body) === text) return undefined;
  const { leftOut, rejected } = field.kind.parse(field.plan, text);
  return { type: 'set', text: leftOut || rejected ? '' : text };
}
