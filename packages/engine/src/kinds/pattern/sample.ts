import { itemAt } from '../../values/item-at.ts';
import type { PlacedText, SpecimenRenderer } from '../contract/specimen-renderer.ts';
import { taken } from '../editing/takes.ts';
import type { PatternBody } from './body.ts';
import { inBounds } from './cells.ts';
import { written } from './layout.ts';
import type { Part, PatternPlan } from './plan.ts';

/** A pattern's specimen is drawn from its notation, part by part; here the finished text is one piece. */
export const drawing: SpecimenRenderer<PatternPlan, PatternBody> = {
  sample(field) {
    const { body } = field.kind.parse(field.plan, sampleCells(field.plan).join(''));
    return [{ id: 'text', part: 'typing', text: body.display, caption: 'text', isValue: true }];
  },
  places: (plan) => {
    const fixed = plan.before.map(written);
    const cells = sampleCells(plan).flatMap((text, place): readonly PlacedText[] => [
      { text: itemAt(fixed, place) },
      { text, place },
    ]);
    return [...cells, { text: fixed.at(-1) ?? '' }].filter(({ text }) => text !== '');
  },
  isUsers: (_, { cells, at }) => {
    const own = new Set(at.filter((_, i) => cells[i]));
    return (_, offset) => own.has(offset);
  },
  held: ({ cells }) => cells.flatMap((c, i) => (c ? [i] : [])),
};

/**
 * A character for every cell, optional ones too: what a finished text could look like.
 *
 * @example
 * const cells = (plan: PatternPlan) => sampleCells(plan).join('');
 */
export function sampleCells(plan: PatternPlan): readonly string[] {
  const cells: string[] = [];
  for (const [i, index] of plan.cells.entries()) {
    const part = itemAt(plan.parts, index);
    cells.push(sampleFor(part, i - part.first, i));
  }
  return cells;
}

const candidates = '1234567890ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz-+*/.,:';

function sampleFor(part: Part, place: number, cell: number): string {
  if (part.takes === 'words') {
    const longest = part.words!.find((word) => [...word].length === part.size)!;
    return [...longest][place]!;
  }
  if (part.takes === 'number') return sampleNumber(part)[place]!;
  const wanted = isLetters(part) ? itemAt('ABCDEFGH', cell % 8) : itemAt('5550123456', cell % 10);
  const taker = [wanted, ...candidates].map((c) => taken(part, c)).find((c) => c !== undefined);
  return taker ?? String.fromCodePoint(Array.isArray(part.set) ? itemAt(part.set, 0) : 0x2022);
}

const isLetters = (part: Part): boolean =>
  part.set === 'letter' || part.set === 'latin' || part.set === 'any';

/** A number between the bounds, about two thirds up and equal to neither if possible. */
function sampleNumber({ low, high, size }: Part): string {
  const from = BigInt(low!);
  const middle = from + ((BigInt(high!) - from) * 2n) / 3n;
  const text = String(middle).padStart(size, '0');
  return inBounds([...text], low!, high!) ? text : high!;
}
