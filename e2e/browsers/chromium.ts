import { existsSync } from 'node:fs';
import { chromium as launcher } from '@playwright/test';
import { chromiumFlags } from '../chromium.ts';
import { type Driven, partsOf } from './driven.ts';

/** The whole browser, which has windows; elsewhere tests run in its headless shell. */
const whole = '/usr/bin/chromium';

/** Chromium by Playwright; `display`: in a window on that screen, else without one. */
export async function chromium({ display }: { readonly display?: string } = {}): Promise<Driven> {
  const browser = await launcher.launch({
    executablePath: existsSync(whole) ? whole : (process.env.ARBEIT_CHROMIUM ?? whole),
    args: [...chromiumFlags],
    headless: display === undefined,
    ...(display ? { env: { ...process.env, DISPLAY: display } as Record<string, string> } : {}),
  });
  const context = await browser.newContext({
    viewport: display ? null : { width: 1280, height: 800 },
    permissions: ['clipboard-read', 'clipboard-write'],
  });
  const page = await context.newPage();
  return {
    name: 'chromium',
    goto: async (url) => {
      await page.goto(url);
    },
    // What comes back is what the function returned, as JSON has it.
    run: (fn, ...args) =>
      page.evaluate(`(${String(fn)})(...${JSON.stringify(args)})`) as ReturnType<Driven['run']> as never,
    keys: async (...chords) => {
      const press = (chord: string): Promise<void> => {
        const { modifiers, key } = partsOf(chord);
        return page.keyboard.press([...modifiers, key].join('+'));
      };
      // Nobody waits for one key to be answered before the next: it may come before what the last one led to
      // is told.
      if (chords.every((chord) => partsOf(chord).modifiers.length === 0))
        await Promise.all(chords.map(press));
      else for (const chord of chords) await press(chord);
    },
    back: async () => {
      await page.goBack();
    },
    close: () => browser.close(),
  };
}
