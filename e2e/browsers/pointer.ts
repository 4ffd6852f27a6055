import { execFileSync } from 'node:child_process';
import { type Driven, pause, until } from './driven.ts';

/** A place in the window of a page, in CSS pixels. */
export type Point = readonly [x: number, y: number];

/**
 * A real pointer on a screen without a monitor (xdotool): what WebDriver cannot do, dragging selected text
 * among it.
 */
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
  /** Where the page last heard of a drag, in its width; a busy machine may take its time. */
  const heard = (type: 'dragstart' | 'dragover' | 'dragend'): Promise<number | undefined> =>
    browser.run(
      (type: string) => (window as unknown as { dragging?: Record<string, number> }).dragging?.[type],
      type,
    );
  const listen = (): Promise<void> =>
    browser.run(() => {
      const dragging: Record<string, number> = {};
      Object.assign(window, { dragging });
      for (const type of ['dragstart', 'dragover', 'dragend'])
        document.addEventListener(type, (event) => {
          dragging[type] = (event as DragEvent).clientX;
        });
    });
  return {
    /** Drags from one place to another, as slowly as the page needs, with a modifier held while it drops. */
    async drag(from: Point, to: Point, modifier?: 'ctrl'): Promise<void> {
      const between = (share: number): Point => [
        from[0] + (to[0] - from[0]) * share,
        from[1] + (to[1] - from[1]) * share,
      ];
      await listen();
      move(from);
      await pause(100);
      tool('mousedown', '1');
      await pause(300);
      let step = 0;
      await until(() => {
        // To and fro on the way, until it is a drag.
        move(between(0.3 + 0.1 * (++step % 4)));
        return heard('dragstart');
      });
      if (modifier) tool('keydown', modifier);
      for (const share of [0.6, 0.8, 0.95]) {
        move(between(share));
        await pause(100);
      }
      // The browser may be behind the pointer, and drops where it believes it to be.
      await until(async () => {
        move([to[0] + (++step % 2), to[1]]);
        const at = await heard('dragover');
        return at !== undefined && Math.abs(at - to[0]) < 2 ? true : undefined;
      });
      await pause(200);
      tool('mouseup', '1');
      await until(() => heard('dragend'));
      if (modifier) tool('keyup', modifier);
      await pause(200);
    },
  };
}
