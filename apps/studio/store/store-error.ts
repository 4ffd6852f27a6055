import * as words from '../words/store/store-error.ts';

/** Why the store does not answer, and what to do. */
export class StoreError extends Error {
  constructor(message: string, cause?: unknown) {
    super(message, { cause });
    this.name = 'StoreError';
  }
}

/** Compared by name, because Next gives each route a copy of this module, and so a class of its own. */
export const isStoreError = (error: unknown): error is StoreError =>
  error instanceof Error && error.name === 'StoreError';

const codeOf = (error: unknown): string => {
  const { code } = (error ?? {}) as { code?: unknown };
  return typeof code === 'string' ? code : '';
};

/** The disk of a data folder is full. */
export const diskFull = (folder: string, cause?: unknown): StoreError =>
  new StoreError(
    `The disk of the data folder (${folder}) is full. Nothing was changed. Free some space; changes are kept in the browser and sent again.`,
    cause,
  );

/** The store in a data folder is damaged; `why` if known. */
export const damaged = (folder: string, cause?: unknown, why = ''): StoreError =>
  new StoreError(words.theDatabaseInIsDamaged(folder, why), cause);

/** The chain of causes: Drizzle wraps errors of PostgreSQL, which may wrap errors of the system. */
function* causes(error: unknown): Generator<unknown> {
  for (let next = error, depth = 0; next && depth < 6; next = (next as { cause?: unknown }).cause, depth++)
    yield next;
}

/**
 * An error of the store as a sentence. System codes are those of POSIX, five-character ones those of
 * PostgreSQL (appendix A: 53100 disk full, class 58 system error, XX00x corrupted data).
 */
export const asStoreError = (error: unknown, folder: string): StoreError =>
  storeErrorIn(error, folder) ?? new StoreError(noAnswer, error);

const noAnswer = words.noResponseFromTheDatabase;

/**
 * Whether an error comes from the database: a failed query (Drizzle), an error of PostgreSQL, a closed
 * client.
 */
const isOfDatabase = (cause: unknown): boolean => {
  const { name, severity, message } = (cause ?? {}) as {
    name?: unknown;
    severity?: unknown;
    message?: unknown;
  };
  return (
    name === 'DrizzleQueryError' ||
    severity !== undefined ||
    /^Failed query|PGlite is closed/.test(String(message))
  );
};

/**
 * An error of the store as a sentence; `undefined` for other errors, which must not be reported as failures
 * of the store. System codes are those of POSIX, five-character ones those of PostgreSQL (appendix A).
 */
export function storeErrorIn(error: unknown, folder: string): StoreError | undefined {
  for (const cause of causes(error)) {
    if (isStoreError(cause)) return cause;
    if (cause instanceof Error && cause.name === 'FolderInUse') return new StoreError(cause.message, error);
    const code = codeOf(cause);
    const text = cause instanceof Error ? cause.message : String(cause);
    if (code === 'ENOSPC' || code === 'EDQUOT' || code === '53100' || /no space left|disk full/i.test(text))
      return diskFull(folder, error);
    if (
      ['EROFS', 'EACCES', 'EPERM', '42501'].includes(code) ||
      /read-only file system|permission denied/i.test(text)
    )
      return new StoreError(words.theDataFolderCannot(folder), error);
    if (
      code === 'XX001' ||
      code === 'XX002' ||
      /INITDB failed|failed to initialize|could not locate a valid checkpoint|database files are incompatible|invalid page|Aborted\(|unreachable|memory access out of bounds/i.test(
        text,
      )
    )
      return damaged(folder, error);
    if (code === 'ENOENT' || code === 'ENOTDIR' || code === 'EEXIST')
      return new StoreError(words.dataFolderDoesNotExist(folder), error);
  }
  return unanswered(error);
}

/** The sentence for any other error of the database; `undefined` for an error that is not the database's. */
export const unanswered = (error: unknown): StoreError | undefined =>
  [...causes(error)].some(isOfDatabase) ? new StoreError(noAnswer, error) : undefined;
