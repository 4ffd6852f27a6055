/**
 * Definitions for the elements of one tag. A tag is defined once per page, but a page may have several
 * hand-offs, each with its own run-time: the first defines the tag, the others add their sources.
 */
export interface Sources<S> {
  readonly all: readonly S[];
  /** Adds a source and notifies elements that wait for one. */
  add(source: S): void;
  /** Calls `listener` when a source is added. Returns a function that stops. */
  watch(listener: () => void): () => void;
}

/** Key of the sources on the class of a tag, so that other hand-offs find them. */
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
 * Defines a tag with a source, or adds the source to those of the hand-off that has defined it. Throws
 * `NotSupportedError` (`DOMException`) for a tag that somebody else has defined.
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
 * Calls `find` again with each source that is added until it succeeds. If it is still missing when the page
 * has loaded, an error goes to the console. Returns a function that stops.
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
