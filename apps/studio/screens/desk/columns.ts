import type { Node, Part, PatternBody, PatternPlan } from '@arbeit/engine/kinds/pattern';
import { standing, textBefore, written } from '@arbeit/engine/kinds/pattern';
import { graphemes } from '@arbeit/engine/values';
import type { Path } from '../../model/pattern-edits.ts';
import * as words from '../../words/desk/columns.ts';

/**
 * One column of the desk's grid: a character of fixed text or a cell. Specimen and ruler both use these
 * columns.
 */
export interface Column {
  readonly id: string;
  /** The part of the pattern it belongs to. */
  readonly path: Path;
  /** The cell, or the cell after this fixed text. */
  readonly cell: number;
  readonly is: 'cell' | 'fixed';
  /** The fixed character, or that of the sample. */
  readonly character: string;
  /** Offset of a fixed character within all the fixed text before `cell`, in UTF-16 units. */
  readonly within: number;
  /** Whether it may be left out: beyond the part's minimum, or in an optional stretch. */
  readonly optional: boolean;
}

/** A part of the pattern with its columns, from `from` up to but not including `end`. */
export interface Span {
  readonly node: Node;
  readonly path: Path;
  readonly from: number;
  readonly end: number;
}

export function columnsOf(
  nodes: readonly Node[],
  plan: PatternPlan,
  sample: readonly string[],
): { columns: readonly Column[]; spans: readonly Span[] } {
  const columns: Column[] = [];
  const spans: Span[] = [];
  let cell = 0;
  let within = 0;
  const walk = (list: readonly Node[], above: Path): void => {
    for (const [i, node] of list.entries()) {
      const path = [...above, i];
      const from = columns.length;
      if (node.type === 'stretch') {
        walk(node.nodes, path);
        continue;
      }
      if (node.type === 'text') {
        for (const character of graphemes(node.text)) {
          columns.push({
            id: `f${columns.length}`,
            path,
            cell,
            is: 'fixed',
            character,
            within,
            optional: above.length > 0,
          });
          within += character.length;
        }
      } else {
        const part = plan.parts[plan.cells[cell]!]!;
        for (let n = 0; n < part.size; n++, cell++) {
          const optional = n >= part.min || part.stretch >= 0;
          columns.push({
            id: `c${columns.length}`,
            path,
            cell,
            is: 'cell',
            character: sample[cell]!,
            within: 0,
            optional,
          });
          within = 0;
        }
      }
      spans.push({ node, path, from, end: columns.length });
    }
  };
  walk(nodes, []);
  return { columns, spans };
}

/** What a cell accepts, short enough for its column. */
export function shortFor(part: Part): string {
  if (part.takes === 'words') return words.word;
  if (part.takes === 'number') return words.num;
  switch (part.set) {
    case 'digit':
      return '0-9';
    case 'latin':
      return part.manner === 'lower' ? 'a-z' : part.manner === 'upper' ? 'A-Z' : 'A-z';
    case 'letter':
      return words.abc;
    case 'alnum':
      return 'a/9';
    case 'any':
      return words.any;
    default:
      return words.set;
  }
}

/** What a column currently shows: the character and its offset in the display; `null` if it is empty. */
export interface Standing {
  readonly character: string;
  readonly offset: number;
  /** Whether the user typed it. */
  readonly content: boolean;
}

/** Assigns the characters of a display to columns, each to the part it fills. */
export function place(
  plan: PatternPlan,
  body: PatternBody,
  columns: readonly Column[],
): readonly (Standing | null)[] {
  const fixedAt = plan.before.map((fixed, i) => {
    const previous = i === 0 ? 0 : body.at[i - 1]! + widthOf(plan, body, i - 1);
    const end = i < body.at.length ? body.at[i]! : body.display.length;
    const shown = body.display.slice(previous, end);
    // After the content, only the typed part of the fixed text is displayed.
    const full =
      body.passed?.cell === i ? textBefore(plan, body.cells, i) : standing(plan, body.cells, fixed);
    return shown !== '' && full.startsWith(shown) ? { previous, shown, full, all: written(fixed) } : null;
  });
  return columns.map((column) => {
    if (column.is === 'cell') {
      const character = body.cells[column.cell]!;
      const offset = body.at[column.cell]!;
      if (character) return { character, offset, content: true };
      return widthOf(plan, body, column.cell) ? { character: plan.filler, offset, content: false } : null;
    }
    const run = fixedAt[column.cell];
    if (!run) return null;
    // If an optional stretch is missing, its characters are missing from the display.
    const from = run.full === run.all ? column.within : offsetAmong(plan, body, column);
    return from < 0 || from >= run.shown.length
      ? null
      : { character: column.character, offset: run.previous + from, content: false };
  });
}

function widthOf(plan: PatternPlan, body: PatternBody, cell: number): number {
  const own = body.cells[cell]!;
  if (own || plan.positions === 'flow') return own.length;
  return body.display.startsWith(plan.filler, body.at[cell]!) &&
    (body.at[cell + 1] ?? body.display.length) > body.at[cell]!
    ? plan.filler.length
    : 0;
}

/**
 * The offset of a fixed character among the displayed characters of its run, -1 if its segment is not
 * displayed.
 */
function offsetAmong(plan: PatternPlan, body: PatternBody, column: Column): number {
  const fixed = plan.before[column.cell]!;
  if (typeof fixed === 'string') return column.within;
  let at = 0;
  let shown = 0;
  for (const segment of fixed) {
    // A stretch typed after the content is displayed before anything is in it.
    const isTyped = body.passed?.cell === column.cell && isAround(plan, segment.stretch, column.cell);
    const stands = isTyped || standing(plan, body.cells, [segment]) !== '';
    if (column.within < at + segment.text.length) return stands ? shown + column.within - at : -1;
    at += segment.text.length;
    if (stands) shown += segment.text.length;
  }
  return -1;
}

function isAround({ stretches }: PatternPlan, stretch: number, cell: number): boolean {
  const found = stretches[stretch];
  return found !== undefined && cell >= found.first && cell < found.end;
}

/**
 * The column boundary (0 is left of the first) for a caret at an offset: after the character left of it,
 * otherwise before the one right of it.
 */
export function boundaryFor(offset: number, placed: readonly (Standing | null)[]): number {
  let behind = 0;
  for (const [i, standing] of placed.entries()) {
    if (!standing) continue;
    if (standing.offset >= offset) return behind || i;
    behind = i + 1;
  }
  return behind;
}
