export type { DocumentFault } from './document-fault.ts';
export { Spot } from './spot.ts';
