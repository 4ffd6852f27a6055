import type { Cursor } from '../../faults/cursor.ts';
import { misuse, say } from '../../faults/say.ts';
import { noPattern } from '../../faults/usage.ts';
import { type FilledEntry, filled, type Options, yesNo } from '../../options/option.ts';
import { graphemes } from '../../values/graphemes.ts';
import { itemAt } from '../../values/item-at.ts';
import type { Definition } from '../contract/definition.ts';
import { type Node, parseNotation, setOf } from '../editing/notation.ts';
import { taken } from '../editing/takes.ts';
import { faults } from './faults.ts';
import type { FixedText, Part, PatternPlan, Segment, Stretch } from './plan.ts';

const options = {
  pattern: {
    is: 'text',
    label: 'Pattern',
    about: 'See docs/notation.md. In a list, the first pattern that accepts the text is used.',
    at: [],
    needed: true,
    orList: 100,
    suggestion: '<4 digit>',
    check: (text, { classes }) => parseNotation(text, classes).faults,
  },
  positions: {
    is: 'choice',
    label: 'Positions',
    about: 'On deletion: following characters move left (flow), or every cell keeps its position (fixed).',
    at: ['typing'],
    choices: [
      ['flow', 'flow'],
      ['fixed', 'fixed'],
    ],
    usual: 'flow',
  },
  literals: {
    is: 'choice',
    label: 'Show fixed text',
    about: 'When the fixed text after a full part appears.',
    at: ['typing'],
    choices: [
      ['behind', 'with the next character'],
      ['ahead', 'immediately'],
    ],
    usual: 'behind',
  },
  raw: {
    is: 'choice',
    label: 'Raw value',
    at: ['typing'],
    choices: [
      ['content', 'typed characters'],
      ['text', 'with fixed text'],
      ['compact', 'with fixed letters and digits, without separators'],
    ],
    otherwise: 'as needed',
    about:
      'The raw value. Default: typed characters only, unless the fixed text is needed to restore the display.',
  },
  filler: {
    is: 'text',
    label: 'Placeholder character',
    at: ['typing'],
    when: { option: 'positions', is: 'fixed' },
    check: (text) =>
      graphemes(text).length === 1 && !/[\p{L}\p{N}\s]/u.test(text)
        ? []
        : [{ ...say(faults, 'invalid-filler'), suggestion: '_' }],
    usual: '_',
  },
  ghost: yesNo('yes', 'no', {
    label: 'Show guide text',
    about: 'Shows the rest of the pattern in grey while typing.',
    at: ['typing'],
    drawn: true,
    when: { option: 'positions', is: 'flow' },
    usual: false,
  }),
} as const satisfies Options;

type Filled = FilledEntry<typeof options>;

const patternsOf = (pattern: string | readonly string[]): readonly string[] =>
  typeof pattern === 'string' ? [pattern] : pattern;

/** Checks that a compact raw value can be written back: nothing in it tells where a part was ended early. */
function check(at: Cursor): void {
  const entry = at.value as { pattern: string | readonly string[]; raw?: unknown; positions?: unknown };
  if (entry.raw !== 'compact' || entry.positions === 'fixed') return;
  const isCut = patternsOf(entry.pattern).some((text) => {
    // Whatever the classes of the document are; they only make characters alike.
    const words = text.match(/[a-z][\w-]*/gi) ?? [];
    const classes = Object.fromEntries(words.map((word) => [word, '0-9A-Za-z']));
    const read = parseNotation(text, words);
    return !read.faults[0] && needsText(planPattern(read.nodes, filled(options, { pattern: text }), classes));
  });
  if (!isCut) return;
  at.get('raw').fault(say(faults, 'raw-too-short'), { suggestion: 'text' });
}

export const pattern: Definition<typeof options, PatternPlan> = {
  name: 'pattern',
  direction: 'ltr',
  options,
  faults,
  check,
  variant: ({ pattern }) => (typeof pattern === 'string' ? undefined : { wordedAs: 'patterns' }),
  plan: (entry, { id, classes }) => {
    const all = filled(options, entry);
    const plans = patternsOf(entry.pattern).map((text) => {
      const { nodes, faults: found } = parseNotation(text, Object.keys(classes));
      if (found[0])
        throw misuse({
          code: found[0].code,
          message: `${id}: column ${found[0].column}: ${found[0].message}`,
        });
      return planPattern(nodes, all, classes);
    });
    const [first] = plans;
    if (!first) throw noPattern(id);
    if (plans.length === 1) return first;
    // One form of the raw value for all: where one of them needs the fixed text, all have it.
    const raw = entry.raw ?? (plans.some((plan) => plan.raw === 'text') ? 'text' : 'content');
    const alternatives = plans.map((plan): PatternPlan => ({ ...plan, raw }));
    return { ...first, raw, alternatives };
  },
};

/** A pattern compiled without options of its own. */
export const planPlainly = (nodes: readonly Node[], classes: Readonly<Record<string, string>>): PatternPlan =>
  planPattern(nodes, filled(options, { pattern: '' }), classes);

/**
 * Compiles a parsed notation to cells, parts, stretches and the fixed text between them. `nodes` must be free
 * of faults.
 */
function planPattern(
  nodes: readonly Node[],
  entry: Omit<Filled, 'pattern'>,
  classes: Readonly<Record<string, string>>,
): PatternPlan {
  const parts: Part[] = [];
  const stretches: { -readonly [K in keyof Stretch]: Stretch[K] }[] = [];
  const cells: number[] = [];
  const before: Segment[][] = [[]];

  const walk = (list: readonly Node[], stretch: number): void => {
    for (const node of list) {
      if (node.type === 'text') {
        itemAt(before, cells.length).push({ text: node.text, stretch });
      } else if (node.type === 'stretch') {
        const index = stretches.push({ first: cells.length, end: 0 }) - 1;
        walk(node.nodes, index);
        itemAt(stretches, index).end = cells.length;
      } else {
        const part = planPart(node, cells.length, stretch, classes);
        for (let i = 0; i < part.size; i++) {
          cells.push(parts.length);
          before.push([]);
        }
        parts.push(part);
      }
    }
  };
  walk(nodes, -1);
  const laid = { parts, stretches, cells, before: before.map(fixedText) };
  return {
    kind: 'pattern',
    positions: entry.positions,
    literals: entry.literals,
    filler: entry.filler,
    raw: entry.raw ?? (entry.positions === 'flow' && needsText(laid) ? 'text' : 'content'),
    ghost: entry.ghost,
    ...laid,
  };
}

/**
 * Whether content alone cannot restore the display: a part of varying length can be ended by the fixed text
 * after it (`12-34` and `1234`).
 *
 * @example
 * const isAmbiguous = (plan: PatternPlan) => needsText(plan);
 */
export function needsText({ parts, before }: Pick<PatternPlan, 'parts' | 'before'>): boolean {
  return parts.some((part, i) => {
    // A deletion leaves a part short before a stretch, which is not pulled into it.
    const isCut = part.min < part.size || part.stretch >= 0;
    if (!isCut && !parts.slice(i + 1).some(({ stretch }) => stretch >= 0)) return false;
    for (const next of parts.slice(i + 1)) {
      const hasText = before.slice(part.first + part.size, next.first + 1).some((fixed) => fixed.length > 0);
      if (hasText && (isCut || next.stretch >= 0) && overlap(part, next)) return true;
      if (next.min > 0 && next.stretch < 0) break;
    }
    return false;
  });
}

/** Whether some character could go into both parts. Tested with characters of every set that has a name. */
function overlap(a: Part, b: Part): boolean {
  const tried = new Set([...'0a漢-é', ...edgesOf(a), ...edgesOf(b)]);
  for (let code = 0x20; code < 0x7f; code++) tried.add(String.fromCharCode(code));
  for (const c of tried) {
    const [one, other] = [taken(a, c), taken(b, c)];
    if (one !== undefined && other !== undefined && begins(a, one) && begins(b, other)) return true;
  }
  return false;
}

const edgesOf = ({ set, words }: Part): string[] => [
  ...(Array.isArray(set) ? set.map((code: number) => String.fromCodePoint(code)) : []),
  ...(words ?? []).flatMap((word) => [...word]),
];

const begins = ({ words }: Part, character: string): boolean =>
  !words || words.some((word) => word.toLowerCase().includes(character.toLowerCase()));

const fixedText = (segments: readonly Segment[]): FixedText =>
  segments.every((segment) => segment.stretch < 0)
    ? segments.map((segment) => segment.text).join('')
    : segments;

function planPart(
  node: Exclude<Node, { type: 'text' | 'stretch' }>,
  first: number,
  stretch: number,
  classes: Readonly<Record<string, string>>,
): Part {
  switch (node.type) {
    case 'number': {
      const size = node.low.length;
      return { takes: 'number', first, size, min: size, stretch, low: node.low, high: node.high };
    }
    case 'words': {
      const lengths = node.words.map((word) => [...word].length);
      return {
        takes: 'words',
        first,
        size: Math.max(...lengths),
        min: Math.min(...lengths),
        stretch,
        words: node.words,
      };
    }
    case 'cells': {
      const part: Part = {
        takes: 'set',
        first,
        size: node.max,
        min: node.min,
        stretch,
        set: setOf(node.takes, classes),
      };
      return node.manner ? { ...part, manner: node.manner } : part;
    }
  }
}
