/** One mistake in a document: where, what was expected, and a way out. */
export interface DocumentFault {
  /** JSON path, `$` the document: `$.fields[0].entry.pattern`. */
  readonly path: string;
  readonly message: string;
  readonly suggestion?: string;
  /** 1-based column inside the text at `path`, where the mistake lies within it. */
  readonly column?: number;
  /** 1-based line and column in the source text, where the text is no JSON at all. */
  readonly line?: number;
}
