import variant from '@jitl/quickjs-singlefile-browser-release-sync';
import { newQuickJSWASMModuleFromVariant, type QuickJSWASMModule } from 'quickjs-emscripten-core';

/** The engine that runs developers' code, in a thread of a page: one file, fetched with the thread. */
export const quickjs = (): Promise<QuickJSWASMModule> => newQuickJSWASMModuleFromVariant(variant);
