/**
 * What takes a field away, with all that speaks of it, and puts it back: fetched once somebody begins to use
 * a page.
 */
export { putBack } from './put-back.ts';
export { removeField } from './references.ts';
