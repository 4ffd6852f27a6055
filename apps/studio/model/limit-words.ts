import type { HydratedField, InsertResult } from '@arbeit/engine/field';
import type { Limits } from '@arbeit/engine/kinds';
import * as words from '../words/model/limit-words.ts';
import { shownAt } from './sample.ts';

/** Limits in words, such as "16 years before today", "tomorrow", "£500.00", and the words as limits again. */

const relative = /^today(?:([+-])(\d+)([dwmy]))?$/;
export type LimitUnit = 'd' | 'w' | 'm' | 'y';

/** A day relative to the clock: units before (`-`) or after (`+`) today. Zero is today. */
export interface ByClock {
  readonly count: number;
  readonly unit: LimitUnit;
  readonly side: '+' | '-';
}

/** The parts of a limit relative to the clock; `undefined` for other limits. */
export function byClock(limit: string): ByClock | undefined {
  const match = relative.exec(limit);
  if (!match) return undefined;
  const [, side = '+', count = '0', unit = 'd'] = match;
  return { count: Number(count), unit: unit as LimitUnit, side: side as '+' | '-' };
}

export const fromClock = ({ count, unit, side }: ByClock): string =>
  count === 0 ? 'today' : `today${side}${count}${unit}`;

function inWords({ count, unit, side }: ByClock): string {
  if (count === 0) return words.today;
  if (count === 1 && unit === 'd') return side === '+' ? words.tomorrow : words.yesterday;
  return words.fromToday[side](words.units[unit](count));
}

/** A limit in words: relative to the clock, or as the field would show it. */
export function limitInWords(compiled: HydratedField, limit: string | number): string {
  const text = String(limit);
  const told = byClock(text);
  return told ? inWords(told) : shownAt(compiled, text) || text;
}

/**
 * The limit somebody typed in the field's own form (`9.999,99`, `14/02/2027`, `1 h 30`); `undefined` if it
 * means none.
 */
export function limitFrom(compiled: HydratedField, limits: Limits, typed: string): string | undefined {
  const { kind, plan } = compiled;
  const text = typed.trim();
  const isWhole = (taken: InsertResult | undefined) =>
    taken !== undefined && !taken.rejected && !taken.leftOut && taken.body.content !== '';
  // As it would be pasted: 1.234 is a thousand in German, also where it could be a raw value.
  const pasted = kind.readText?.(plan, text);
  const taken = isWhole(pasted) ? pasted : kind.parse(plan, text);
  if (taken && isWhole(taken)) {
    const meant = [kind.value(plan, taken.body), kind.raw(plan, taken.body)];
    const good = meant.find((one) => one !== null && limits.isGood(one));
    if (good) return good;
  }
  return limits.isGood(text) ? text : undefined;
}
