export { Cursor } from './cursor.ts';
export type { DocumentFault } from './document-fault.ts';
export { nearest } from './fault.ts';
export { most } from './limits.ts';
export { misuse, type Said, say, type Texts } from './say.ts';
export { documentTexts } from './texts.ts';
