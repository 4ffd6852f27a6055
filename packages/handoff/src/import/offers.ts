import { type Said, say } from '@arbeit/engine/faults';
import { type Offer, pickForm } from '@arbeit/engine/options';
import { idFor, labelFor } from './sanitize.ts';
import { importTexts } from './texts.ts';

/** Options for a field. */
export interface Offers {
  readonly options: readonly Offer[];
  /** Renamed values: original value → new value. */
  readonly words: ReadonlyMap<string, string>;
  /** What changed. */
  readonly told: readonly Said[];
}

const isValue = new RegExp(pickForm.value, 'u');
/** Items listed by name before "and N more". */
const named = 3;

const listed = (items: readonly string[]): string => {
  const more = items.length - named;
  return items.slice(0, named).join(', ') + (more > 0 ? ` and ${more} more` : '');
};

/**
 * Converts choices of another format to options of a field: each value once, each with a label of its own. A
 * value that is not allowed gets a similar name.
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
            say(importTexts, 'renamed-values', {
              renamed: listed(
                renamed.map(([value, offer]) => `“${value.slice(0, 100)}” is now “${offer.value}”`),
              ),
            }),
          ]
        : []),
      ...(twice.length ? [say(importTexts, 'duplicate-options', { options: listed(twice) })] : []),
    ],
  };
}
