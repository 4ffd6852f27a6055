import type { OpenField } from '@arbeit/engine/field';

/** Whether something of a field is the developer's own code: its shape, or a rule. */
export const hasOwnCode = ({ kind, rules }: Pick<OpenField, 'kind' | 'rules'>): boolean =>
  kind.withShape !== undefined || rules.some(({ check }) => check.type === 'custom');
