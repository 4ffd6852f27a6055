export { type CompiledModule, compiledModule } from './compiled-module.ts';
export {
  documentText,
  migratedText,
  type Place,
  placesIn,
  readDocumentText,
  tooDeep,
} from './document-text.ts';
export { inAttribute, inHtml, scriptInPage } from './escape.ts';
export { slug } from './names.ts';
