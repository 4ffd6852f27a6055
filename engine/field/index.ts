export type { Body, Edited, Extent, Reason, Taken } from './body.ts';
export type { CompiledField, Plan } from './compiled.ts';
export { attributeNames, mayStand } from './html.ts';
export { type BodyOf, closed, type Kind, type Kinds, type OpenField, open, openAny } from './kind.ts';
export type { FieldEvent, FieldState } from './moment.ts';
export type { Answer, Question, Questions } from './questions.ts';
export { type Flags, type Reading, read, type Shown, told } from './reading.ts';
export { apply, keysOf, start } from './state.ts';
