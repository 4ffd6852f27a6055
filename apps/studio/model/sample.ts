import type { FieldDocument, SetDocument } from '@arbeit/engine/document';
import { compileField } from '@arbeit/engine/document';
import type { HydratedField } from '@arbeit/engine/field';
import type { Piece } from '@arbeit/engine/kinds';
import { type KindTable, kindIn } from '@arbeit/engine/kinds';

type Facts = Pick<SetDocument, 'locale' | 'classes'>;

/** A finished text of the field in pieces. `withCode` adds what runs its custom code. */
export const sampleOf = (
  field: FieldDocument,
  set: Facts,
  kinds: KindTable,
  withCode: (field: HydratedField) => HydratedField = (compiled) => compiled,
): readonly Piece[] =>
  kindIn(kinds, field.kind).draw.sample(withCode(compileField({ ...field, rules: [] }, set, kinds)));

/** The specimen as one line of text, to show the effect of a choice. */
export const sampleLine = (pieces: readonly Piece[]): string =>
  pieces
    .filter((piece) => !piece.isOff && !piece.isAside)
    .map((piece) => piece.seen ?? piece.text)
    .join('');

/** How a field without focus shows a raw value. */
export function shownAt(compiled: HydratedField, raw: string): string {
  const { body } = compiled.kind.parse(compiled.plan, raw);
  return (compiled.kind.toResting?.(compiled.plan, body) ?? body).display;
}

/** A finished text of a field, as it could be typed or pasted. */
export const finishedText = (compiled: HydratedField, kinds: KindTable): string =>
  kindIn(kinds, compiled.plan.kind)
    .draw.sample(compiled)
    .filter((piece) => !piece.isOff && !piece.isAside)
    .map(({ text }) => text)
    .join('');
