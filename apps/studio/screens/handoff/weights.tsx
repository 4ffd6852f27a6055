'use client';

import { useId, useState } from 'react';
import type { Made, Part } from './made.ts';
import { inKilobytes, inksOf } from './weight-words.ts';
import '../../ui/table.css';
import * as words from '../../words/handoff/weights.ts';

const names: Readonly<Record<string, string>> = {
  element: words.pageWithCustomElements,
  dom: words.plainJavascriptPage,
  react: words.reactPageWithoutReact,
  vue: words.vuePageWithoutVue,
  svelte: words.sveltePageWithoutSvelte,
  server: words.theServer,
};

/** The size of each use, minified and gzipped, as a bar of its components. */
export function Weights({ weights }: { readonly weights: Made['weights'] }) {
  const [chosen, setChosen] = useState('element');
  const group = useId();
  if (weights.length === 0) return null;
  const most = Math.max(...weights.map(({ bytes }) => bytes));
  const inks = inksOf(weights);
  const shown = weights.find(({ use }) => use === chosen) ?? weights[0];
  return (
    <section aria-label={words.whatItWeighs} className="hand-off-weights">
      <h2 className="caption">{words.bundleSizeOfTheSelection}</h2>
      <table className="table">
        <thead className="sr-only">
          <tr>
            <th scope="col">{words.forLabel}</th>
            <th scope="col">{words.weight}</th>
            <th scope="col">{words.breakdown}</th>
          </tr>
        </thead>
        <tbody>
          {weights.map(({ use, bytes, parts }) => (
            <tr key={use}>
              <th scope="row">
                <label className="relative">
                  <input
                    type="radio"
                    name={group}
                    className="absolute inset-0 cursor-pointer opacity-0"
                    checked={use === shown?.use}
                    onChange={() => setChosen(use)}
                  />
                  <span>{names[use] ?? use}</span>
                </label>
              </th>
              <td className="value">{inKilobytes(bytes)}</td>
              <td>
                <Bar parts={parts} most={most} inks={inks} />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="caption">{words.partsOf(names[shown?.use ?? ''] ?? '')}</p>
      <ul className="hand-off-inks">
        {shown?.parts.map(({ name, bytes }) => (
          <li key={name}>
            <span aria-hidden="true" data-ink={inks.get(name)} />
            {name}
            <span className="value">{inKilobytes(bytes)}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}

function Bar({
  parts,
  most,
  inks,
}: {
  readonly parts: readonly Part[];
  readonly most: number;
  readonly inks: ReadonlyMap<string, number>;
}) {
  // In the same order in every bar, so that the bars can be compared.
  const drawn = [...inks.keys()].flatMap((name) => parts.filter((part) => part.name === name));
  return (
    <ul className="hand-off-bar" aria-hidden="true">
      {drawn.map(({ name, bytes }) => (
        <li
          key={name}
          data-ink={inks.get(name)}
          style={{ width: `${(bytes / most) * 100}%` }}
          title={`${name}: ${inKilobytes(bytes)}`}
        />
      ))}
    </ul>
  );
}
