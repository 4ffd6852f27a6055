import type { CheckDocuments } from './check-documents.ts';

/** What a rule checks, as a document writes it. */
export type CheckDocument = CheckDocuments[keyof CheckDocuments];
