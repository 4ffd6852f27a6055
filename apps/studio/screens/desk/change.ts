import type { FieldDocument } from '@arbeit/engine/document';

/** Changes the definition of a field. `about` groups changes into one undo step. */
export type Change = (edit: (field: FieldDocument) => FieldDocument, about?: string) => void;
