/**
 * Focuses an element that is drawn soon: on a busy machine later than the next frame. If somebody has clicked
 * elsewhere by then, the focus stays there.
 */
export function focusSoon(selector: string): void {
  /** About two seconds. */
  let frames = 120;
  let isElsewhere = false;
  const leave = (): void => {
    isElsewhere = true;
  };
  const end = (): void => window.removeEventListener('pointerdown', leave, true);
  const look = (): void => {
    const element = isElsewhere ? null : document.querySelector<HTMLElement>(selector);
    element?.focus();
    if (element || isElsewhere || frames-- === 0) end();
    else requestAnimationFrame(look);
  };
  window.addEventListener('pointerdown', leave, true);
  requestAnimationFrame(look);
}
