import type { CodeInput, CodeOutcome } from '@arbeit/engine/rules';
import type { QuickJSWASMModule } from 'quickjs-emscripten-core';

/** `onSpoilt`: this engine should not be called again. */
export function createSandbox(
  quickjs: QuickJSWASMModule,
  onSpoilt: () => void,
): (code: string, input: CodeInput) => CodeOutcome;
