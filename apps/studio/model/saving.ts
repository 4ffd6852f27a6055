export { follow } from './follow.ts';
/** What saves a set, loaded once somebody is about to change one: a first visit only reads. */
export { createSaver } from './saver.ts';
export { changesOf, saveOnce, sendTo } from './send-save.ts';
