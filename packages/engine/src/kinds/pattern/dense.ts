import { taken } from '../editing/takes.ts';
import type { Edited, PatternBody } from './body.ts';
import type { Cells } from './cells.ts';
import type { Part, PatternPlan } from './plan.ts';

/**
 * The fast path for the most common keystroke: content without gaps in a pattern of plain cells. The place of
 * each character is then known in advance, so a key costs a table look-up and a few slices instead of a pass
 * over the cells. Everything here returns what `insert`, `erase` and `layout` would return, which the laws
 * check on both paths. Whatever is not plain (fixed text typed over, a refusal, a gap) is left to them.
 */
interface Tables {
  readonly parts: readonly Part[];
  readonly before: readonly string[];
  /** The offset of each cell when all before it are filled. */
  readonly at: readonly number[];
  /** For each offset of the full display the number of characters to its left. */
  readonly leftOf: readonly number[];
  /** For each length of the content whether it is complete. */
  readonly complete: readonly boolean[];
  readonly tail: string;
  readonly part: readonly Part[];
  /** Whether every cell accepts the same characters, so that they can move to any other cell unchecked. */
  readonly uniform: boolean;
}

const known = new WeakMap<PatternPlan, Tables | null>();

/** The tables of a plan; `null` for a plan that is not plain. */
function tablesOf(plan: PatternPlan): Tables | null {
  let tables = known.get(plan);
  if (tables === undefined) {
    tables = tabulate(plan);
    known.set(plan, tables);
  }
  return tables;
}

function tabulate(plan: PatternPlan): Tables | null {
  const isPlain =
    plan.positions === 'flow' &&
    plan.literals === 'behind' &&
    plan.parts.every((part) => part.takes === 'set');
  if (!isPlain || plan.stretches.length > 0) return null;
  const before = plan.before as readonly string[];
  const at: number[] = [];
  const leftOf: number[] = [];
  let offset = 0;
  for (let i = 0; i < plan.cells.length; i++) {
    for (let j = before[i]!.length; j >= 0; j--) leftOf.push(i);
    offset += before[i]!.length;
    at.push(offset++);
  }
  const first = plan.parts[0]!;
  const like = (part: Part) => part.manner === first.manner && String(part.set) === String(first.set);
  return {
    parts: plan.parts,
    before,
    at,
    leftOf,
    complete: Array.from(
      { length: plan.cells.length + 1 },
      (_, length) =>
        length > 0 &&
        plan.parts.every((part) => Math.max(0, Math.min(part.size, length - part.first)) >= part.min),
    ),
    tail: before[plan.cells.length]!,
    part: plan.cells.map((part) => plan.parts[part]!),
    uniform: plan.parts.every(like),
  };
}

/** A text state whose cells and offsets are computed when first read. */
class DenseBody implements PatternBody {
  // Declared only: the build then contains no line for a member that the constructor sets.
  declare readonly tables: Tables;
  declare readonly content: string;
  declare readonly display: string;
  declare readonly complete: boolean;
  declare readonly last: number;
  declare readonly passed: undefined;
  declare readonly owed: string;
  declare private ownCells: Cells | undefined;
  declare private ownAt: readonly number[] | undefined;
  constructor(tables: Tables, content: string, display: string, complete: boolean) {
    this.tables = tables;
    this.content = content;
    this.display = display;
    this.complete = complete;
    this.last = content.length - 1;
    this.passed = undefined;
    this.owed = '';
  }
  get cells(): Cells {
    this.ownCells ??= this.tables.at.map((_, i) => this.content[i] ?? '');
    return this.ownCells;
  }
  get at(): readonly number[] {
    this.ownAt ??= this.offsets();
    return this.ownAt;
  }
  private offsets(): readonly number[] {
    const { at, tail } = this.tables;
    const end = this.display.length - (this.complete ? tail.length : 0);
    return at.map((offset, i) => (i <= this.last ? offset : end));
  }
}

/** The text state for cells without a gap before the last character; `undefined` if the plan is not plain. */
export function denseBody(plan: PatternPlan, content: string): PatternBody | undefined {
  const tables = tablesOf(plan);
  return tables ? layDense(tables, content) : undefined;
}

function layDense(t: Tables, content: string): DenseBody {
  const { length } = content;
  const complete = t.complete[length]!;
  let display = '';
  for (const { first, size } of t.parts) {
    if (first >= length) break;
    display += t.before[first] + content.slice(first, first + size);
  }
  return new DenseBody(t, content, complete ? display + t.tail : display, complete);
}

/** Inserts a character that the cell at the caret accepts; `undefined` if more is needed. */
export function insertDense(body: PatternBody, caret: number, character: string): Edited | undefined {
  if (!(body instanceof DenseBody) || character.length !== 1) return undefined;
  const { tables: t, content } = body;
  const { length } = content;
  const cell = Math.min(t.leftOf[caret] ?? length, length);
  if (length === t.at.length || (cell < length && !t.uniform)) return undefined;
  // Inside a fixed text, its next character goes to it.
  const here = t.at[cell]!;
  if (caret < here && caret > here - t.before[cell]!.length) return undefined;
  const as = taken(t.part[cell]!, character);
  if (as === undefined || as.length !== 1) return undefined;
  let laid: DenseBody;
  if (cell === length && !body.complete) {
    const complete = t.complete[length + 1]!;
    const display = body.display + t.before[cell] + as;
    laid = new DenseBody(t, content + as, complete ? display + t.tail : display, complete);
  } else laid = layDense(t, content.slice(0, cell) + as + content.slice(cell));
  return { body: laid, caret: t.at[cell]! + 1 };
}

/** Removes one character, and the rest closes up; `undefined` if more is needed. */
export function eraseDense(body: PatternBody, caret: number, side: 'left' | 'right'): Edited | undefined {
  if (!(body instanceof DenseBody)) return undefined;
  const t = body.tables;
  const { length } = body.content;
  const left = Math.min(t.leftOf[caret] ?? length, length);
  const gone = side === 'left' ? left - 1 : left;
  if (gone < 0 || gone >= length) return { body, caret };
  if (gone < length - 1 && !t.uniform) return undefined;
  if (length === 1) return undefined;
  const laid = layDense(t, body.content.slice(0, gone) + body.content.slice(gone + 1));
  const low = gone > 0 ? t.at[gone - 1]! + 1 : 0;
  const high = gone < length - 1 ? t.at[gone]! : laid.display.length;
  return { body: laid, caret: Math.max(low, Math.min(caret, t.at[gone]!, high)) };
}
