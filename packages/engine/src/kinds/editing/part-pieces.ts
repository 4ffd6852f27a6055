import { apply, start } from '../../field/apply.ts';
import type { HydratedField } from '../../field/kind.ts';
import { fold } from '../../values/graphemes.ts';
import { itemAt } from '../../values/item-at.ts';
import type { Piece, PlacedText } from '../contract/specimen-renderer.ts';
import type { PartsBody, PartsPlan } from './parts.ts';

/** Names of the parts and of the fixed text between them. */
export interface PartWords {
  readonly text: string;
  readonly fixed: { readonly part: string; readonly caption: string };
  /** The specimen part of a field's part, by name. */
  partOf(name: string): string;
}

const names: Readonly<Record<string, string>> = {
  day: 'day', month: 'month', year: 'year', hour: 'hours', minute: 'minutes', second: 'seconds', period: 'half',
}; // biome-ignore format: a table

/** A finished text of a field with parts, in pieces, with its resting text. */
export function partPieces(
  field: HydratedField<PartsPlan, PartsBody>,
  { text, fixed, partOf }: PartWords,
): { readonly pieces: readonly Piece[]; readonly rested: string } {
  const filled = [{ type: 'set', text }, { type: 'focus' }, { type: 'leave' }] as const;
  const rested = filled.reduce((state, event) => apply(field, state, event), start(field));
  const { body } = apply(field, rested, { type: 'focus' });
  const { display, texts, at } = body;
  const pieces: Piece[] = [];
  let from = 0;
  const addFixed = (end: number) => {
    const text = display.slice(from, end);
    if (text) pieces.push({ id: `fixed-${pieces.length}`, ...fixed, text });
  };
  for (const [i, { name }] of field.plan.parts.entries()) {
    addFixed(itemAt(at, i));
    const end = itemAt(at, i) + itemAt(texts, i).length;
    pieces.push({
      id: name,
      part: partOf(name),
      text: display.slice(itemAt(at, i), end) || '0',
      caption: names[name] ?? name,
      isValue: true,
    });
    from = end;
  }
  addFixed(display.length);
  return { pieces, rested: rested.body.display };
}

/** Typed characters are where their part is. A resting text contains none of them. */
export function customInParts(_: PartsPlan, body: PartsBody): (character: string, offset: number) => boolean {
  const isTyped = body.texts.every(
    (text, i) =>
      [...body.display.slice(itemAt(body.at, i))].slice(0, text.length).map(fold).join('') === text,
  );
  return (_, offset) =>
    isTyped &&
    body.texts.some((text, i) => offset >= itemAt(body.at, i) && offset < itemAt(body.at, i) + text.length);
}

/** The parts of a field by name, with the fixed text between them. */
export function placesOfParts({ parts, between }: PartsPlan): readonly PlacedText[] {
  const all = parts.flatMap(({ name }, place): readonly PlacedText[] => [
    { text: itemAt(between, place) },
    { text: name, place },
  ]);
  return [...all, { text: between.at(-1) ?? '' }].filter(({ text }) => text !== '');
}

/** The parts that have content. */
export const heldInParts = ({ texts }: PartsBody): readonly number[] =>
  texts.flatMap((text, i) => (text ? [i] : []));
