import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';
import { compileField } from '@arbeit/engine/document';
import {
  type apply,
  closed,
  type FieldState,
  type OpenField,
  type open,
  read,
  type start,
} from '@arbeit/engine/field';
import { kinds } from '@arbeit/engine/kinds';
import fc from 'fast-check';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { actions, rawOption, sketch, walk } from '../../engine/prove/arbitraries.ts';
import { actionsFor, compiledOf, kindNames, sketchOf } from '../../engine/prove/kinds.ts';
import { buildPackages } from '../../scripts/packages.mjs';
import { camel } from '../names.ts';
import { minified } from './bundle.ts';
import { leaner } from './leaner.ts';
import { sourcesFrom } from './sources.ts';

const root = fileURLToPath(new URL('../..', import.meta.url));
const numRuns = Number(process.env.ARBEIT_RUNS ?? 8);
const seed = Number(process.env.ARBEIT_SEED ?? 20270210);
const folder = mkdtempSync(join(tmpdir(), 'arbeit-leaner-'));
const today = '2027-02-10';
let built = 0;

beforeAll(() => {
  expect(buildPackages()).toBe(true);
});
afterAll(() => rmSync(folder, { recursive: true, force: true }));

interface Lean {
  readonly apply: typeof apply;
  readonly start: typeof start;
  readonly open: typeof open;
  readonly read: typeof read;
  readonly checks: Parameters<typeof open>[2];
  readonly run: OpenField['kind'];
}

/** What a page gets that has this field alone, as it gets it: minified. */
async function leanFor(field: OpenField): Promise<{ readonly lean: Lean; readonly bytes: number }> {
  const { ships = '' } = kinds[field.plan.kind as keyof typeof kinds];
  const sources = leaner(sourcesFrom(root), { fields: [field], forms: [] }, kinds);
  const page = [
    `export { ${camel(ships)} as run } from '@arbeit/engine/runs/${ships}';`,
    "export { apply, open, read, start } from '@arbeit/engine/field';",
    "export { checks } from '@arbeit/engine/checks';",
  ].join('\n');
  const { text } = await minified({ page }, sources);
  const path = join(folder, `${built++}.mjs`);
  writeFileSync(path, text);
  return { lean: (await import(/* @vite-ignore */ pathToFileURL(path).href)) as Lean, bytes: text.length };
}

/** All there is to see of a field. */
const seen = (reading: ReturnType<typeof read>, state: FieldState): object => ({
  ...reading,
  start: state.start,
  end: state.end,
  rejected: state.rejected,
  leftOut: state.leftOut,
  assumed: state.body.assumed,
});

/** The same events in the engine and in what is handed off come to the same. */
async function holds(field: OpenField, tapes: readonly (readonly Parameters<typeof walk>[1][number][])[]) {
  const { lean, bytes } = await leanFor(field);
  const own = lean.open(
    closed(field) as OpenField,
    { [field.plan.kind]: lean.run },
    lean.checks,
  ) as OpenField;
  for (const tape of tapes) {
    let state = lean.apply(own, lean.start(own), { type: 'focus' });
    for (const { event, after } of walk(field, tape)) {
      state = lean.apply(own, state, event);
      expect(seen(lean.read(own, state, today), state)).toEqual(seen(read(field, after, today), after));
    }
  }
  return bytes;
}

describe('what is left out of a kind was of no use to the field', () => {
  test('pattern', async () => {
    const sizes: number[] = [];
    await fc.assert(
      fc.asyncProperty(
        sketch,
        rawOption,
        fc.array(actions, { minLength: 6, maxLength: 6 }),
        async (from, raw, tapes) => {
          const entry = raw ? { ...from, raw } : from;
          const rules = [{ id: 'length', check: { type: 'length', min: 2 }, show: 'at-once' }] as const;
          const field = compileField(
            { id: 'f', kind: 'pattern', label: 'F', entry, rules },
            { locale: 'en-GB' },
            kinds,
          );
          sizes.push(await holds(field as unknown as OpenField, tapes));
        },
      ),
      { numRuns: numRuns * 20, seed },
    );
    // Otherwise nothing was left out.
    expect(Math.min(...sizes)).toBeLessThan(0.85 * Math.max(...sizes));
  });

  // What a developer's code lays out is handed off as that code.
  test.each(kindNames.filter((kind) => !kinds[kind].run.withShape))('%s', async (kind) => {
    await fc.assert(
      fc.asyncProperty(
        sketchOf(kind),
        fc.array(actionsFor(kind), { minLength: 6, maxLength: 6 }),
        async (from, tapes) => {
          await holds(compiledOf(from), tapes);
        },
      ),
      { numRuns, seed },
    );
  });
});
