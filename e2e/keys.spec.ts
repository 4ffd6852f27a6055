import type { FieldDocument } from '@arbeit/engine/document';
import { compileField } from '@arbeit/engine/document';
import type { FieldState } from '@arbeit/engine/field';
import { apply, evaluate, start } from '@arbeit/engine/field';
import { kinds } from '@arbeit/engine/kinds';
import type { Action } from '@arbeit/engine/tape';
import { fieldEvents } from '@arbeit/engine/tape';
import { expect, test } from '@playwright/test';
import fc from 'fast-check';
import { keyFor } from '../packages/cli/src/page-hands.ts';
import { type Field, putUp } from './dom-page.ts';

/**
 * Real keys at random against the engine’s own account of them. `npm run keys -- --events 20000 --seed 7`
 * does many and says with which seed; here are a few hundred, so that the run itself is known to work.
 */
const events = Number(process.env.ARBEIT_KEYS ?? 400);
const seed = Number(process.env.ARBEIT_SEED ?? 20270210);

const fields: Readonly<Record<string, Field & { readonly keys: string }>> = {
  telephone: {
    kind: 'pattern',
    entry: { pattern: '(<3 digit>) <3 digit>-<4 digit>' },
    keys: '0123456789()- x',
  },
  fixed: {
    kind: 'pattern',
    entry: { pattern: '<0-3 letter>-<0-3 digit>', positions: 'fixed' },
    keys: 'abc-123_ ',
  },
  varying: { kind: 'pattern', entry: { pattern: '+1 <2-4 digit><? x<1-3 digit>>' }, keys: '0123+x 9' },
  amount: { kind: 'currency', entry: { currency: 'GBP', negative: 'minus' }, keys: '0123456789.,-' },
  day: { kind: 'date', entry: {}, keys: '0123456789/. ' },
  hour: { kind: 'time', entry: { clock: 12 }, keys: '0123456789:apm ' },
  walk: { kind: 'duration', entry: {}, keys: '0123456789hm:. ' },
  mobile: { kind: 'phone', entry: { home: 'GB' }, keys: '0123456789+ ' },
  code: { kind: 'one-time-code', entry: { length: 6 }, keys: '0123456789-a' },
  notes: { kind: 'text', entry: { lines: 3, max: 30 }, keys: 'ab c\n\n' },
  remark: { kind: 'text', entry: { max: 12, case: 'upper' }, keys: 'ab cé-' },
};

const actionFor = (keys: string): fc.Arbitrary<Action> =>
  fc.oneof(
    { arbitrary: fc.constantFrom(...keys).map((text): Action => ({ do: 'type', text })), weight: 12 },
    {
      arbitrary: fc
        .constantFrom('backspace', 'delete', 'word-backspace', 'left', 'left', 'right', 'up', 'down')
        .map((verb): Action => ({ do: verb as 'up', times: 1 })),
      weight: 8,
    },
    {
      arbitrary: fc
        .constantFrom('home', 'end', 'cut', 'undo', 'undo', 'redo', 'select-all')
        .map((verb): Action => ({ do: verb as 'cut' })),
      weight: 3,
    },
  );

test(`${events} random keys (seed ${seed}) do in Chromium what they do in the engine`, {
  tag: '@long',
}, async ({ page }) => {
  test.setTimeout(60_000 + events * 300);
  const names = Object.keys(fields);
  await putUp(
    page,
    names
      .map((name) =>
        'lines' in fields[name]!.entry
          ? `<textarea name="${name}" rows="3" cols="60"></textarea>`
          : `<input name="${name}">`,
      )
      .join(''),
    fields,
  );
  const each = Math.ceil(events / names.length);
  for (const [i, name] of names.entries()) {
    const { keys, kind, entry } = fields[name]!;
    const field = compileField(
      { id: name, label: 'F', kind, entry } as FieldDocument,
      { locale: 'en-GB' },
      kinds,
    );
    const input = page.locator(`[name="${name}"]`);
    await input.focus();
    let state: FieldState = apply(field, start(field), { type: 'focus' });
    const done: string[] = [];
    for (const action of fc.sample(actionFor(keys), { seed: seed + i, numRuns: each })) {
      // From a selection over lines, browsers go up and down from different ends of it.
      if ((action.do === 'up' || action.do === 'down') && state.start < state.end && name === 'notes')
        continue;
      done.push(action.do === 'type' ? JSON.stringify(action.text) : action.do);
      for (const event of fieldEvents(action as never, state, field)) state = apply(field, state, event);
      if (action.do === 'type') await page.keyboard.type(action.text);
      else await page.keyboard.press(keyFor[action.do as 'cut']);
      const seen = await input.evaluate((element: HTMLInputElement) => [
        element.value,
        element.selectionStart,
        element.selectionEnd,
      ]);
      const expected = [state.body.display, state.start, state.end];
      expect(seen, `${name}, after ${done.slice(-12).join(' ')}`).toEqual(expected);
    }
    const value = await page.evaluate(
      (name) =>
        (globalThis as unknown as { arbeit: import('./dom-page.ts').OnPage }).arbeit.stores[
          name
        ]!.evaluation().value,
      name,
    );
    expect(value).toBe(evaluate(field, state).value);
  }
});
