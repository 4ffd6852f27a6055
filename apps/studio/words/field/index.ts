// Every text of these files, for tests; the studio imports single files, so that a page loads only its own.

export * from './code-sender.tsx';
export * from './message-editor.ts';
export * from './options.ts';
export * from './plain-field.ts';
export * from './region-picker.ts';
export * from './taken.ts';
