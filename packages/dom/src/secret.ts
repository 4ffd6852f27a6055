import { conceals, type HydratedField } from '@arbeit/engine/field';

/**
 * Whether a field conceals what is typed into it, even while it is revealed.
 *
 * @example
 * isConcealed(pass); // false
 */
export const isConcealed = ({ plan }: Pick<HydratedField, 'plan'>): boolean => conceals(plan);
