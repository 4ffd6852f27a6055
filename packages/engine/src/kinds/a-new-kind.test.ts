import Ajv2020 from 'ajv/dist/2020.js';
import fc from 'fast-check';
import { expect, test } from 'vitest';
import { compile } from '../document/compile.ts';
import { compileField } from '../document/compile-field.ts';
import { readDocument } from '../document/read-document.ts';
import { documentSchema } from '../document/schema.ts';
import { apply, keysOf, start } from '../field/apply.ts';
import { evaluate } from '../field/evaluation.ts';
import { dehydrate, type HydratedField, hydrate } from '../field/kind.ts';
import { tableOf } from '../options/reference.ts';
import { walk } from '../prove/arbitraries.ts';
import { parseTape } from '../tape/parse-tape.ts';
import { play } from '../tape/play.ts';
import type { Action } from '../tape/script.ts';
import type { KindTable } from './contract/definition.ts';
import type { LineBody } from './editing/line.ts';
import { kinds } from './registry.ts';
import { define, definition, document, entry, lay, type TallyPlan, tally } from './tally.fixture.ts';

// What the kind is, and why, stands in `tally.fixture.ts`; the desk's part of this in
// `apps/studio/screens/desk/a-new-kind.test.tsx`.
const all: KindTable = { ...kinds, tally: entry };

test('it stands in documents, its faults and the schema, and where it is not known it is refused', () => {
  expect(readDocument(document, all)).toMatchObject({ ok: true });
  const off = { ...document, fields: [{ ...definition, entry: { most: 70 } }] };
  expect(readDocument(off, all)).toMatchObject({ faults: [{ path: '$.fields[0].entry.most' }] });
  expect(readDocument(document, kinds)).toMatchObject({ faults: [{ path: '$.fields[0].kind' }] });
  const isBySchema = new Ajv2020({ strict: true, allowUnionTypes: true, strictRequired: false }).compile(
    documentSchema(all),
  );
  expect([document, off].map((json) => isBySchema(json))).toEqual([true, false]);
  expect(tableOf(define.options)).toContain('| `most` | 1 to 50 | `12` | Strokes, at most. |');
  expect(() => compileField(definition, document, kinds)).toThrow(RangeError);
});

test('tapes play on it, its message is seen when it is due, and it travels as JSON', () => {
  const tape = parseTape(
    'field guests\ntype "IIIII"\ntype "II"\nexpect display "IIIII II|"\nexpect value "7"\ntype "I"\nexpect rejected full\nbackspace 2\nleave\nexpect codes incomplete',
  );
  expect(tape).toMatchObject({ ok: true });
  const played = tape.ok && play(compile(document, all), tape.tape);
  expect(played).toMatchObject({ misses: [] });
  const field = compileField(definition, document, all) as never as HydratedField<TallyPlan, LineBody>;
  const again = hydrate(JSON.parse(JSON.stringify(dehydrate(field))) as typeof field, { tally });
  const typed = keysOf('II').reduce((state, key) => apply(again, state, key), start(again));
  expect(evaluate(again, typed).raw).toBe('II');
  expect(entry.draw.sample(field)).toMatchObject([{ text: 'IIIII II' }]);
});

test('the laws hold for it: one function of its content, nothing lost, undone exactly, never a throw', () => {
  const field = compileField(definition, document, all) as never as HydratedField<TallyPlan, LineBody>;
  const action: fc.Arbitrary<Action> = fc.oneof(
    fc.constantFrom('I', 'x', ' ', '1\u0301').map((text): Action => ({ do: 'type', text })),
    fc.constantFrom('II II', 'aIb', '').map((text): Action => ({ do: 'paste', text })),
    fc
      .constantFrom('backspace', 'delete', 'left', 'right')
      .map((verb): Action => ({ do: verb as 'left', times: 1 })),
    fc.constantFrom('undo', 'redo', 'cut', 'home').map((verb): Action => ({ do: verb as 'undo' })),
  );
  fc.assert(
    fc.property(fc.array(action, { maxLength: 20 }), (tape) => {
      for (const { before, event, after } of walk(field, tape)) {
        const { body } = after;
        expect(body.display).toBe(lay(field.plan, body.content).display);
        const pasted = apply(field, start(field), { type: 'paste', text: body.display });
        expect(pasted.body).toEqual({ ...body });
        if (event.type === 'backspace' && before.start === before.end)
          expect(before.body.content.length - body.content.length).toBe(
            before.start > 0 && before.body.content ? 1 : 0,
          );
        if (after.rejected) expect(body).toBe(before.body);
        if (body !== before.body && event.type === 'key') {
          const undone = apply(field, { ...after, run: 'none' }, { type: 'undo' });
          expect(undone.body.content.length).toBeLessThan(body.content.length);
        }
      }
    }),
    { numRuns: 300 },
  );
});
