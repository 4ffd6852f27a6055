/**
 * Where the elements of one tag get their definitions and what runs them. A tag is defined once on a page, but a page may have several hand-offs,
 * each with a run-time of its own: the first defines the tag, the others add themselves to it.
 */
export interface Sources<S> {
  readonly all: readonly S[];
  /** Adds a source, and tells the elements that wait for one. */
  add(source: S): void;
  /** Calls back when a source comes. Returns the way to stop. */
  watch(listener: () => void): () => void;
}

/** A tag's class with its sources: another hand-off finds them by this name. */
const name = Symbol.for('arbeit.sources');

function sourcesWith<S>(first: S): Sources<S> {
  const all = [first];
  const listeners = new Set<() => void>();
  return {
    all,
    add(source) {
      all.push(source);
      for (const listener of [...listeners]) listener();
    },
    watch(listener) {
      listeners.add(listener);
      return () => {
        listeners.delete(listener);
      };
    },
  };
}

/**
 * Defines a tag with a source, or adds the source to those of the hand-off that has defined it. Throws `NotSupportedError` (`DOMException`) for a tag
 * that somebody else has defined.
 *
 * @example defineWith('arbeit-field', source, fieldElementClass);
 */
export function defineWith<S>(
  tag: string,
  source: S,
  made: (sources: Sources<S>) => CustomElementConstructor,
): void {
  const known = (customElements.get(tag) as { readonly [name]?: Sources<S> } | undefined)?.[name];
  if (known) {
    known.add(source);
    return;
  }
  const sources = sourcesWith(source);
  customElements.define(tag, Object.assign(made(sources), { [name]: sources }));
}

/**
 * Tries again with each source that another hand-off brings, until it is found. What is still missing once everything that may bring it has loaded is
 * reported on the console. Returns the way to stop.
 */
export function waitFor<S>(
  sources: Sources<S>,
  page: Document,
  find: () => void,
  message: () => string | undefined,
): () => void {
  const report = (): void => {
    const text = message();
    if (text) reportError(new RangeError(text));
  };
  const letGo = sources.watch(find);
  const view = page.defaultView;
  const timer = page.readyState === 'complete' ? setTimeout(report) : undefined;
  if (timer === undefined) view?.addEventListener('load', report, { once: true });
  return () => {
    letGo();
    clearTimeout(timer);
    view?.removeEventListener('load', report);
  };
}
