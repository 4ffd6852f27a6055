import type { SetDocument } from '@arbeit/engine/document';

/** A field deleted on its desk, told on the shelf the user is taken to, where it can be put back. */
export interface JustDeleted {
  readonly setId: string;
  readonly label: string;
  /** The set as it was with the field. */
  readonly before: SetDocument;
}

let note: JustDeleted | null = null;

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
