'use client';

import { useId, useState } from 'react';
import type { Made, Part } from './made.ts';
import { inKilobytes, inksOf } from './weight-words.ts';
import '../../ui/table.css';

const names: Readonly<Record<string, string>> = {
  element: 'Page with custom elements',
  dom: 'Plain JavaScript page',
  react: 'React page (without React)',
  vue: 'Vue page (without Vue)',
  svelte: 'Svelte page (without Svelte)',
  server: 'The server',
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
    <section aria-label="What it weighs" className="hand-off-weights">
      <h2 className="caption">Bundle size of the selection (minified, gzipped)</h2>
      <table className="table">
        <thead className="sr-only">
          <tr>
            <th scope="col">For</th>
            <th scope="col">Weight</th>
            <th scope="col">Breakdown</th>
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
      <p className="caption">{names[shown?.use ?? '']} is made of</p>
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
