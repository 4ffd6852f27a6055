/** Focuses an element that is drawn soon: on a busy machine later than the next frame. */
export function focusSoon(selector: string, frames = 120): void {
  requestAnimationFrame(() => {
    const element = document.querySelector<HTMLElement>(selector);
    if (element) element.focus();
    else if (frames > 0) focusSoon(selector, frames - 1);
  });
}
