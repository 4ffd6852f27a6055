import type { HydratedField } from '@arbeit/engine/field';
import type { FieldStore } from './store.ts';

/** One box of a code as it is drawn. */
export interface Box {
  /** Its character, a dot if the code is concealed; empty while there is none. */
  readonly text: string;
  /** Whether the next character goes here. */
  readonly isActive: boolean;
  readonly isSelected: boolean;
}

/** The sizes of the groups of boxes a field is drawn with; empty for other fields. */
export const groupsOf = ({ kind, plan }: Pick<HydratedField, 'kind' | 'plan'>): readonly number[] =>
  kind.control === 'boxes' ? ((plan as { readonly groups?: readonly number[] }).groups ?? []) : [];

/**
 * The boxes of a code in its groups, as they are now. They are drawn under one real input: keyboard, paste,
 * autofill and screen readers meet the input.
 *
 * @example
 * const [first] = boxesOf(store, true);
 */
export function boxesOf(
  { field, state }: Pick<FieldStore, 'field' | 'state'>,
  isConcealed: boolean,
): readonly (readonly Box[])[] {
  const groups = groupsOf(field);
  const { body, start, end, focused } = state();
  const count = groups.reduce((sum, size) => sum + size, 0);
  const active = Math.min(start, count - 1);
  let at = 0;
  return groups.map((size) =>
    Array.from({ length: size }, () => {
      const index = at++;
      const c = body.content[index];
      return {
        text: c === undefined ? '' : isConcealed ? '•' : c,
        isActive: focused && index === active,
        isSelected: focused && index >= start && index < end,
      };
    }),
  );
}
