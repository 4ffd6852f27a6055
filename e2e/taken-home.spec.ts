import { readFileSync } from 'node:fs';
import type { SetDocument } from '@arbeit/engine/document';
import { actions, actionsFor, kindNames, writeTape } from '@arbeit/engine/prove';
import { type Action, parseTape, type Tape, trialTape } from '@arbeit/engine/tape';
import { expect, type Page, test } from '@playwright/test';
import fc from 'fast-check';
import { compiled, playBoth, type Seen } from './hands.ts';
import { type App, type Built, builtApp } from './taken-home/build.ts';

/**
 * What is handed off does what was tried: every tape of the demo, and random ones, in applications that were
 * made outside of this repository from nothing but the handed-off files, step by step with the same outcome
 * as in the engine.
 */
const demo = new URL('../apps/studio/demo/', import.meta.url);
const set = JSON.parse(readFileSync(new URL('ridge-huts.arbeit.json', demo), 'utf8')) as SetDocument;
const own = compiled(set);

const parsed = (text: string): Tape => {
  const read = parseTape(text);
  if (!read.ok) throw new RangeError(JSON.stringify(read.faults));
  return read.tape;
};
const tapes = (set.trials ?? [])
  .map((trial) => parsed(trialTape(trial)))
  // Those of one day are played on one page.
  .sort((a, b) => (a.today ?? '').localeCompare(b.today ?? ''));

/**
 * What a hand can do: in a line Enter is no text, but sends its form; what is picked from is not typed into,
 * and takes what there is.
 */
function byHand(action: Action, values: readonly string[] | undefined): Action | undefined {
  if (!values) return action.do === 'type' && /[\r\n]/.test(action.text) ? undefined : action;
  if (action.do === 'set' || action.do === 'autofill')
    return { do: action.do, text: values[action.text.length % values.length]! };
  const others = ['backspace', 'undo', 'redo', 'leave', 'focus', 'submit', 'reset'];
  return others.includes(action.do) ? action : undefined;
}

/** Random tapes on the demo's fields in turn, with keys that mean something to each. */
function randomTapes(count: number): readonly Tape[] {
  const seed = Number(process.env.ARBEIT_SEED ?? 20270210);
  const each = Math.ceil(count / set.fields.length);
  return set.fields
    .flatMap(({ id, kind }, i) => {
      // Patterns have tapes of their own.
      const name = kindNames.find((one) => one === kind);
      const made = fc.sample(name ? actionsFor(name) : actions, { numRuns: each, seed: seed + i });
      const plan = own.fields[i]!.plan as { readonly options?: readonly { readonly value: string }[] };
      // A key costs a hundredth of a second in a browser, three times: what goes wrong does so within a few.
      const keyed = made.map((list) =>
        list.slice(0, 6).flatMap(
          (one) =>
            byHand(
              one,
              plan.options?.map(({ value }) => value),
            ) ?? [],
        ),
      );
      return keyed.map((list, n) =>
        parsed(`tape "Random ${id} ${n}"\nfield ${id}\ntoday 2027-02-10\nfocus\n${writeTape(list)}`),
      );
    })
    .slice(0, count);
}

const look = (page: Page, field: string): Promise<Seen> =>
  page.evaluate(async (id) => {
    // What a framework draws after an event it draws before the next task.
    await new Promise((done) => setTimeout(done));
    return (globalThis as unknown as { seen(id: string): Seen }).seen(id);
  }, field);

type Mounting = { mount(what: Readonly<Record<string, string>>): void };

for (const app of ['element', 'react', 'vue', 'svelte'] satisfies App[])
  test.describe(`${app}: the demo handed off, built outside`, {
    tag: app === 'vue' || app === 'svelte' ? '@long' : [],
  }, () => {
    let built: Built;
    test.beforeAll(async () => {
      built = await builtApp(app, set);
    });
    test.afterAll(() => built.remove());

    /** The day of the page that is open: its clock is given to it once. */
    let today: string | undefined;
    const play = async (page: Page, tape: Tape): Promise<void> => {
      const { type, id } = tape.target;
      if (page.url() === 'about:blank' || tape.today !== today) {
        today = tape.today;
        await built.open(page, { [type]: id, ...(today ? { today } : {}) });
      } else await page.evaluate((what) => (globalThis as unknown as Mounting).mount(what), { [type]: id });
      const told = `${tape.title}\n${tape.steps.map(({ source }) => source).join('\n')}`;
      await test.step(told, () => playBoth(page, own, tape, look));
    };
    test('every tape of the demo', { tag: app === 'react' ? '@long' : [] }, async ({ page }) => {
      for (const tape of tapes) await play(page, tape);
    });
    // The three that most are built with.
    if (app === 'svelte') return;
    // `npm run hard` plays more of them.
    const count = Number(process.env.ARBEIT_TAPES ?? 30);
    test(`${count} random tapes`, { tag: app === 'element' ? '@long' : [] }, async ({ page }) => {
      const random = randomTapes(count);
      expect(random).toHaveLength(count);
      for (const tape of random) await play(page, tape);
    });
  });
