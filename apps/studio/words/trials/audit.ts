// Texts of `screens/trials/audit.tsx`.

import { plural } from '../plural.ts';

export { lawCheck, run, runAgain, stop } from '../later.ts';
export { field } from '../shared.ts';
export { eventsSoFar, notRunYetSentence, theSetHasChangedSince } from './shared.ts';

export const tenThousandEvents = '10,000 events per field';
export const hundredThousandEvents = '100,000 events per field';
export const millionEvents = '1,000,000 events per field';
export const oneMinute = 'one minute';
export const tenMinutes = 'ten minutes';
export const eventsOf = (count: string, most: string | undefined) =>
  most === undefined ? `${count} events` : `${count} of ${most} events`;
export const noLawIsBroken = 'no law is broken';
export const fieldsBreakALaw = (broken: number) =>
  `${plural(broken, '1 field breaks a law', `${broken} fields break a law`)}`;
export const stoppedAfterSeed = (what: string, seed: number, came: string) =>
  `Stopped after ${what}, seed ${seed}: ${came}.`;
export const eventsSeed = (count: string, seed: number, came: string) =>
  `${count} events, seed ${seed}: ${came}.`;
export const after = (problem: string, what: string, came: string) => `${problem} After ${what} ${came}.`;
export const forLabel = 'for';
export const seed = 'seed';
export const playsRandomKeystrokesPastes =
  'Plays random keystrokes, pastes and edits on every field and checks 12 laws after each step: nothing is lost, the caret stays, undo works, and so on. A broken law comes with the shortest tape that shows it.';
export const lawsByField = 'Laws, by field';
export const events = 'Events';
export const brokenLaws = (label: string) => `Broken laws in ${label}`;
export const expectedResult = (expected: string) => `Expected ${expected}.`;
export const actualResult = (found: string) => `Actual: ${found}.`;
export const playItOnTheDesk = 'Play it on the desk';
export const theLaws = 'The laws';
export const soFar = (what: string, came: string) => `${what}; so far ${came}…`;
