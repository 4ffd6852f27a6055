import { DragDropManager, Draggable, Droppable, Feedback, StyleInjector } from '@dnd-kit/dom';

/**
 * Makes the elements with `data-sort` inside an element draggable by their handle (`data-handle`) onto each
 * other, wherever each is: by pointer, by touch, and with the keyboard, where Space picks up and drops. The
 * element under the pointer has `data-drop`. The page moves nothing until the drop, when `onMove` receives
 * the id and the index of the element dropped on. Returns a function that ends this.
 */
export function arrangeable(
  inside: HTMLElement,
  onMove: (id: string, to: number) => void,
  indexOf: (id: string) => number,
): () => void {
  const { nonce = '' } = document.querySelector<HTMLScriptElement>('script[nonce]') ?? {};
  const manager = new DragDropManager({
    plugins: (usual) => [
      ...usual,
      StyleInjector.configure({ nonce }),
      Feedback.configure({ feedback: 'clone', dropAnimation: null }),
    ],
  });
  const all = [...inside.querySelectorAll<HTMLElement>('[data-sort]')].flatMap((element) => {
    const id = element.dataset.sort ?? '';
    const handle = element.querySelector<HTMLElement>('[data-handle]') ?? undefined;
    return [
      new Draggable({ id, element, ...(handle ? { handle } : {}) }, manager),
      new Droppable({ id, element }, manager),
    ];
  });
  const mark = (wanted?: Element) => {
    for (const one of inside.querySelectorAll('[data-drop]'))
      if (one !== wanted) one.removeAttribute('data-drop');
    wanted?.setAttribute('data-drop', '');
  };
  manager.monitor.addEventListener('dragstart', () => {
    inside.dataset.sorting = '';
  });
  manager.monitor.addEventListener('dragover', ({ operation: { source, target } }) =>
    mark(target && target.id !== source?.id ? (target.element as Element | undefined) : undefined),
  );
  manager.monitor.addEventListener('dragend', ({ canceled, operation: { source, target } }) => {
    delete inside.dataset.sorting;
    mark();
    if (canceled || !source || !target || source.id === target.id) return;
    onMove(String(source.id), indexOf(String(target.id)));
  });
  return () => {
    mark();
    for (const one of all) one.destroy();
    manager.destroy();
  };
}
