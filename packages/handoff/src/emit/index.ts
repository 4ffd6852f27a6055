export { type Use, uses } from './adapters.ts';
export { type CodeFault, customCodeModule, parseCode, type RunsCode } from './custom-code.ts';
export { type HandedFiles, type HandOff, handOff, type TapeFile } from './hand-off.ts';
export { type Difference, type NativeField, nativeField } from './native.ts';
export { type RecordSchema, recordSchema, type Schema } from './record-schema.ts';
export { type Snippet, snippets } from './snippets.ts';
export { type Sources, sourcesFrom } from './sources.ts';
export { pageScripts, type Weight, weigher } from './weight.ts';
