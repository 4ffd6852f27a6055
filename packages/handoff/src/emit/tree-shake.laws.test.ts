import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';
import { compileField } from '@arbeit/engine/document';
import {
  apply,
  dehydrate,
  evaluate,
  type FieldEvent,
  type FieldState,
  type HydratedField,
  type hydrate,
  refusalAfter,
  start,
} from '@arbeit/engine/field';
import { kinds } from '@arbeit/engine/kinds';
import fc from 'fast-check';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { buildPackages } from '../../../../scripts/packages.mjs';
import { actions, sketch, sketchOfList, walk } from '../../../engine/src/prove/arbitraries.ts';
import { actionsFor, compiledOf, kindNames, sketchOf } from '../../../engine/src/prove/kinds.ts';
import { camel } from '../names.ts';
import { minified } from './bundle.ts';
import { sourcesFrom } from './sources.ts';
import { treeShake } from './tree-shake.ts';

const root = fileURLToPath(new URL('../../../..', import.meta.url));
const numRuns = Number(process.env.ARBEIT_RUNS ?? 4);
const seed = Number(process.env.ARBEIT_SEED ?? 20270210);
const folder = mkdtempSync(join(tmpdir(), 'arbeit-tree-shake-'));
const today = '2027-02-10';
let built = 0;

beforeAll(() => {
  expect(buildPackages()).toBe(true);
});
afterAll(() => rmSync(folder, { recursive: true, force: true }));

interface Lean {
  readonly apply: typeof apply;
  readonly start: typeof start;
  readonly hydrate: typeof hydrate;
  readonly evaluate: typeof evaluate;
  readonly refusalAfter: typeof refusalAfter;
  readonly checks: Parameters<typeof hydrate>[2];
  readonly run: HydratedField['kind'];
}

/** What a page gets that has this field alone, as it gets it: minified. */
async function leanFor(field: HydratedField): Promise<{ readonly lean: Lean; readonly bytes: number }> {
  const { ships = '' } = kinds[field.plan.kind as keyof typeof kinds];
  const sources = treeShake(sourcesFrom(root), { fields: [field], forms: [] }, kinds);
  const page = [
    `export { ${camel(ships)} as run } from '@arbeit/engine/runs/${ships}';`,
    "export { apply, evaluate, hydrate, refusalAfter, start } from '@arbeit/engine/field';",
    "export { checks } from '@arbeit/engine/checks';",
  ].join('\n');
  const { text } = await minified({ page }, sources);
  const path = join(folder, `${built++}.mjs`);
  writeFileSync(path, text);
  return { lean: (await import(/* @vite-ignore */ pathToFileURL(path).href)) as Lean, bytes: text.length };
}

/** All there is to see of a field. */
const seen = (field: HydratedField, evaluation: ReturnType<typeof evaluate>, state: FieldState): object => ({
  ...evaluation,
  start: state.start,
  end: state.end,
  rejected: state.rejected,
  leftOut: state.leftOut,
  assumed: state.body.assumed,
  ghost: field.kind.guideText?.(field.plan, state.body),
  facts: field.kind.facts?.(field.plan, state.body),
});

/**
 * The same events in the engine and in what is handed off come to the same, and so does what a rule takes out
 * after each.
 */
async function holds(field: HydratedField, tapes: readonly (readonly FieldEvent[])[]): Promise<number> {
  const { lean, bytes } = await leanFor(field);
  const own = lean.hydrate(
    dehydrate(field) as HydratedField,
    { [field.plan.kind]: lean.run },
    lean.checks,
  ) as HydratedField;
  for (const tape of tapes) {
    let here = start(field);
    let there = lean.start(own);
    const step = (event: FieldEvent): void => {
      here = apply(field, here, event);
      there = lean.apply(own, there, event);
      expect(seen(own, lean.evaluate(own, there, today), there)).toEqual(
        seen(field, evaluate(field, here, today), here),
      );
    };
    for (const event of tape) {
      step(event);
      const refusal = refusalAfter(field, here, event, () => evaluate(field, here, today));
      const alike = lean.refusalAfter(own, there, event, () => lean.evaluate(own, there, today));
      expect(alike).toEqual(refusal);
      if (refusal) step(refusal);
    }
  }
  return bytes;
}

/** Random tapes as the events they come to. */
const eventsOf = (field: HydratedField, tapes: readonly (readonly Parameters<typeof walk>[1][number][])[]) =>
  tapes.map((tape) => [{ type: 'focus' } as const, ...walk(field, tape).map(({ event }) => event)]);

describe('what is left out of a kind was of no use to the field', () => {
  test('pattern', async () => {
    const sizes: number[] = [];
    await fc.assert(
      fc.asyncProperty(
        fc.oneof(sketch, sketchOfList),
        fc.array(actions, { minLength: 6, maxLength: 6 }),
        async (entry, tapes) => {
          const rules = [{ id: 'length', check: { type: 'length', min: 2 }, show: 'at-once' }] as const;
          const field = compileField(
            { id: 'f', kind: 'pattern', label: 'F', entry, rules },
            { locale: 'en-GB' },
            kinds,
          );
          const any = field as unknown as HydratedField;
          sizes.push(await holds(any, eventsOf(any, tapes)));
        },
      ),
      { numRuns: numRuns * 5, seed },
    );
    // Otherwise nothing was left out.
    expect(Math.min(...sizes)).toBeLessThan(0.85 * Math.max(...sizes));
  });

  // What a developer's code lays out is handed off as that code.
  test.each(kindNames.filter((kind) => !kinds[kind].run.withFormat))('%s', async (kind) => {
    await fc.assert(
      fc.asyncProperty(
        sketchOf(kind),
        fc.array(actionsFor(kind), { minLength: 6, maxLength: 6 }),
        async (from, tapes) => {
          const field = compiledOf(from);
          await holds(field, eventsOf(field, tapes));
        },
      ),
      { numRuns, seed },
    );
  });

  test.each(['th-TH', 'fa-IR', 'ar-EG', 'ja-JP', 'de-CH'])(
    'dates as they are written in %s',
    async (locale) => {
      const definition = { id: 'f', kind: 'date', label: 'F', initial: '2027-02-14' };
      const field = compileField(definition as never, { locale }, kinds) as HydratedField;
      const pastes = ['2027-02-14', '14.2.2027', '14/02/2570', '25/11/1405', '14 February 2027', '14022027'];
      await holds(
        field,
        pastes.map((text) => [
          { type: 'focus' },
          { type: 'set', text: '' },
          { type: 'paste', text },
          { type: 'leave' },
        ]),
      );
    },
  );

  test('what is asked elsewhere, what is refused and taken out, a check that is carried', async () => {
    const rules = [
      { id: 'known', check: { type: 'remote', ask: '/known' }, refused: 'clear' },
      { id: 'not', check: { type: 'not-in', values: ['1111'] }, show: 'at-once', refused: 'clear' },
    ];
    const field = compileField(
      { id: 'f', kind: 'pattern', label: 'F', entry: { pattern: '<4 digit>' }, rules } as never,
      { locale: 'en-GB' },
      kinds,
    ) as HydratedField;
    const answered = (text: string, verdict: 'pass' | 'fail' | 'unreachable'): readonly FieldEvent[] => [
      { type: 'focus' },
      { type: 'insert', text },
      { type: 'leave' },
      { type: 'ask', id: 'a', rule: 'known' },
      { type: 'answer', id: 'a', answer: { verdict } },
      { type: 'ask-again' },
      { type: 'undo' },
      { type: 'submit' },
    ];
    const tapes = [
      answered('1234', 'pass'),
      answered('1234', 'fail'),
      answered('12', 'unreachable'),
      answered('1111', 'fail'),
    ];
    // Something was asked, and something taken out.
    let state = start(field);
    for (const event of tapes[1]!.slice(0, 3)) state = apply(field, state, event);
    expect(evaluate(field, state).asks).toHaveLength(1);
    await holds(field, tapes);
    const plain = { ...field, rules: field.rules.filter(({ check }) => check.type === 'complete') };
    expect(await holds(plain, [[{ type: 'paste', text: '1234' }]])).toBeLessThan(
      (await holds(field, [])) - 500,
    );
  });
});

test('what is left out is decided by what a module means: texts and members of the same name stay', async () => {
  const built = sourcesFrom(root);
  const path = 'engine/field/example.js';
  const text = `import { hasForms as isHere, hasChecks } from './features.js';
import { used, unused } from './others.js';
const told = 'hasChecks, import { hasForms } from "./features.js"';
export const seen = (of) => (isHere ? unused(of) : [told, of.hasForms, of['hasChecks'], hasChecks, used(of)]);`;
  const sources = { ...built, read: (asked: string) => (asked === path ? text : built.read(asked)) };
  const field = compileField({ id: 'a', kind: 'text', label: 'A', entry: {} }, { locale: 'en-GB' }, kinds);
  const made = await treeShake(sources, { fields: [field], forms: [] }, kinds).load(path);
  expect(
    made
      .replace(/\/\/.*\n/g, '')
      .replace(/\s+/g, ' ')
      .trim(),
  ).toBe(
    `import { used } from "./others.js"; var told = 'hasChecks, import { hasForms } from "./features.js"', seen = (of) => [told, of.hasForms, of.hasChecks, !1, used(of)]; export { seen };`,
  );
});
