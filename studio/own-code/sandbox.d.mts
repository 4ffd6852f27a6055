import type { CodeInput, CodeOutcome } from '@arbeit/engine/rules';
import type { QuickJSWASMModule } from 'quickjs-emscripten-core';

/** `onSpoilt`: this engine should not be called again. */
export function createSandbox(
  quickjs: QuickJSWASMModule,
  onSpoilt: () => void,
): (code: string, input: CodeInput) => CodeOutcome;

/** What a call of a function came to. */
export type Called = { readonly text: string } | { readonly broken: string; readonly line?: number };

/** A function of one text, in a world that stays from call to call. Throws `{ broken, line? }` where there is none in the code. */
export function createCaller(
  quickjs: QuickJSWASMModule,
  code: string,
): { call(text: string): Called; end(): void };

/** Code as it is copied from somewhere, as a module that exports its function. */
export function asModule(code: string): string;
