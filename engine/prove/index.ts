export { actions, fieldOf, sketch, walk, writeTape } from './arbitraries.ts';
export { actionsFor, kindNames, sketchOf } from './kinds.ts';
