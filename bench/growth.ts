import type { FieldDocument } from '@arbeit/engine/document';
import { compileField } from '@arbeit/engine/document';
import type { FieldEvent, HydratedField } from '@arbeit/engine/field';
import { apply, evaluate, start } from '@arbeit/engine/field';
import { kinds } from '@arbeit/engine/kinds';
import { parseNotation } from '@arbeit/engine/kinds/pattern';

/**
 * What becomes of the cost when there is very much: the dearest of several, in milliseconds, and what it may
 * be.
 */
export interface Grown {
  readonly what: string;
  readonly worst: string;
  readonly milliseconds: number;
  readonly limit: number;
}

const scripts: Readonly<Record<string, string>> = {
  Latin: 'hut ', Han: '山小屋', Devanagari: 'नमस्ते ', Thai: 'สวัสดี', Arabic: 'مَرْحَبا ', Hangul: '산장', pictures: '👍🏽🇨🇭', blanks: ' ', marks: 'e\u0301\u0302',
}; // biome-ignore format: a list

const patterns: readonly (readonly [string, object])[] = [
  ['<2000 any>', {}],
  ['<2000 any>', { positions: 'fixed' }],
  ['<2000 any>', { literals: 'ahead' }],
  [`${'<1 digit>-'.repeat(1999)}<1 digit>`, {}],
  [`${'<1 digit>-'.repeat(1999)}<1 digit>`, { literals: 'ahead' }],
  ['<00..99>'.repeat(1000), {}],
  [`${'<1-2 digit>/'.repeat(999)}<2 digit>`, {}],
  ['<00..99>'.repeat(1000), { positions: 'fixed' }],
  ['<? x<1 digit>>'.repeat(1900), {}],
  ['<AM|PM>'.repeat(1000), {}],
];

function median(work: () => void): number {
  work();
  const times = Array.from({ length: 15 }, () => {
    const from = performance.now();
    work();
    return performance.now() - from;
  });
  return times.sort((a, b) => a - b)[7]!;
}

const fieldOf = (kind: string, entry: object): HydratedField =>
  compileField({ id: 'f', kind, label: 'F', entry } as FieldDocument, { locale: 'en-GB' }, kinds);

function worst(what: string, limit: number, cases: readonly (readonly [string, () => void])[]): Grown {
  const rows = cases.map(([name, work]) => [name, median(work)] as const);
  const [name, milliseconds] = rows.sort((a, b) => b[1] - a[1])[0]!;
  return { what, limit, worst: name, milliseconds };
}

export function growth(): Grown[] {
  const inText = (event: FieldEvent) =>
    Object.entries(scripts).flatMap(([name, unit]) =>
      [0, 10_000].map((max) => {
        const field = fieldOf('text', { trim: false, ...(max ? { max } : {}) });
        const text = unit.repeat(10_000).slice(0, 9_990);
        const full = apply(field, apply(field, start(field), { type: 'focus' }), { type: 'paste', text });
        const at = apply(field, full, { type: 'select', start: 6000, end: 6000 });
        return [
          `${name}${max ? ', counted' : ''}`,
          () => void evaluate(field, apply(field, at, event)),
        ] as const;
      }),
    );
  const pastes = patterns.flatMap(([pattern, entry]) =>
    ['1', 'p', '1/'].map((unit) => {
      const field = fieldOf('pattern', { pattern, ...entry });
      const empty = apply(field, start(field), { type: 'focus' });
      const text = unit.repeat(2000 / unit.length);
      const name = `${unit} into ${pattern.slice(0, 12)}… ${JSON.stringify(entry)}`;
      return [name, () => void apply(field, empty, { type: 'paste', text })] as const;
    }),
  );
  const choice = `<${Array.from({ length: 4000 }, (_, i) => `hut${i}`).join('|')}>`;
  return [
    worst('a key in 10,000 characters', 1, inText({ type: 'key', text: 'x' })),
    worst('a backspace in them', 1, inText({ type: 'backspace' })),
    worst('a word taken out of them', 1, inText({ type: 'word-backspace' })),
    worst('the caret put into them', 1, inText({ type: 'select', start: 3001, end: 3001 })),
    worst('a paste into 2,000 cells', 50, pastes),
    worst('a choice of 4,000 words, read', 20, [['', () => void parseNotation(choice)]]),
  ];
}
