/** One mistake in a document: its place, what was expected, and a way out. */
export interface DocumentFault {
  /** JSON path, `$` the document: `$.fields[0].entry.pattern`. */
  readonly path: string;
  /** It stays the same when the message is reworded. `docs/errors.md` lists all codes. */
  readonly code: string;
  readonly message: string;
  readonly suggestion?: string;
  /** 1-based column inside the text at `path`, if the mistake is within it. */
  readonly column?: number;
  /** 1-based line and column in the source, if the text is not valid JSON. */
  readonly line?: number;
}
