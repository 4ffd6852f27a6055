export { fieldEvents, type Miss, type Played, play, type Row, type TapeMismatch } from './play.ts';
export { readTape } from './read-tape.ts';
export type { Action, Expectation, Tape } from './script.ts';
export { trial } from './trial.ts';
