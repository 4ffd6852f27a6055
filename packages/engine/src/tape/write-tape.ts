import type { Action, Tape } from './script.ts';
import { writeAction } from './verbs.ts';

/**
 * Actions as the lines of a tape.
 *
 * @example
 * writeTape([{ do: 'type', text: '12' }, { do: 'leave' }]); // 'type "12"\nleave'
 */
export const writeTape = (list: readonly Action[]): string => list.map(writeAction).join('\n');

/** The head of a tape: what it is played on, and the date. */
export const headOf = ({ target, today }: Pick<Tape, 'target' | 'today'>): string =>
  `${target.type} ${target.id}\n${today ? `today ${today}\n` : ''}`;
