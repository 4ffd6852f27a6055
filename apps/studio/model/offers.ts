import type { Offer } from '@arbeit/engine/options';

/** A new choice unlike the existing ones. */
export function newOffer(offers: readonly Offer[]): Offer {
  for (let n = offers.length + 1; ; n++) {
    const made = { value: `choice-${n}`, label: `Choice ${n}` };
    if (!offers.some(({ value, label }) => value === made.value || label === made.label)) return made;
  }
}
