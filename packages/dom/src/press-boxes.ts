import type { FieldStore } from './store.ts';

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
