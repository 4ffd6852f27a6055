import { execFileSync } from 'node:child_process';
import { type Driven, pause, until } from './driven.ts';

/** A place in the window of a page, in CSS pixels. */
export type Point = readonly [x: number, y: number];

/** A real pointer on a screen without a monitor (xdotool): what WebDriver cannot do, dragging selected text among it. */
export async function pointerOn(browser: Driven, display: string) {
  const tool = (...args: readonly string[]): string =>
    execFileSync('xdotool', args, { env: { ...process.env, DISPLAY: display }, encoding: 'utf8' });
  const windows = tool('search', '--onlyvisible', '--name', '.*').split('\n').filter(Boolean);
  for (const window of windows)
    try {
      tool('windowfocus', '--sync', window);
    } catch {
      // Not every window can have the focus.
    }
  const [left, top] = await browser.run(() => {
    const inner = window as unknown as { mozInnerScreenX?: number; mozInnerScreenY?: number };
    return [
      inner.mozInnerScreenX ?? window.screenX,
      inner.mozInnerScreenY ?? window.screenY + window.outerHeight - window.innerHeight,
    ] as const;
  });
  const move = ([x, y]: Point): void => {
    tool('mousemove', String(Math.round(x + left)), String(Math.round(y + top)));
  };
  /** What the page has heard of a drag so far; a busy machine may take its time. */
  const heard = (type: 'dragstart' | 'dragover' | 'dragend') =>
    browser.run(
      (type) => (window as unknown as { dragging?: Record<string, boolean> }).dragging?.[type] === true,
      type,
    );
  const listen = () =>
    browser.run(() => {
      const dragging: Record<string, boolean> = {};
      Object.assign(window, { dragging });
      for (const type of ['dragstart', 'dragover', 'dragend'])
        document.addEventListener(type, () => {
          dragging[type] = true;
        });
    });
  return {
    /** Drags from one place to another, as slowly as the page needs, with a modifier held while it drops. */
    async drag(from: Point, to: Point, modifier?: 'ctrl'): Promise<void> {
      await listen();
      move(from);
      await pause(100);
      tool('mousedown', '1');
      await pause(300);
      let step = 0;
      await until(async () => {
        // To and fro on the way, until it is a drag.
        step++;
        const share = 0.3 + 0.1 * (step % 4);
        move([from[0] + (to[0] - from[0]) * share, from[1] + (to[1] - from[1]) * share]);
        return (await heard('dragstart')) || undefined;
      });
      if (modifier) tool('keydown', modifier);
      for (const share of [0.6, 0.8, 0.95, 1]) {
        move([from[0] + (to[0] - from[0]) * share, from[1] + (to[1] - from[1]) * share]);
        await pause(100);
      }
      await until(async () => (await heard('dragover')) || undefined);
      await pause(300);
      tool('mouseup', '1');
      await until(async () => (await heard('dragend')) || undefined);
      if (modifier) tool('keyup', modifier);
    },
  };
}
