export {
  begunOf,
  byHand,
  type Hand,
  hands,
  isBlank,
  type Otherwise,
  otherwise,
  wordsIn,
} from './hands.ts';
export { marked } from './marked.ts';
export {
  fieldEvents,
  formEvents,
  type Miss,
  type Playable,
  type Played,
  play,
  type Row,
  type TapeMismatch,
} from './play.ts';
export { readTape } from './read-tape.ts';
export type { Action, Expectation, Tape } from './script.ts';
export { holds, type Outcome, runTrial, type Trial, trial, trialTape } from './trial.ts';
export { writeEvent, writeEvents } from './write-events.ts';
export { type Expectable, expectationOf, writeAction } from './write-tape.ts';
