'use client';

import type { Offer } from '@arbeit/engine/options';
import { newOffer } from '../../model/offers.ts';
import { DraftInput } from '../../ui/draft-input.tsx';
import * as words from '../../words/desk/picks-editor.ts';

/**
 * The options of a field, one row each: a label for people, a value for the program. Rows are added, moved
 * and removed.
 */
export function PicksEditor({
  label,
  least,
  offers,
  check,
  onChange,
}: {
  readonly label: string;
  readonly least: number;
  readonly offers: readonly Offer[];
  /** What is wrong with a list, in a sentence. */
  readonly check: (offers: readonly Offer[]) => string | null;
  readonly onChange: (offers: readonly Offer[]) => void;
}) {
  const move = (from: number, by: number) => {
    const offer = offers[from];
    if (offer) onChange(offers.toSpliced(from, 1).toSpliced(from + by, 0, offer));
  };
  return (
    <fieldset>
      <legend className="caption">{label}</legend>
      <div className="grid grid-cols-[1fr_1fr_auto] items-start gap-x-2">
        <span className="caption">{words.label}</span>
        <span className="caption">{words.value}</span>
        <span />
        {offers.map((offer, i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: a row is known by its place while its value is edited
          <div key={i} className="contents">
            {(['label', 'value'] as const).map((key) => (
              <div key={key}>
                <label className="sr-only" htmlFor={`offer-${i}-${key}`}>
                  {words.partOfOption[key](i + 1)}
                </label>
                <DraftInput
                  id={`offer-${i}-${key}`}
                  className={key === 'value' ? 'entry value' : 'entry'}
                  value={offer[key]}
                  check={(text) => check(offers.with(i, { ...offer, [key]: text }))}
                  onChange={(text) => onChange(offers.with(i, { ...offer, [key]: text }))}
                />
              </div>
            ))}
            <span className="flex gap-2 pt-1">
              <button
                type="button"
                className="word-button text-sm"
                aria-label={words.moveOptionUp(i + 1)}
                disabled={i === 0}
                onClick={() => move(i, -1)}
              >
                ↑
              </button>
              <button
                type="button"
                className="word-button text-sm"
                aria-label={words.removeOption(i + 1)}
                disabled={offers.length <= least}
                onClick={() => onChange(offers.toSpliced(i, 1))}
              >
                ×
              </button>
            </span>
          </div>
        ))}
      </div>
      <button
        type="button"
        className="word-button text-sm"
        onClick={() => onChange([...offers, newOffer(offers)])}
      >
        {words.addOption}
      </button>
    </fieldset>
  );
}
