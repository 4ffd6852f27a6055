'use client';

import type { FieldDocument } from '@arbeit/engine/document';
import { type EquivalentConfig, lawWords, type Wiring } from '@arbeit/engine/proof';
import { useMemo, useState } from 'react';
import type { Mistake } from '../../field/custom-code/code-editor.tsx';
import { addField } from '../../model/field-edits.ts';
import { useKept } from '../../model/kept.ts';
import type { EditedSet } from '../../model/use-set.ts';
import { deferred } from '../../ui/later.tsx';
import { Link } from '../../ui/link.tsx';
import { Scrolled } from '../../ui/scrolled.tsx';
import type { Beside, Wired } from '../../workers/trials/messages.ts';
import { type Tried, useFunction } from './use-function.ts';

const CodeEditor = deferred(() =>
  import('../../field/custom-code/code-editor.tsx').then((one) => one.CodeEditor),
);

/** The code to start with: a formatter of the most common sort. */
const example = `function format(text) {
  const digits = text.replace(/\\D/g, '').slice(0, 10);
  if (digits.length < 4) return digits;
  if (digits.length < 7) return \`(\${digits.slice(0, 3)}) \${digits.slice(3)}\`;
  return \`(\${digits.slice(0, 3)}) \${digits.slice(3, 6)}-\${digits.slice(6)}\`;
}
`;

const ways: Readonly<Record<Wiring, string>> = {
  browser: 'Replace the text; the browser places the caret',
  count: 'Restore the caret by counting letters and digits',
};

const kept: Readonly<Record<Wiring, string>> = { browser: 'browser caret', count: 'restored caret' };

function saidOf(tried: Tried): string {
  switch (tried.is) {
    case 'not yet':
      return 'Not run yet.';
    case 'under way':
      return tried.of ? `${tried.events} of ${tried.of} events…` : 'Starting…';
    case 'stopped':
      return 'Stopped.';
    case 'no function':
      return tried.line === undefined ? tried.why : `Line ${tried.line}: ${tried.why}`;
    case 'failed':
      return tried.why;
    case 'tried': {
      const broken = new Set(tried.wired.flatMap(({ found }) => found.map(({ law }) => law))).size;
      return broken === 0 ? 'No law is broken.' : `${broken} of 12 laws are broken.`;
    }
  }
}

const asItWas = <T,>(kept: T): T => kept;

/** A pasted formatter, connected in the usual ways, and its laws checked beside an equivalent field. */
export function BringFunction({ set }: { readonly set: EditedSet }) {
  const [code, setCode] = useKept(`${set.id} function`, example, asItWas);
  const { tried, begin, stop } = useFunction(set.id);
  const isWrong = tried.is === 'no function' || tried.is === 'failed';
  const mistakes = useMemo<readonly Mistake[]>(
    () => (tried.is === 'no function' ? [{ line: tried.line ?? 1, message: tried.why }] : []),
    [tried],
  );
  return (
    <section aria-label="Test your own formatter">
      <div className="flex flex-wrap items-baseline gap-x-5 gap-y-1 border-b border-ink pb-1">
        <h2 className="font-semibold">Test your own formatter</h2>
        <span role="status" className={isWrong ? 'text-brick' : 'text-faint'}>
          {saidOf(tried)}
        </span>
        <progress
          aria-label="Events so far"
          max={tried.is === 'under way' ? tried.of || 1 : 1}
          value={tried.is === 'under way' ? tried.events : 0}
          hidden={tried.is !== 'under way'}
        />
        <div className="ml-auto flex gap-x-4">
          {tried.is === 'under way' ? (
            <button type="button" className="word-button" onClick={stop}>
              Stop
            </button>
          ) : (
            <button type="button" className="word-button" onClick={() => begin(code)}>
              {tried.is === 'not yet' ? 'Run' : 'Run again'}
            </button>
          )}
        </div>
      </div>
      <p className="py-2 text-faint">
        Paste a JavaScript function that formats typed text. It runs in a sandbox, attached to an input in two
        common ways, and is checked like the fields of this set.
      </p>
      <CodeEditor
        label="Your formatter"
        code={code}
        offers={[]}
        mistakes={mistakes}
        onChange={(text) => setCode(() => text)}
      />
      {tried.is === 'tried' && <Came set={set} tried={tried} />}
    </section>
  );
}

function Came({
  set,
  tried: { wired, same },
}: {
  readonly set: EditedSet;
  readonly tried: Extract<Tried, { is: 'tried' }>;
}) {
  return (
    <div className="grid gap-4 pt-4">
      <Same set={set} same={same} />
      {wired.map((one) => (
        <Way key={one.wiring} one={one} hasOurs={same !== null} />
      ))}
    </div>
  );
}

/** The definition of the equivalent field, and a button that adds it to the set. */
function Same({ set, same }: { readonly set: EditedSet; readonly same: EquivalentConfig | null }) {
  const [taken, setTaken] = useState<string>();
  if (!same) return <p>No built-in field kind matches this function.</p>;
  const { field, agreed, near, of, apart } = same;
  const { pattern } = field.entry as { readonly pattern?: string };
  const { locale, kind, entry } = field;
  const take = async (): Promise<void> => {
    const added = addField(set.document, {
      id: 'field',
      label: 'Field in place of a function',
      kind,
      ...(locale === undefined || locale === set.document.locale ? {} : { locale }),
      entry,
    } as FieldDocument);
    // Its desk exists once it is saved.
    await set.editAndSave(() => added.set);
    setTaken(added.id);
  };
  return (
    <div>
      <p>
        A field of kind <b>{kind}</b>{' '}
        {pattern ? (
          <span className="value">{pattern}</span>
        ) : (
          <span className="value">{JSON.stringify(entry)}</span>
        )}
        {locale && !pattern ? ` in ${locale}` : ''} shows the same for {agreed} of {of} texts
        {near ? `, and the same letters and digits for ${near} more` : ''}.
      </p>
      {apart && (
        <p className="caption">
          Typed <span className="value">{apart.text}</span>, the function shows{' '}
          <span className="value">{apart.theirs || 'nothing'}</span> and the field{' '}
          <span className="value">{apart.ours || 'nothing'}</span>.
        </p>
      )}
      {taken === undefined ? (
        <button type="button" className="word-button" onClick={take}>
          Add this field to the set
        </button>
      ) : (
        <Link href={`/sets/${set.key}/fields/${taken}`} className="word-button">
          Open on desk
        </Link>
      )}
    </div>
  );
}

/** One way to connect it: the laws it breaks, each with the keys that show it. */
function Way({
  one: { wiring, found, events },
  hasOurs,
}: {
  readonly one: Wired;
  readonly hasOurs: boolean;
}) {
  return (
    <section aria-label={ways[wiring]}>
      <h3 className="font-semibold">
        {ways[wiring]} <span className="caption font-normal">{events.toLocaleString('en-GB')} events</span>
      </h3>
      {found.length === 0 ? (
        <p className="text-oxide">No law is broken.</p>
      ) : (
        <ul className="grid gap-3 pt-1">
          {found.map((broken) => (
            <BrokenLaw key={broken.law} broken={broken} wiring={wiring} hasOurs={hasOurs} />
          ))}
        </ul>
      )}
    </section>
  );
}

/** A broken law: what it requires, and the same keys in the function and in the field, side by side. */
function BrokenLaw({
  broken,
  wiring,
  hasOurs,
}: {
  readonly broken: Beside;
  readonly wiring: Wiring;
  readonly hasOurs: boolean;
}) {
  const { law, expected, found, actions, theirs, ours } = broken;
  const keys = `Keys that break law ${law}, ${kept[wiring]}`;
  return (
    <li className="way broken-law">
      <span className="text-brick">{law}</span>
      <div className="min-w-0">
        <p>{lawWords[law]}</p>
        <p className="caption">
          Expected: {expected}. Actual: {found}.
        </p>
        <Scrolled label={keys}>
          <table className="table beside">
            <thead>
              <tr>
                <th scope="col">Key</th>
                <th scope="col">The function</th>
                {hasOurs && <th scope="col">The field</th>}
              </tr>
            </thead>
            <tbody>
              {actions.map((action, i) => (
                // biome-ignore lint/suspicious/noArrayIndexKey: a tape has no other order
                <tr key={i}>
                  <td className="value">{action}</td>
                  <td className="value">{theirs[i]}</td>
                  {hasOurs && <td className="value">{ours[i]}</td>}
                </tr>
              ))}
            </tbody>
          </table>
        </Scrolled>
      </div>
    </li>
  );
}
