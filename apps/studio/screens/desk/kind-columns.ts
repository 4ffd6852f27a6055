import type { FieldState, HydratedField } from '@arbeit/engine/field';
import type { SpecimenRenderer } from '@arbeit/engine/kinds';
import { type KindTable, kindIn } from '@arbeit/engine/kinds';

import { graphemes } from '@arbeit/engine/values';

/** A character of the display, and what it is. */
export interface DisplayColumn {
  readonly character: string;
  /** UTF-16 offset in the display; for a gap drawn between two characters, half a unit before the second. */
  readonly offset: number;
  /** Whether the user typed it; otherwise it is a symbol, a separator or a filled-in zero. */
  readonly isContent: boolean;
  /** Whether it is part of the value: in a telephone number, everything but the trunk prefix. */
  readonly isInValue: boolean;
  /** What a person sees there: a bullet if the field conceals. */
  readonly seen: string;
}

/** The specimen renderer of a field's kind. */
export const drawingOf = ({ plan }: HydratedField, kinds: KindTable): SpecimenRenderer =>
  kindIn(kinds, plan.kind).draw;

/** The display of a field of any kind but `pattern`, character by character. */
export function displayColumns(
  field: HydratedField,
  { body }: FieldState,
  draw: SpecimenRenderer,
): readonly DisplayColumn[] {
  const { plan } = field;
  const isContent = draw.isUsers?.(plan, body) ?? (() => true);
  const isConcealed = draw.conceals?.(plan) ?? false;
  const gaps = draw.gaps?.(plan) ?? [];
  let ahead = draw.lead?.(body) ?? 0;
  let offset = 0;
  return graphemes(body.display).flatMap((character) => {
    const own = isContent(character, offset);
    const isLead = own && ahead-- > 0;
    const seen = isConcealed ? '•' : character;
    const column = {
      character,
      offset,
      isContent: own,
      isInValue: own && !isLead && character !== 'x',
      seen,
    };
    // A gap belongs to no character; a caret before it counts as after it.
    const gap = gaps.includes(offset)
      ? [{ ...column, character: '', seen: '', offset: offset - 0.5, isContent: false, isInValue: false }]
      : [];
    offset += character.length;
    return [...gap, column];
  });
}

/** The possible offsets of the caret. */
export function stopsOf(field: HydratedField, { body }: FieldState): readonly number[] {
  const { clampCaret } = field.kind;
  const all = [0];
  for (const character of graphemes(body.display)) all.push(all.at(-1)! + character.length);
  return clampCaret ? all.filter((offset) => clampCaret(field.plan, body, offset) === offset) : all;
}
