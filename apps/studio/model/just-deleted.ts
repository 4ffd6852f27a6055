import type { FieldDocument, SetDocument } from '@arbeit/engine/document';

/** A field that was deleted: told where it stood, where it can be put back. */
export interface JustDeleted {
  readonly setKey: string;
  readonly field: FieldDocument;
  /** Its place among the fields. */
  readonly at: number;
  /** The set as it was with the field. */
  readonly before: SetDocument;
}

let note: JustDeleted | null = null;

/** Leaves the note for the shelf, where the user is taken next. */
export function leaveNote(deleted: JustDeleted): void {
  note = deleted;
}

/** The note for this set, once. */
export function takeNote(setKey: string): JustDeleted | null {
  if (note?.setKey !== setKey) return null;
  const taken = note;
  note = null;
  return taken;
}
