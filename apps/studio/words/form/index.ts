// Every text of these files, for tests; the studio imports single files, so that a page loads only its own.

export * from './across-fields.ts';
export * from './arranging.ts';
export * from './board.ts';
export * from './code-request.ts';
export * from './conditions.ts';
export * from './drive.ts';
export * from './form-alone.ts';
export * from './form-sheet.ts';
export * from './live-form.tsx';
export * from './manners.ts';
export * from './record.ts';
export * from './telephone.ts';
export * from './when-sent.ts';
