export { follow } from './follow.ts';
/** The code that saves a set, loaded before the first edit: a first visit only reads. */
export { createSaver } from './saver.ts';
export { changesOf, saveOnce, sendTo } from './send-save.ts';
