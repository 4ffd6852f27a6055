import { besideLimit } from '../checks/range/beside-limit.ts';
import type { HydratedField } from '../field/kind.ts';
import { type KindTable, kindIn } from '../kinds/contract/definition.ts';
import { valueTypesOf } from '../kinds/value-types.ts';
import type { Check } from '../rules/rule.ts';
import { resolve } from '../values/calendar.ts';

/** Texts worth putting into a field: values as a program sets them, and texts as people type them. */
export interface Texts {
  readonly raws: readonly string[];
  readonly texts: readonly string[];
}

const unique = (all: readonly string[]): readonly string[] => [...new Set(all)].filter(Boolean);

/** A limit as a raw value: a relative date as the date it stands for. */
function resolved(limit: string, today: string): readonly string[] {
  if (!limit.startsWith('today')) return [limit];
  const date = resolve(limit, today);
  return date === undefined ? [] : [date];
}

/** The values at which a check changes its verdict, and their neighbours. */
function linesOf(check: Check, today: string): readonly string[] {
  switch (check.type) {
    case 'range':
      return [check.min, check.max, check.step]
        .flatMap((limit) => (limit === undefined ? [] : [limit, ...besideLimit(limit)]))
        .flatMap((limit) => resolved(limit, today));
    case 'in':
    case 'not-in':
      return check.values;
    case 'length':
      return [check.min, check.max]
        .flatMap((at) => (at === undefined ? [] : [at - 1, at, at + 1]))
        .filter((at) => at > 0 && at < 500)
        .map((at) => '1'.repeat(at));
    default:
      return [];
  }
}

/** A finished text of a field. */
const finishedText = (field: HydratedField, kinds: KindTable): string =>
  kindIn(kinds, field.plan.kind)
    .draw.sample(field)
    .filter((piece) => !piece.isOff && !piece.isAside)
    .map(({ text }) => text)
    .join('');

/**
 * Texts worth trying in a field: the limits of its rules, its options, a finished text and similar ones.
 * `today` is the date (ISO 8601).
 */
export function textsFor(field: HydratedField, kinds: KindTable, today: string): Texts {
  const lines = field.rules.flatMap(({ check }) => linesOf(check, today));
  const { options = [] } = field.plan as { readonly options?: readonly { readonly value: string }[] };
  const values = options.map(({ value }) => value);
  const several = values.slice(1).map((value) => `${values[0]} ${value}`);
  const finished = finishedText(field, kinds);
  const less = [...finished].slice(0, 30).map((_, i, all) => all.toSpliced(i, 1).join(''));
  // A number in the plan may be a length, or the year at which two-digit years change their century.
  const counts = Object.values(field.plan).flatMap((one) =>
    Number.isSafeInteger(one) && one > 0 && one < 500 ? [one - 1, one, one + 1] : [],
  );
  const counted = counts.flatMap((count) => [
    '1'.repeat(count),
    finished.replace(/\d+(?=\D*$)/, String(count).padStart(2, '0')),
  ]);
  const near = [finished, finished.slice(0, -1), `${finished}1`, `-${finished}`, 'a  b '];
  const cased = [finished.toLowerCase(), finished.toUpperCase()];
  return {
    raws: unique([...lines, ...values, ...several]),
    texts: unique([...near, ...cased, ...counted, ...less]),
  };
}

/**
 * Characters worth typing into a field: every digit, those of its texts, and one of each class that it
 * distinguishes.
 */
export function charactersOf(field: HydratedField, { raws, texts }: Texts): readonly string[] {
  const { alphabet } = valueTypesOf(field.plan);
  const own = [...new Set([...raws.slice(0, 20), ...texts.slice(0, 8)].join(''))].slice(0, 16);
  const sorts = new Map((alphabet?.characters ?? []).map((c) => [alphabet?.sortOf(c) ?? c, c]));
  const hasDigits = [...own, ...sorts.values()].some((c) => /^\d$/.test(c));
  return [...new Set([...(hasDigits ? '0123456789' : ''), ...own, ...'1aA-., ', ...sorts.values()])].slice(
    0,
    60,
  );
}

/** The texts worth trying in either of two fields. */
export const bothTexts = (a: Texts, b: Texts): Texts => ({
  raws: unique([...a.raws, ...b.raws]),
  texts: unique([...a.texts, ...b.texts]),
});
