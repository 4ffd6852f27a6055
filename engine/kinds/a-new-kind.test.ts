import Ajv2020 from 'ajv/dist/2020.js';
import fc from 'fast-check';
import { expect, test } from 'vitest';
import { compile, compileField } from '../document/compile.ts';
import type { FieldDocument, SetDocument } from '../document/document.ts';
import { readDocument } from '../document/read-document.ts';
import { documentSchema } from '../document/schema.ts';
import { closed, type Kind, type OpenField, open } from '../field/kind.ts';
import { read } from '../field/reading.ts';
import { apply, keysOf, start } from '../field/state.ts';
import { filled, type Options } from '../options/option.ts';
import { tableOf } from '../options/reference.ts';
import { walk } from '../prove/arbitraries.ts';
import { play } from '../tape/play.ts';
import { readTape } from '../tape/read-tape.ts';
import type { Action } from '../tape/script.ts';
import type { Definition, KindTable } from './definition.ts';
import type { Drawing } from './drawing.ts';
import { type LineBody, lineKind } from './line.ts';
import { kinds } from './table.ts';

/**
 * What adding a kind takes, done once more by a stranger: a tally of strokes in fives, in a file nobody else knows. It
 * must live in documents, their faults, the schema, the reference, tapes and the laws without a word anywhere else.
 */
interface TallyPlan {
  readonly kind: 'tally';
  readonly most: number;
}

const stroke = 'I'.charCodeAt(0);

function lay(plan: TallyPlan, content: string): LineBody {
  const display = content.replace(/I{5}(?=I)/g, '$& ');
  return {
    content,
    display,
    complete: content.length === plan.most,
    from: 0,
    to: display.length,
    head: -1,
    skip: 0,
  };
}

const tally: Kind<TallyPlan, LineBody> = {
  ...lineKind<TallyPlan, LineBody>({
    lay,
    is: (_, unit) => unit === stroke,
    put: ({ most }, content, at, character) => {
      if (character !== 'I') return 'not-accepted';
      if (content.length >= most) return 'full';
      return { content: `${content.slice(0, at)}I${content.slice(at)}`, at: at + 1 };
    },
    clean: (_, text) => ({ text: text.replace(/[^I]/g, ''), leftOut: text.replace(/[I\s]/g, '') }),
  }),
  raw: (_, { content }) => content,
  value: (_, { content, complete }) => (complete ? String(content.length) : null),
  hasRoom: ({ most }, { content }) => content.length < most,
  read: (plan, text) => {
    const content = 'I'.repeat(
      Math.min(plan.most, /^\d+$/.test(text) ? Number(text) : text.split('I').length - 1),
    );
    const body = lay(plan, content);
    return { body, caret: body.to, leftOut: '', rejected: content ? null : 'not-accepted' };
  },
};

const options = {
  most: { is: 'whole', label: 'Strokes, at most', at: ['strokes'], min: 1, max: 50, usual: 12 },
} as const satisfies Options;

const define: Definition<typeof options, TallyPlan> = {
  name: 'tally',
  options,
  plan: (entry) => ({ kind: 'tally', ...filled(options, entry) }),
  attributes: () => ({ inputmode: 'text' }),
  pointless: ['checksum'],
};

const draw: Drawing<TallyPlan, LineBody> = {
  sample: ({ plan }) => [
    {
      id: 'strokes',
      part: 'strokes',
      text: lay(plan, 'I'.repeat(7)).display,
      caption: 'strokes',
      isValue: true,
    },
  ],
};

const all: KindTable = { ...kinds, tally: { run: tally, define, draw } };
const definition = {
  id: 'guests',
  kind: 'tally',
  label: 'Guests',
  entry: { most: 7 },
} as never as FieldDocument;
const document = { arbeit: 1, title: 'Huts', locale: 'en-GB', fields: [definition] } as SetDocument;

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
  const tape = readTape(
    'field guests\ntype "IIIII"\ntype "II"\nexpect display "IIIII II|"\nexpect value "7"\ntype "I"\nexpect rejected full\nbackspace 2\nleave\nexpect codes incomplete',
  );
  expect(tape).toMatchObject({ ok: true });
  const played = tape.ok && play(compile(document, all), tape.tape);
  expect(played).toMatchObject({ misses: [] });
  const field = compileField(definition, document, all) as never as OpenField<TallyPlan, LineBody>;
  const again = open(JSON.parse(JSON.stringify(closed(field))) as typeof field, { tally });
  const typed = keysOf('II').reduce((state, key) => apply(again, state, key), start(again));
  expect(read(again, typed).raw).toBe('II');
  expect(all.tally!.draw.sample(field)).toMatchObject([{ text: 'IIIII II' }]);
});

test('the laws hold for it: one function of its content, nothing lost, undone exactly, never a throw', () => {
  const field = compileField(definition, document, all) as never as OpenField<TallyPlan, LineBody>;
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
