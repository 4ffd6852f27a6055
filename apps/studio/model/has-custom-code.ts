import type { HydratedField } from '@arbeit/engine/field';

/** Whether a field contains the developer's code: its format, or a rule. */
export const hasCustomCode = ({ kind, rules }: Pick<HydratedField, 'kind' | 'rules'>): boolean =>
  kind.withFormat !== undefined || rules.some(({ check }) => check.type === 'custom');
