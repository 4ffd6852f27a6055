'use client';

import type { SetDocument } from '@arbeit/engine/document';
import type { Reach, Situation } from '@arbeit/engine/proof';
import type { Verdict } from '@arbeit/engine/rules';
import { memo } from 'react';
import '../../ui/table.css';
import { Scrolled } from '../../ui/scrolled.tsx';
import * as texts from '../../words/trials/reached.ts';

const moments: readonly (readonly [Situation, string])[] = [
  ['focused', 'in use'],
  ['left', 'left'],
  ['submitted', 'sent'],
  ['whole', 'whole'],
  ['refused', texts.somethingNotTaken],
];
const verdicts: readonly Verdict[] = ['pass', 'open', 'fail'];

/**
 * Something a trial has covered is in normal text; something no trial has covered is struck out and faint,
 * and named as such for screen readers.
 */
function Seen({ is, children }: { readonly is: boolean; readonly children: string }) {
  return (
    <span className="seen" data-seen={is || undefined}>
      {children}
      <span className="sr-only">{is ? texts.covered : texts.notCovered}</span>
    </span>
  );
}

/**
 * The finished text of a field by position: positions no trial ever filled are struck out, fixed text is
 * faint.
 */
function Specimen({ places }: { readonly places: Reach['places'] }) {
  const never = places.filter(({ isSeen }) => isSeen === false).length;
  if (places.length === 0) return null;
  return (
    <span className="value reached-text">
      {places.map(({ text, isSeen }, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a text has no other order
        <span key={i} data-seen={isSeen} aria-hidden="true">
          {text}
        </span>
      ))}
      <span className="sr-only">
        {never === 0 ? texts.everyPositionWasFilled : texts.ofItsPositionsNeverFilled(never)}
      </span>
    </span>
  );
}

/** What all trials cover of each field: its rules with their verdicts, its options, its situations. */
export const Reached = memo(function Reached({
  document,
  reach,
}: {
  readonly document: SetDocument;
  readonly reach: readonly Reach[];
}) {
  const byId = new Map(reach.map((one) => [one.field, one]));
  const fields = document.fields.filter(({ id }) => byId.has(id));
  const nowhere = reach.filter(({ trials }) => trials === 0).length;
  if (document.fields.length === 0) return null;
  return (
    <section aria-label={texts.coverage}>
      <div className="flex flex-wrap items-baseline gap-x-5 gap-y-1 border-b border-ink pb-1">
        <h2 className="font-semibold">{texts.coverage}</h2>
        <span role="status" className="text-faint">
          {reach.length === 0
            ? texts.measuring
            : nowhere
              ? texts.fieldsHaveNoTrial(nowhere)
              : texts.struckOutItems}
        </span>
      </div>
      <Scrolled label={texts.coverageByField}>
        <table className="table reached">
          <thead>
            <tr>
              <th scope="col">{texts.field}</th>
              <th scope="col">{texts.text}</th> <th scope="col">{texts.states}</th>
              <th scope="col">{texts.rulesAndVerdicts}</th>
              <th scope="col">{texts.options}</th>
            </tr>
          </thead>
          <tbody>
            {fields.map(({ id, label }) => {
              const one = byId.get(id);
              return (
                one && (
                  <tr key={id}>
                    <th scope="row">{label || id}</th>
                    <td>
                      <Specimen places={one.places} />
                    </td>
                    <td>
                      {moments.map(([moment, words]) => (
                        <Seen key={moment} is={one.situations[moment]}>
                          {words}
                        </Seen>
                      ))}
                    </td>
                    <td>
                      {one.rules.map(({ rule, verdicts: had, isShown }) => (
                        <p key={rule}>
                          <span className="value">{rule}</span>{' '}
                          {verdicts.map((verdict) => (
                            <Seen key={verdict} is={had.includes(verdict)}>
                              {verdict}
                            </Seen>
                          ))}
                          <Seen is={isShown}>{texts.message}</Seen>
                        </p>
                      ))}
                    </td>
                    <td>
                      {one.options.map(({ value, isSeen }) => (
                        <Seen key={value} is={isSeen}>
                          {value}
                        </Seen>
                      ))}
                    </td>
                  </tr>
                )
              );
            })}
          </tbody>
        </table>
      </Scrolled>
    </section>
  );
});
