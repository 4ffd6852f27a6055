import type { FieldDocument } from '@arbeit/engine/document';

/**
 * Whether a field is defined by a pattern, or by a list of them. Then their notation is its specimen, and is
 * edited part by part.
 */
export const hasNotation = (field: FieldDocument): field is FieldDocument<'pattern'> => {
  const { pattern } = (field.entry ?? {}) as { readonly pattern?: unknown };
  return typeof pattern === 'string' || Array.isArray(pattern);
};

/** The patterns of a field, in order. */
export const patternsOf = ({ entry: { pattern } }: FieldDocument<'pattern'>): readonly string[] =>
  typeof pattern === 'string' ? [pattern] : pattern;

/** The field with these patterns; one alone is no list. */
export const withPatterns = (field: FieldDocument, patterns: readonly string[]): FieldDocument =>
  ({
    ...field,
    entry: { ...field.entry, pattern: patterns.length === 1 ? patterns[0] : patterns },
  }) as FieldDocument;
