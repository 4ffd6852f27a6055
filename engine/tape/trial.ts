import type { CompiledSet } from '../document/compile.ts';
import { play } from './play.ts';
import { readTape } from './read-tape.ts';

/**
 * Plays the text of a tape on a set: what did not hold, a line each with its place, what was expected and what was there. Nothing where all of
 * it did. `clock` (ISO 8601) is the day for tapes that name none.
 */
export function trial(set: CompiledSet, text: string, clock = ''): readonly string[] {
  const result = readTape(text);
  if (!result.ok) return result.faults.map(({ line, column, message }) => `${line}:${column}: ${message}`);
  const played = play(set, result.tape, clock);
  if ('message' in played) return [`${played.line}:1: ${played.message}`];
  return played.misses.map(
    ({ line, source, expected, found }) => `${line}: ${source}: expected ${expected}, found ${found}`,
  );
}
