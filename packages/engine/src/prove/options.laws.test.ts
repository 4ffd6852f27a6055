import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { compile } from '../document/compile.ts';
import type { SetDocument } from '../document/document.ts';
import { kinds } from '../kinds/registry.ts';
import type { Options } from '../options/option.ts';
import { sketch, sketchOfList } from './arbitraries.ts';
import { findDifference } from './distinguish.ts';
import { kindNames, sketchOf } from './kinds.ts';

/** Options by kind: whoever adds one adds it to the random fields, and something has to come of it. */

interface Drawn {
  readonly entry: Readonly<Record<string, unknown>>;
  readonly locale: string;
}

const runs = {
  numRuns: Number(process.env.ARBEIT_RUNS ?? 100),
  seed: Number(process.env.ARBEIT_SEED ?? 20270210),
};
const drawnOf = (kind: (typeof kindNames)[number]): readonly Drawn[] =>
  fc.sample(sketchOf(kind), runs).map(({ entry, locale }) => ({ entry: { ...entry }, locale }));
const optionsOf = (kind: keyof typeof kinds): Options => kinds[kind].define.options;

const compiled = (kind: string, entry: object, locale: string) =>
  compile(
    { arbeit: 2, title: 'T', locale, fields: [{ id: 'f', kind, label: 'F', entry }] } as SetDocument,
    kinds,
  );

/** Whether an option changes what a tape can tell, in one of the random fields that have it. */
function matters(kind: string, name: string, drawn: readonly Drawn[]): boolean {
  const having = drawn.filter(({ entry }) => entry[name] !== undefined).slice(0, 20);
  return having.some(({ entry, locale }) => {
    const { [name]: _, ...rest } = entry;
    const pair = {
      right: compiled(kind, entry, locale),
      wrong: compiled(kind, rest, locale),
      target: { type: 'field', id: 'f' },
      today: '2027-02-10',
    } as const;
    return findDifference(pair, kinds, { most: 40 }).is === 'told';
  });
}

describe.each(kindNames)('options of the kind %s', (kind) => {
  const options = optionsOf(kind);
  const drawn = drawnOf(kind);
  test('are all in its random fields', () => {
    const absent = Object.keys(options).filter((name) =>
      drawn.every(({ entry }) => entry[name] === undefined),
    );
    expect(absent).toEqual([]);
  });
  test('change what the field does, unless they say that they only change how it is drawn', () => {
    const idle = Object.entries(options)
      .filter(([name, option]) => !option.needed && !option.drawn && !matters(kind, name, drawn))
      .map(([name]) => name);
    expect(idle).toEqual([]);
  });
});

test('options of the kind pattern are all in its random fields', () => {
  const drawn = [...fc.sample(sketch, runs), ...fc.sample(sketchOfList, runs)] as object[];
  const names = new Set(drawn.flatMap((one) => Object.keys(one)));
  expect(Object.keys(optionsOf('pattern')).filter((name) => !names.has(name))).toEqual([]);
});
