import variant from '@jitl/quickjs-singlefile-browser-release-sync';
import { newQuickJSWASMModuleFromVariant, type QuickJSWASMModule } from 'quickjs-emscripten-core';

/** The engine that runs custom code in a worker of a page: one file, loaded with the worker. */
export const quickjs = (): Promise<QuickJSWASMModule> => newQuickJSWASMModuleFromVariant(variant);
