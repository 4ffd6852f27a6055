import type { FieldDocument, SetDocument } from '@arbeit/engine/document';

/** A field that was deleted: told where it stood, where it can be put back. */
export interface JustDeleted {
  readonly setId: string;
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
export function takeNote(setId: string): JustDeleted | null {
  if (note?.setId !== setId) return null;
  const taken = note;
  note = null;
  return taken;
}
