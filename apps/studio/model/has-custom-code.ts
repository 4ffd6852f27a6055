import type { HydratedField } from '@arbeit/engine/field';

/** Whether something of a field is the developer's own code: its shape, or a rule. */
export const hasCustomCode = ({ kind, rules }: Pick<HydratedField, 'kind' | 'rules'>): boolean =>
  kind.withFormat !== undefined || rules.some(({ check }) => check.type === 'custom');
