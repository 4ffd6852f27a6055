/** Elements in the tab order. */
const reachable =
  'a[href], button:not(:disabled), input:not(:disabled), select:not(:disabled), textarea:not(:disabled), [tabindex="0"]';

/** What opens over the page and is removed when it closes. */
const overlay = '[role="dialog"], [role="alertdialog"], [role="menu"]';

/**
 * Keeps the focus on the page: if the focused element is removed (a deleted row or rule), the nearest
 * remaining element gets the focus, instead of the body, from where the next Tab would start over. After a
 * dialog or menu, it is the element that had the focus before. Returns a function that ends this.
 */
export function keepFocus(page: Document): () => void {
  /** The element that had the focus last, followed by its ancestors. */
  let path: readonly Element[] = [];
  /** The same of the last one that was not in a dialog or menu. */
  let below: readonly Element[] = [];
  const remember = (event: FocusEvent): void => {
    const all: Element[] = [];
    for (let at = event.target as Element | null; at; at = at.parentElement) all.push(at);
    path = all;
    if (!all[0]?.closest(overlay)) below = all;
  };
  const mend = (): void => {
    const [last] = path;
    if (!last || last.isConnected || page.activeElement !== page.body) return;
    const isOver = path.some((element) => element.matches(overlay));
    const around = (isOver ? below : path).find((element) => element.isConnected);
    const next = around?.matches(reachable) ? around : around?.querySelector(reachable);
    (next as HTMLElement | null | undefined)?.focus();
  };
  const observer = new MutationObserver(mend);
  page.addEventListener('focusin', remember);
  observer.observe(page.body, { childList: true, subtree: true });
  return () => {
    page.removeEventListener('focusin', remember);
    observer.disconnect();
  };
}
