export { type CompiledModule, compiledModule } from './compiled-module.ts';
export { type Place, placeIn, readDocumentText } from './document-text.ts';
