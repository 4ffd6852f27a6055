import { DragDropManager, StyleInjector } from '@dnd-kit/dom';
import { isSortable, Sortable } from '@dnd-kit/dom/sortable';

/**
 * Lets the elements of a list that have `data-sort` be put in another order: by pointer, by touch, and by
 * keyboard from their handle (`data-handle`), space to take up and to put down. `onMove` is told the id and
 * the new place once it is put down. Returns the way to let go.
 */
export function sortable(list: HTMLElement, onMove: (id: string, to: number) => void): () => void {
  const { nonce = '' } = document.querySelector<HTMLScriptElement>('script[nonce]') ?? {};
  const manager = new DragDropManager({
    plugins: (usual) => [...usual, StyleInjector.configure({ nonce })],
  });
  const items = [...list.querySelectorAll<HTMLElement>('[data-sort]')].map((element, index) => {
    const handle = element.querySelector<HTMLElement>('[data-handle]') ?? undefined;
    const id = element.dataset.sort ?? '';
    return new Sortable({ id, index, element, ...(handle ? { handle } : {}) }, manager);
  });
  manager.monitor.addEventListener('dragstart', () => {
    list.dataset.sorting = '';
  });
  manager.monitor.addEventListener('dragend', ({ canceled, operation: { source } }) => {
    delete list.dataset.sorting;
    if (canceled || !isSortable(source) || source.index === source.initialIndex) return;
    onMove(String(source.id), source.index);
  });
  return () => {
    for (const item of items) item.destroy();
    manager.destroy();
  };
}
