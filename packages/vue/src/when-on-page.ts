import { getCurrentInstance, nextTick, onMounted } from 'vue';

/**
 * A ref function that binds an element, and unbinds it when it is removed or replaced. Vue calls a ref after
 * every render, usually with the same element, and at first before the element is in the document. What a
 * binding listens to around the element, such as its form, is only there then.
 *
 * @example
 * const tie = whenOnPage((element) => bindSomething(element));
 */
export function whenOnPage(bind: (element: unknown) => (() => void) | undefined): (element: unknown) => void {
  let wanted: unknown = null;
  let bound: unknown = null;
  let letGo: (() => void) | undefined;
  const settle = (): void => {
    if (bound === wanted) return;
    letGo?.();
    bound = wanted;
    letGo = bind(wanted);
  };
  if (getCurrentInstance()) onMounted(settle);
  return (element) => {
    wanted = element;
    const isLater = element instanceof Element && element !== bound && !element.isConnected;
    // Of a component that is mounted already, everything is in the document after the render.
    if (isLater) nextTick(settle);
    else settle();
  };
}
