import type { TextControl } from './text-control.ts';

type Control = TextControl | HTMLSelectElement;
type Checked = Control | HTMLFormElement;

/** Number of bindings per control or form, and whether it is being asked at the moment. */
const asked = new WeakMap<Checked, { count: number; isAsking: boolean }>();

/**
 * Distinguishes a program's `checkValidity()` from a submit: both make the browser send `invalid`, and only a
 * submit may show messages. The browser does not say which it is, so the method of this element is wrapped
 * while it is bound. Returns a function that unwraps it.
 */
export function watchAsking(element: Checked): () => void {
  let watch = asked.get(element);
  if (!watch) {
    const own = { count: 0, isAsking: false };
    watch = own;
    asked.set(element, own);
    const native = Object.getPrototypeOf(element).checkValidity as () => boolean;
    element.checkValidity = () => {
      own.isAsking = true;
      try {
        return native.call(element);
      } finally {
        own.isAsking = false;
      }
    };
  }
  const found = watch;
  found.count++;
  return () => {
    if (--found.count > 0) return;
    asked.delete(element);
    Reflect.deleteProperty(element, 'checkValidity');
  };
}

/** Whether an `invalid` event comes from a program that only checks validity. */
export const isAsking = (input: Control): boolean =>
  (asked.get(input)?.isAsking ?? false) || ((input.form && asked.get(input.form)?.isAsking) ?? false);
