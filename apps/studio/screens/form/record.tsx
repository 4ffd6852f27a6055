'use client';

import type { FormRecord } from '@arbeit/engine/form';
import { useState } from 'react';
import { Choices } from '../../ui/choices.tsx';
import { Scrolled } from '../../ui/scrolled.tsx';
import * as words from '../../words/form/record.ts';

const ways = { fields: words.byField, json: words.asJson, data: words.asFormdata } as const;

/** The submitted record: raw and typed values by field, as JSON, and as an HTML form would send it. */
export function Record({
  record,
  labels,
  data,
}: {
  readonly record: FormRecord | undefined;
  readonly labels: ReadonlyMap<string, string>;
  /** The `FormData` of the form on the page. */
  readonly data: readonly (readonly [string, string])[];
}) {
  const [way, setWay] = useState<keyof typeof ways>('fields');
  return (
    <section aria-label={words.record}>
      <div className="flex flex-wrap items-baseline gap-x-6">
        <h2 className="caption">{words.submittedData}</h2>
        {record && <Choices label={words.shown} value={way} choices={ways} onChange={setWay} />}
      </div>
      {!record && <p className="mt-1 text-sm text-faint">{words.nothingSubmittedYet}</p>}
      {record && way === 'fields' && (
        <Scrolled label={words.theRecordByField}>
          <table className="table board">
            <thead>
              <tr>
                <th scope="col">{words.field}</th>
                <th scope="col">{words.raw}</th>
                <th scope="col">{words.value}</th>
                <th scope="col">{words.facts}</th>
              </tr>
            </thead>
            <tbody>
              {Object.keys(record.values).map((id) => (
                <tr key={id}>
                  <th scope="row">
                    {labels.get(id) ?? id} <span className="value text-xs text-faint">{id}</span>
                  </th>
                  <td className="value">
                    {record.raw[id] || <span className="text-faint">{words.empty}</span>}
                  </td>
                  <td className="value">
                    {record.values[id] ?? <span className="text-faint">{words.nullLabel}</span>}
                  </td>
                  <td className="text-xs text-faint">
                    {Object.entries(record.facts[id] ?? {})
                      .map(([name, value]) => `${name}: ${value}`)
                      .join(' · ')}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </Scrolled>
      )}
      {record && way === 'json' && (
        // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls can be scrolled by key
        <pre className="value overflow-x-auto text-xs" tabIndex={0}>
          {JSON.stringify(record, null, 2)}
        </pre>
      )}
      {record && way === 'data' && (
        <dl className="value text-xs">
          {data.map(([name, value], i) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: a name may be there twice
            <div key={i} className="flex gap-4">
              <dt className="min-w-40 text-faint">{name}</dt>
              <dd className="wrap-anywhere">{value}</dd>
            </div>
          ))}
        </dl>
      )}
    </section>
  );
}
