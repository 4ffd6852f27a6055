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
export { headSpellings, parseTape } from './parse-tape.ts';
export { type Miss, type Playable, type Played, play, type TapeMismatch } from './play.ts';
export type { Action, Expectation, Row, Tape } from './script.ts';
export { type Expectable, expectationOf, subjectSpellings } from './subjects.ts';
export { holds, type Outcome, runTrial, type Trial, trial, trialTape } from './trial.ts';
export {
  actionSpellings,
  type Described,
  fieldEvents,
  formEvents,
  needsFocus,
  writeAction,
} from './verbs.ts';
export { writeEvent, writeEvents } from './write-events.ts';
