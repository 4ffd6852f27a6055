import type { IdPath } from './new-ids.ts';

/** The field or form that was made on the page before: its page begins where work on it goes on. */
let made: string | null = null;

/** Leaves a note for the page that is shown next. */
export function leaveMade(setKey: string, path: IdPath): void {
  made = `${setKey}/${path}`;
}

/** Whether this field or form was just made; once. */
export function takeMade(setKey: string, path: IdPath): boolean {
  const isIt = made === `${setKey}/${path}`;
  made = null;
  return isIt;
}
