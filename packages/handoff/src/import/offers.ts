import { type Offer, pickForm } from '@arbeit/engine/options';
import { idFor, labelFor } from './sanitize.ts';

/** What there was to choose, as a field offers it. */
export interface Offers {
  readonly options: readonly Offer[];
  /** What the values that had to be called something else are called, by what they were. */
  readonly words: ReadonlyMap<string, string>;
  /** What is not as it was, a sentence each. */
  readonly told: readonly string[];
}

const isValue = new RegExp(pickForm.value, 'u');
/** So many of one sort are named; of more it is told how many. */
const named = 3;

const listed = (items: readonly string[]): string => {
  const more = items.length - named;
  return items.slice(0, named).join(', ') + (more > 0 ? ` and ${more} more` : '');
};

/**
 * What is offered elsewhere as choices of a field: each value once and without blanks, each with words of its
 * own. A value that cannot stay as it is gets a name that is like it.
 */
export function offersFrom(given: readonly Offer[]): Offers {
  const sound = given.filter(({ value }) => isValue.test(value)).map(({ value }) => value);
  const values = new Set(sound);
  const known = new Map<string, Offer>();
  const labels = new Set<string>();
  const twice: string[] = [];
  for (const { value, label } of given) {
    if (known.has(value)) {
      twice.push(`“${value.slice(0, 100)}”`);
      continue;
    }
    const own = values.has(value) ? value : idFor(value, values);
    values.add(own);
    const said = label
      .replace(/[\s\p{Cc}]+/gu, ' ')
      .replace(/;/g, ',')
      .trim()
      .slice(0, 180);
    const words = [said, labelFor(value).slice(0, 180), own].find((one) => one && !labels.has(one));
    const told = words ?? `${said} (${own})`;
    labels.add(told);
    known.set(value, { value: own, label: told });
  }
  const renamed = [...known].filter(([value, offer]) => offer.value !== value);
  return {
    options: [...known.values()],
    words: new Map(renamed.map(([value, offer]) => [value, offer.value])),
    told: [
      ...(renamed.length
        ? [
            `A value to choose has no blanks and at most 100 characters: ${listed(
              renamed.map(([value, offer]) => `“${value.slice(0, 100)}” is “${offer.value}”`),
            )}.`,
          ]
        : []),
      ...(twice.length ? [`What is offered twice is offered once: ${listed(twice)}.`] : []),
    ],
  };
}
