/**
 * Deleting fields with everything that refers to them, and restoring them: loaded on the first interaction
 * with a page.
 */
export { putBack } from './put-back.ts';
export { removeField } from './references.ts';
