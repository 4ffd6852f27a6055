import { DragDropManager, StyleInjector } from '@dnd-kit/dom';
import { isSortable, Sortable } from '@dnd-kit/dom/sortable';

/**
 * Makes the elements of a list that have `data-sort` sortable: by pointer, by touch, and with the keyboard on
 * their handle (`data-handle`), where Space picks up and drops. `onMove` receives the id and the new index
 * after the drop. Returns a function that ends this.
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
