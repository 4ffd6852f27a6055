'use client';

import { type Counterexample, type Law, lawWords } from '@arbeit/engine/proof';
import { useState } from 'react';
import type { EditedSet } from '../../model/use-set.ts';
import { Link } from '../../ui/link.tsx';
import { Mark } from '../../ui/mark.tsx';
import '../../ui/table.css';
import { useHasChanged } from '../../model/kept.ts';
import { Scrolled } from '../../ui/scrolled.tsx';
import * as words from '../../words/trials/audit.ts';
import type { Amount, Auditing, Known } from './use-audit.ts';

const laws = Object.keys(lawWords).map(Number) as readonly Law[];

const amounts: readonly (readonly [string, Amount])[] = [
  [words.tenThousandEvents, { events: 10_000 }],
  [words.hundredThousandEvents, { events: 100_000 }],
  [words.millionEvents, { events: 1_000_000 }],
  [words.oneMinute, { minutes: 1 }],
  [words.tenMinutes, { minutes: 10 }],
];
const usual = 1;

const count = (n: number): string => n.toLocaleString('en-GB');

function saidOf({ is, events, of, byField, seed, problem }: Auditing): string {
  const broken = Object.values(byField).filter(({ found }) => found.length > 0).length;
  const what = words.eventsOf(count(events), of ? count(of) : undefined);
  const came = broken === 0 ? words.noLawIsBroken : words.fieldsBreakALaw(broken);
  switch (is) {
    case 'not yet':
      return words.notRunYetSentence;
    case 'under way':
      return words.soFar(what, came);
    case 'stopped':
      return words.stoppedAfterSeed(what, seed, came);
    case 'done':
      return words.eventsSeed(count(events), seed, came);
    case 'failed':
      return words.after(problem, what, came);
  }
}

/** The law check of the fields, with random tapes: kept or broken, each law of each field. */
export function AuditSection({ set, auditing }: { readonly set: EditedSet; readonly auditing: Auditing }) {
  const { is, about, byField, events, of } = auditing;
  const [amount, setAmount] = useState(usual);
  const [seed, setSeed] = useState('1');
  const hasChanged = useHasChanged(about, set.document);
  const { fields } = set.document;
  const wanted = amounts[amount] ?? amounts[usual];
  const isBroken = Object.values(byField).some(({ found }) => found.length > 0);
  return (
    <section aria-label={words.lawCheck}>
      <div className="flex flex-wrap items-baseline gap-x-5 gap-y-1 border-b border-ink pb-1">
        <h2 className="font-semibold">{words.lawCheck}</h2>
        <span role="status" className={is === 'failed' || isBroken ? 'text-brick' : 'text-faint'}>
          {saidOf(auditing)}
        </span>
        <progress
          aria-label={words.eventsSoFar}
          max={of || undefined}
          value={of ? events : undefined}
          hidden={is !== 'under way'}
        />
        <div className="ml-auto flex flex-wrap items-baseline gap-x-4">
          {is !== 'under way' && (
            <>
              <label className="flex items-baseline gap-1.5">
                <span className="caption">{words.forLabel}</span>
                <select
                  className="entry"
                  value={amount}
                  onChange={(event) => setAmount(Number(event.target.value))}
                >
                  {amounts.map(([label], i) => (
                    <option key={label} value={i}>
                      {label}
                    </option>
                  ))}
                </select>
              </label>
              <label className="flex items-baseline gap-1.5">
                <span className="caption">{words.seed}</span>
                <input
                  className="entry value w-16"
                  inputMode="numeric"
                  value={seed}
                  onChange={(event) => setSeed(event.target.value.replace(/\D/g, '').slice(0, 9))}
                />
              </label>
            </>
          )}
          {/* One button for both: who began it by key stays on what stops it. */}
          <button
            type="button"
            className="word-button"
            disabled={fields.length === 0}
            onClick={() =>
              is === 'under way' ? auditing.stop() : wanted && auditing.begin(wanted[1], Number(seed) || 1)
            }
          >
            {is === 'under way' ? words.stop : is === 'not yet' ? words.run : words.runAgain}
          </button>
        </div>
      </div>
      {is === 'not yet' ? (
        <p className="py-3 text-faint">{words.playsRandomKeystrokesPastes}</p>
      ) : (
        <>
          {hasChanged && is !== 'under way' && <p className="caption pt-1">{words.theSetHasChangedSince}</p>}
          <Matrix set={set} byField={byField} />
        </>
      )}
    </section>
  );
}

/** Fields by laws: a full square for kept, a hollow one with a bar for broken, a dot while unchecked. */
function Matrix({ set, byField }: { readonly set: EditedSet; readonly byField: Auditing['byField'] }) {
  const fields = set.document.fields.filter(({ id }) => byField[id]);
  return (
    <div className="audited">
      <Scrolled label={words.lawsByField}>
        <table className="table audit">
          <thead>
            <tr>
              <th scope="col">{words.field}</th>
              {laws.map((law) => (
                <th key={law} scope="col" className="law">
                  <abbr title={lawWords[law]}>{law}</abbr>
                </th>
              ))}
              <th scope="col" className="events">
                {words.events}
              </th>
            </tr>
          </thead>
          <tbody>
            {fields.map(({ id, label }) => (
              <Row key={id} set={set} id={id} label={label || id} known={byField[id]} />
            ))}
          </tbody>
        </table>
      </Scrolled>
      <Words />
    </div>
  );
}

function Row({
  set,
  id,
  label,
  known = { events: 0, found: [] },
}: {
  readonly set: EditedSet;
  readonly id: string;
  readonly label: string;
  readonly known: Known | undefined;
}) {
  const broken = new Map(known.found.map((one) => [one.law, one]));
  return (
    <>
      <tr>
        <th scope="row">
          <Link href={`/sets/${set.key}/fields/${id}`} className="word-button">
            {label}
          </Link>
        </th>
        {laws.map((law) => {
          const is = broken.has(law) ? 'broken' : 'kept';
          return (
            <td key={law} className="law" data-is={is}>
              <Mark shape={is === 'broken' ? 'barred' : 'full'} size={11} title={lawWords[law]} />
              <span className="sr-only">{is}</span>
            </td>
          );
        })}
        <td className="events value">{count(known.events)}</td>
      </tr>
      {known.found.length > 0 && (
        <tr>
          <td colSpan={laws.length + 2}>
            <ul aria-label={words.brokenLaws(label)}>
              {known.found.map((one) => (
                <Broken key={one.law} set={set} field={id} one={one} />
              ))}
            </ul>
          </td>
        </tr>
      )}
    </>
  );
}

/** A broken law with the tape that shows it. */
function Broken({
  set,
  field,
  one: { law, expected, found, tape },
}: {
  readonly set: EditedSet;
  readonly field: string;
  readonly one: Counterexample;
}) {
  return (
    <li className="way">
      <span className="text-brick">{law}</span>
      <div>
        <p>{lawWords[law]}</p>
        <p className="caption">{words.expectedResult(expected)}</p>
        <p className="caption">{words.actualResult(found)}</p>
        <pre className="value">{tape.trim()}</pre>
        <Link
          href={`/sets/${set.key}/fields/${field}?tape=${encodeURIComponent(tape)}`}
          className="word-button"
        >
          {words.playItOnTheDesk}
        </Link>
      </div>
    </li>
  );
}

/** The laws in words, beside the squares or below them. */
const Words = () => (
  <ol aria-label={words.theLaws} className="laws">
    {laws.map((law) => (
      <li key={law}>
        <span className="value">{law}</span> {lawWords[law]}
      </li>
    ))}
  </ol>
);
