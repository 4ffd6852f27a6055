import type { FieldDocument } from '@arbeit/engine/document';

/** Whether a field is defined by a pattern. Then its notation is its specimen, and is edited part by part. */
export const hasNotation = (field: FieldDocument): field is FieldDocument<'pattern'> =>
  typeof (field.entry as { readonly pattern?: unknown } | undefined)?.pattern === 'string';
