export { type CompiledModule, compiledModule } from './compiled-module.ts';
export { documentText, type Place, placeIn, readDocumentText } from './document-text.ts';
