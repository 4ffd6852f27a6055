import { compileField } from '../../engine/document/compile.ts';
import type { FieldDocument, SetDocument } from '../../engine/document/document.ts';
import type { OpenField } from '../../engine/field/kind.ts';
import { type KindTable, kindIn } from '../../engine/kinds/definition.ts';
import type { Piece } from '../../engine/kinds/drawing.ts';

type Facts = Pick<SetDocument, 'locale' | 'classes'>;

/** A finished text of the field, in pieces. */
export const sampleOf = (field: FieldDocument, set: Facts, kinds: KindTable): readonly Piece[] =>
  kindIn(kinds, field.kind).draw.sample(compileField({ ...field, rules: [] }, set, kinds));

/** The specimen as one line of text, for showing what a choice would make of it. */
export const sampleLine = (pieces: readonly Piece[]): string =>
  pieces
    .filter((piece) => !piece.isOff && !piece.isAside)
    .map((piece) => piece.text)
    .join('');

/** How a field shows a raw value at rest. */
export function shownAt(compiled: OpenField, raw: string): string {
  const { body } = compiled.kind.read(compiled.plan, raw);
  return (compiled.kind.rest?.(compiled.plan, body) ?? body).display;
}
