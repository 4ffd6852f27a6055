import type { FieldDocument, SetDocument } from '@arbeit/engine/document';

/** A deleted field, with what is needed to restore it. */
export interface JustDeleted {
  readonly setKey: string;
  readonly field: FieldDocument;
  /** Its index among the fields. */
  readonly at: number;
  /** The set before it was deleted. */
  readonly before: SetDocument;
}

let note: JustDeleted | null = null;

/** Leaves the note for the shelf, which is shown next. */
export function leaveNote(deleted: JustDeleted): void {
  note = deleted;
}

/** Returns the note for this set, once. */
export function takeNote(setKey: string): JustDeleted | null {
  if (note?.setKey !== setKey) return null;
  const taken = note;
  note = null;
  return taken;
}
