import { expect, expectTypeOf, test } from 'vitest';
import { checks } from '../checks/runs.ts';
import { compileField } from '../document/compile-field.ts';
import type { FieldDocument } from '../document/document.ts';
import { apply, start } from '../field/apply.ts';
import type { CompiledField } from '../field/compiled.ts';
import type { FieldState } from '../field/field-state.ts';
import { dehydrate, type HydratedField, hydrate, hydrateAny } from '../field/kind.ts';
import type { DatePlan } from './date/run.ts';
import { date } from './date/run.ts';
import type { PartsBody } from './editing/parts.ts';
import type { PatternBody } from './pattern/body.ts';
import type { PatternPlan } from './pattern/plan.ts';
import { pattern } from './pattern/run.ts';
import { kinds } from './registry.ts';

const pin = compileField(
  { id: 'pin', kind: 'pattern', label: 'PIN', entry: { pattern: '<4 digit>' } },
  { locale: 'en-GB' },
  kinds,
);

test('a plan cannot meet the body of another kind', () => {
  expectTypeOf(start(pin)).toEqualTypeOf<FieldState<PatternBody>>();
  const day = {} as HydratedField<DatePlan, PartsBody>;
  const never = (): void => {
    // @ts-expect-error a state of a pattern is none of a date
    apply(day, start(pin), { type: 'focus' });
    // @ts-expect-error a plan of a pattern is not run by a date
    hydrate({} as CompiledField<PatternPlan>, { date });
    // @ts-expect-error nor under the name of its own kind
    hydrate({} as CompiledField<PatternPlan>, { pattern: date });
    expectTypeOf(hydrate({} as CompiledField<PatternPlan>, { pattern })).toEqualTypeOf<
      HydratedField<PatternPlan, PatternBody>
    >();
  };
  // Never called: it is there for the compiler.
  expect(never).toBeTypeOf('function');
});

test('an entry is typed by its kind, from the options alone', () => {
  type Entry<K extends FieldDocument['kind']> = FieldDocument<K>['entry'];
  expectTypeOf<Entry<'currency'>['currency']>().toEqualTypeOf<string>();
  expectTypeOf<Entry<'currency'>['sign']>().toEqualTypeOf<'symbol' | 'code' | 'none' | undefined>();
  expectTypeOf<Entry<'number'>['decimals']>().toEqualTypeOf<
    { readonly min?: number; readonly max?: number } | undefined
  >();
  expectTypeOf<Entry<'time'>['clock']>().toEqualTypeOf<12 | 24 | undefined>();
  expectTypeOf<Entry<'phone'>['types']>().toEqualTypeOf<readonly ('mobile' | 'fixed')[] | undefined>();
  expectTypeOf<Entry<'phone'>['regions']>().toEqualTypeOf<'any' | readonly string[] | undefined>();
  expectTypeOf<Entry<'pin'>>().not.toHaveProperty('groups');
});

test('a compiled field travels as JSON and is brought to life with the kinds at hand', () => {
  const again = hydrateAny(JSON.parse(JSON.stringify(dehydrate(pin))), { pattern }, {});
  const typed = (field: HydratedField): string =>
    apply(field, start(field), { type: 'paste', text: '0427' }).body.display;
  expect(typed(again)).toBe(typed(pin));
  expect(dehydrate(pin)).not.toHaveProperty('kind');
  const luhn = {
    id: 'luhn',
    check: { type: 'checksum', scheme: 'luhn' },
    show: 'leave',
    severity: 'error',
  } as const;
  const rules = [luhn];
  expect(() => hydrate({ ...dehydrate(pin), rules }, { pattern })).toThrow(/Unknown check "checksum"/);
  expect(hydrate({ ...dehydrate(pin), rules }, { pattern }, checks).rules).toEqual(rules);
  // What goes with a rule beside its check is told missing as well.
  const asked = { type: 'remote', ask: '/known', timeout: 500, on: 'leave', with: [] } as const;
  const asking = { ...dehydrate(pin), rules: [{ ...luhn, check: asked }] };
  expect(() => hydrate(asking, { pattern }, { remote: checks.remote })).toThrow(
    /Unknown check "remoteCheck"/,
  );
  const clearing = { ...dehydrate(pin), rules: [{ ...luhn, clears: true }] } as const;
  expect(() => hydrate(clearing, { pattern }, { checksum: checks.checksum })).toThrow(
    /Unknown check "clearRejected"/,
  );
  expect(() => hydrate(dehydrate(pin), {} as never)).toThrow('Unknown kind "pattern". Pass it to hydrate().');
});
