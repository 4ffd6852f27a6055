export type { Offer, Option, Options, Text } from './option.ts';
export { readOptions } from './read.ts';
export { tableOf } from './reference.ts';
