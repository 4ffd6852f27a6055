import { type Matter, type Node, parseNotation, printNotation } from '@arbeit/engine/kinds/pattern';

/** The place of a part: an index per level, from the outside in. */
export type Path = readonly number[];

/** The part at a path. */

export function partAt(nodes: readonly Node[], path: Path): Node | undefined {
  const [index, ...rest] = path;
  const node = nodes[index!];
  if (!node || rest.length === 0) return node;
  return node.type === 'stretch' ? partAt(node.nodes, rest) : undefined;
}

/** The pattern with a part replaced. Without replacement it is removed, with a stretch that becomes empty. */
export function replacePart(nodes: readonly Matter[], path: Path, by: readonly Matter[]): string {
  return printNotation(replaced(nodes, path, by));
}

function replaced(nodes: readonly Matter[], path: Path, by: readonly Matter[]): readonly Matter[] {
  const [index, ...rest] = path;
  return nodes.flatMap((node, i) => {
    if (i !== index) return [node];
    if (rest.length === 0) return by;
    if (node.type !== 'stretch') return [node];
    const inner = replaced(node.nodes, rest, by);
    return inner.length ? [{ ...node, nodes: inner as readonly Node[] }] : [];
  });
}

export function insertBeside(
  nodes: readonly Node[],
  path: Path,
  side: 'before' | 'after',
  part: Matter,
): string {
  const present = partAt(nodes, path);
  if (!present) return printNotation([...nodes, part]);
  return replacePart(nodes, path, side === 'before' ? [part, present] : [present, part]);
}

/** Swaps a part with its neighbour on that side; at an end nothing changes. */
export function movePart(nodes: readonly Node[], path: Path, by: -1 | 1): string {
  const siblings = path.length === 1 ? nodes : innerOf(nodes, path.slice(0, -1));
  const index = path.at(-1)!;
  const other = siblings[index + by];
  if (!other) return printNotation(nodes);
  const swapped = siblings.map((node, i) =>
    i === index ? other : i === index + by ? siblings[index]! : node,
  );
  if (path.length === 1) return printNotation(swapped);
  const outer = partAt(nodes, path.slice(0, -1));
  return outer?.type === 'stretch'
    ? replacePart(nodes, path.slice(0, -1), [{ type: 'stretch', nodes: swapped }])
    : printNotation(nodes);
}

function innerOf(nodes: readonly Node[], path: Path): readonly Node[] {
  const outer = partAt(nodes, path);
  return outer?.type === 'stretch' ? outer.nodes : [];
}

/** Makes a part optional, or required again. */
export function toggleOptional(nodes: readonly Node[], path: Path): string {
  const part = partAt(nodes, path);
  if (!part) return printNotation(nodes);
  if (part.type === 'stretch') return replacePart(nodes, path, part.nodes);
  return replacePart(nodes, path, [{ type: 'stretch', nodes: [part] }]);
}

/** Whether a pattern has no faults. */
export const isSound = (pattern: string, classes: readonly string[]): boolean =>
  parseNotation(pattern, classes).faults.length === 0;
