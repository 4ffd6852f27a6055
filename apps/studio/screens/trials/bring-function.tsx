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
import * as words from '../../words/trials/bring-function.tsx';
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
  browser: words.replaceTheText,
  count: words.restoreTheCaretByCounting,
};

const kept: Readonly<Record<Wiring, string>> = { browser: words.browserCaret, count: words.restoredCaret };

function saidOf(tried: Tried): string {
  switch (tried.is) {
    case 'not yet':
      return words.notRunYetSentence;
    case 'under way':
      return tried.of ? words.ofEvents(tried.events, tried.of) : words.starting;
    case 'stopped':
      return words.stopped;
    case 'no function':
      return tried.line === undefined ? tried.why : words.line(tried.line, tried.why);
    case 'failed':
      return tried.why;
    case 'tried': {
      const broken = new Set(tried.wired.flatMap(({ found }) => found.map(({ law }) => law))).size;
      return broken === 0 ? words.noLawIsBrokenSentence : words.of12LawsAreBroken(broken);
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
    <section aria-label={words.testYourOwnFormatter}>
      <div className="flex flex-wrap items-baseline gap-x-5 gap-y-1 border-b border-ink pb-1">
        <h2 className="font-semibold">{words.testYourOwnFormatter}</h2>
        <span role="status" className={isWrong ? 'text-brick' : 'text-faint'}>
          {saidOf(tried)}
        </span>
        <progress
          aria-label={words.eventsSoFar}
          max={tried.is === 'under way' ? tried.of || 1 : 1}
          value={tried.is === 'under way' ? tried.events : 0}
          hidden={tried.is !== 'under way'}
        />
        <div className="ml-auto flex gap-x-4">
          {tried.is === 'under way' ? (
            <button type="button" className="word-button" onClick={stop}>
              {words.stop}
            </button>
          ) : (
            <button type="button" className="word-button" onClick={() => begin(code)}>
              {tried.is === 'not yet' ? words.run : words.runAgain}
            </button>
          )}
        </div>
      </div>
      <p className="py-2 text-faint">{words.pasteAJavascriptFunction}</p>
      <CodeEditor
        label={words.yourFormatter}
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
  if (!same) return <p>{words.noBuiltInFieldKind}</p>;
  const { field, agreed, near, of, apart } = same;
  const { pattern } = field.entry as { readonly pattern?: string };
  const { locale, kind, entry } = field;
  const take = async (): Promise<void> => {
    const added = addField(set.document, {
      id: 'field',
      label: words.fieldInPlace,
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
        {words.aFieldOfKindShows(
          <b>{kind}</b>,
          pattern ? (
            <span className="value">{pattern}</span>
          ) : (
            <span className="value">{JSON.stringify(entry)}</span>
          ),
          locale && !pattern ? words.inLabel(locale) : '',
          agreed,
          of,
          near ? words.andTheSameLetters(near) : '',
        )}
      </p>
      {apart && (
        <p className="caption">
          {words.typedTheFunctionShows(
            <span className="value">{apart.text}</span>,
            <span className="value">{apart.theirs || words.nothing}</span>,
            <span className="value">{apart.ours || words.nothing}</span>,
          )}
        </p>
      )}
      {taken === undefined ? (
        <button type="button" className="word-button" onClick={take}>
          {words.addThisField}
        </button>
      ) : (
        <Link href={`/sets/${set.key}/fields/${taken}`} className="word-button">
          {words.openOnDesk}
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
        {ways[wiring]}{' '}
        <span className="caption font-normal">{words.eventsWithEvents(events.toLocaleString('en-GB'))}</span>
      </h3>
      {found.length === 0 ? (
        <p className="text-oxide">{words.noLawIsBrokenSentence}</p>
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
  const keys = words.keysThatBreakLaw(law, kept[wiring]);
  return (
    <li className="way broken-law">
      <span className="text-brick">{law}</span>
      <div className="min-w-0">
        <p>{lawWords[law]}</p>
        <p className="caption">{words.expectedWithExpectedFound(expected, found)}</p>
        <Scrolled label={keys}>
          <table className="table beside">
            <thead>
              <tr>
                <th scope="col">{words.key}</th>
                <th scope="col">{words.theFunction}</th>
                {hasOurs && <th scope="col">{words.theField}</th>}
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
