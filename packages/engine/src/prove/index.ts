export { writeTape } from '../tape/write-tape.ts';
export { actions, fieldOf, sketch, walk } from './arbitraries.ts';
export { actionsFor, kindNames, sketchOf } from './kinds.ts';
