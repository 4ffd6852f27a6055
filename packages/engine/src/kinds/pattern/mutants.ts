import { type Matter, type Node, parseNotation, printNotation } from '../editing/notation.ts';

/** A pattern with one change in it, and a description of the change. */
export interface PatternMutant {
  readonly text: string;
  readonly words: string;
}

/** For each class the similar classes that might be written by mistake. */
const beside: Readonly<Record<string, readonly string[]>> = {
  digit: ['alnum'],
  letter: ['alnum', 'latin'],
  latin: ['letter', 'alnum'],
  alnum: ['digit', 'any'],
  any: ['alnum'],
};

/** One part with one change in it; `undefined` for a part that was removed. */
type Changed = readonly (readonly [words: string, instead: Matter | readonly Matter[]])[];

const quoted = (text: string): string => `“${text}”`;

/** A number between two bounds with one of the bounds off by one, at the same length. */
function offByOne(text: string, by: number): string | undefined {
  const next = Number(text) + by;
  const written = String(next).padStart(text.length, '0');
  return next < 0 || written.length > text.length ? undefined : written;
}

function changedCells(node: Matter & { type: 'cells' }): Changed {
  const { min, max, takes, manner } = node;
  const name = takes.type === 'characters' ? `"${takes.characters}"` : takes.name;
  const known = takes.type === 'built-in' ? (beside[takes.name] ?? []) : ['alnum', 'any'];
  const { manner: _, ...plain } = node;
  return [
    [`one more ${name}`, { ...node, min: min + 1, max: max + 1 }],
    ...(max > 1
      ? [[`one fewer ${name}`, { ...node, min: Math.max(0, Math.min(min, max - 1)), max: max - 1 }] as const]
      : []),
    ...(min > 0 && max > 1 ? [[`the last ${name} is optional`, { ...node, min: min - 1 }] as const] : []),
    ...(min < max ? [[`every ${name} is required`, { ...node, min: max }] as const] : []),
    ...known.map((wide) => [`${wide} instead of ${name}`, { ...node, takes: { type: 'built-in', name: wide as 'digit' } }] as const),
    ...(manner ? [[`${name} without ${manner} case`, plain] as const] : []),
  ]; // biome-ignore format: a way a line
}

function changed(node: Node): Changed {
  switch (node.type) {
    case 'text': {
      const other = node.text.startsWith('-') ? '/' : '-';
      return [
        [`${quoted(node.text)} removed`, []],
        [
          `${quoted(other)} instead of ${quoted(node.text.slice(0, 1))}`,
          { type: 'text', text: other + node.text.slice(1) },
        ],
      ];
    }
    case 'cells':
      return changedCells(node);
    case 'number':
      return (['low', 'high'] as const).flatMap((end) =>
        [-1, 1].flatMap((by) => {
          const next = offByOne(node[end], by);
          return next === undefined
            ? []
            : [[`from ${end === 'low' ? next : node.low} to ${end === 'high' ? next : node.high}`, { ...node, [end]: next }] as const];
        }),
      ); // biome-ignore format: a bound at a time
    case 'words':
      return node.words.length < 2
        ? []
        : node.words.map((word) => {
            const words = node.words.filter((one) => one !== word);
            const [only = ''] = words;
            // A single word is fixed text.
            return [
              `without ${quoted(word)}`,
              words.length > 1 ? { ...node, words } : { type: 'text', text: only },
            ];
          });
    case 'stretch':
      return [
        [`${quoted(printNotation(node.nodes))} is required`, node.nodes],
        [`${quoted(printNotation(node.nodes))} removed`, []],
        ...replaced(node.nodes).map(
          ({ words, nodes }) => [words, { type: 'stretch', nodes: nodes as readonly Node[] }] as const,
        ),
      ];
  }
}

/** Every way to change one of the parts. */
function replaced(
  nodes: readonly Node[],
): readonly { readonly words: string; readonly nodes: readonly Matter[] }[] {
  return nodes.flatMap((node, i) =>
    changed(node).map(([words, instead]) => ({
      words,
      nodes: nodes.toSpliced(i, 1, ...((Array.isArray(instead) ? instead : [instead]) as Node[])),
    })),
  );
}

/** Every sensible way to break a pattern in one place; each result can be read. */
export function patternMutants(pattern: string, classes: readonly string[]): readonly PatternMutant[] {
  const { nodes, faults } = parseNotation(pattern, classes);
  if (faults.length > 0) return [];
  const seen = new Set([printNotation(nodes)]);
  return replaced(nodes).flatMap(({ words, nodes: broken }) => {
    const written = printNotation(broken);
    if (seen.has(written) || parseNotation(written, classes).faults.length > 0) return [];
    seen.add(written);
    return [{ text: written, words }];
  });
}
