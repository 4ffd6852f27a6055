export { writeTape } from '../tape/write-tape.ts';
export { actions, fieldOf, sketch, sketchOfList, walk } from './arbitraries.ts';
export { actionsFor, kindNames, sketchOf } from './kinds.ts';
