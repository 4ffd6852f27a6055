import variant from '@jitl/quickjs-wasmfile-release-sync';
import { newQuickJSWASMModuleFromVariant, type QuickJSWASMModule } from 'quickjs-emscripten-core';

/** The engine that runs custom code under Node. */
export const quickjs = (): Promise<QuickJSWASMModule> => newQuickJSWASMModuleFromVariant(variant);
