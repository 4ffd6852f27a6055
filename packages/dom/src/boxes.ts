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

/**
 * Lets presses on the input over the boxes of a code choose a box: the nearest one gets the caret, at most
 * the first empty one. A filled box is selected, so that typing replaces it; dragging selects all boxes on
 * the way. Boxes are the elements with `data-box` beside the input. Returns a function that stops.
 *
 * @example
 * const stop = pressBoxes(input, store);
 */
export function pressBoxes(input: HTMLInputElement, { state }: Pick<FieldStore, 'state'>): () => void {
  const release = new AbortController();
  const { signal } = release;
  let pressed: number | null = null;
  const filled = (): number => state().body.content.length;
  const drawn = (): readonly Element[] => [...(input.parentElement?.querySelectorAll('[data-box]') ?? [])];
  const boxAt = ({ clientX }: PointerEvent): number => {
    const distances = drawn().map((box) => {
      const { left, right } = box.getBoundingClientRect();
      return Math.abs((left + right) / 2 - clientX);
    });
    return Math.min(distances.indexOf(Math.min(...distances)), filled());
  };
  input.addEventListener(
    'pointerdown',
    (event) => {
      // Without boxes it is an input like any other.
      if (drawn().length === 0) return;
      pressed = boxAt(event);
      input.setPointerCapture(event.pointerId);
      input.focus();
      input.setSelectionRange(pressed, Math.min(pressed + 1, filled()));
    },
    { signal },
  );
  input.addEventListener(
    'pointermove',
    (event) => {
      if (pressed === null) return;
      const at = boxAt(event);
      input.setSelectionRange(Math.min(pressed, at), Math.min(Math.max(pressed, at) + 1, filled()));
    },
    { signal },
  );
  for (const type of ['pointerup', 'pointercancel'])
    input.addEventListener(
      type,
      () => {
        pressed = null;
      },
      { signal },
    );
  // The text under the boxes has another layout, so its own selection would be another one.
  input.addEventListener('mousedown', (event) => drawn().length > 0 && event.preventDefault(), { signal });
  return () => release.abort();
}
