/** What one can get to by the tab key. */
const reachable =
  'a[href], button:not(:disabled), input:not(:disabled), select:not(:disabled), textarea:not(:disabled), [tabindex="0"]';

/**
 * Keeps the focus on the page: when what has it is taken away (a row deleted, a rule taken out), it goes to
 * what is left nearest to there, and never falls to the body, from where the next tab would begin anew.
 * Returns the way to stop.
 */
export function keepFocus(page: Document): () => void {
  /** What had the focus last, and what it stood in, from the inside out. */
  let path: readonly Element[] = [];
  const remember = (event: FocusEvent): void => {
    const all: Element[] = [];
    for (let at = event.target as Element | null; at; at = at.parentElement) all.push(at);
    path = all;
  };
  const mend = (): void => {
    const [last] = path;
    if (!last || last.isConnected || page.activeElement !== page.body) return;
    const around = path.find((element) => element.isConnected);
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
