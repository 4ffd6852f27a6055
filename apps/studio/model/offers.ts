import type { Offer } from '@arbeit/engine/options';
import * as words from '../words/model/offers.ts';

/** A new choice unlike the existing ones. */
export function newOffer(offers: readonly Offer[]): Offer {
  for (let n = offers.length + 1; ; n++) {
    const made = { value: `choice-${n}`, label: words.choice(n) };
    if (!offers.some(({ value, label }) => value === made.value || label === made.label)) return made;
  }
}
