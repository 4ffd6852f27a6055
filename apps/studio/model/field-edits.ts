import type { FieldDocument, SetDocument } from '@arbeit/engine/document';
import { fieldName } from '@arbeit/engine/field';
import * as words from '../words/model/field-edits.ts';
import { freeId, takenIds } from './free-id.ts';

/** Edits of the fields of a set as a whole. A desk loads them when its menu is used. */

/**
 * Adds a field under a free id made from the wanted one, and without its name in records if another field has
 * that; returns the document and the id.
 */
export function addField(set: SetDocument, field: FieldDocument): { set: SetDocument; id: string } {
  const id = freeId(field.id, takenIds(set, 'fields'));
  const { name } = field;
  const isTaken = set.fields.some((other) => name === other.id || name === fieldName(other));
  const added = isTaken ? withRecordName(field, '') : field;
  return { set: { ...set, fields: [...set.fields, { ...added, id }] }, id };
}

/** Duplicates a field, directly after it and under a free id; the same set if there is no such field. */
export function duplicateField(set: SetDocument, id: string): { set: SetDocument; id: string } {
  const at = set.fields.findIndex((field) => field.id === id);
  const field = set.fields[at];
  if (!field) return { set, id };
  const copy = freeId(id, takenIds(set, 'fields'));
  return { set: { ...set, fields: set.fields.toSpliced(at + 1, 0, { ...field, id: copy }) }, id: copy };
}

/** Moves a field to an index; indices outside mean the nearest end. */
export function moveField(set: SetDocument, id: string, to: number): SetDocument {
  const from = set.fields.findIndex((field) => field.id === id);
  const target = Math.max(0, Math.min(set.fields.length - 1, to));
  const field = set.fields[from];
  if (!field || from === target) return set;
  return { ...set, fields: set.fields.toSpliced(from, 1).toSpliced(target, 0, field) };
}

/** Why a field cannot have an id, in a sentence. */
export function problemWithId(set: SetDocument, id: string, own: string): string | null {
  if (!/^[a-z][a-z0-9-]*$/.test(id)) return words.useLowerCaseLettersDigits;
  return id !== own && set.fields.some((field) => field.id === id) ? words.thisIdIsAlready : null;
}

/** The definition with another name in records; an empty one means its id. */
export function withRecordName(field: FieldDocument, name: string): FieldDocument {
  const { id, name: _, ...rest } = field;
  return (name === '' || name === id ? { id, ...rest } : { id, name, ...rest }) as FieldDocument;
}
