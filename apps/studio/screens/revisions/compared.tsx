'use client';

import type { SetDocument } from '@arbeit/engine/document';
import type { Compared } from '@arbeit/engine/proof';
import { useEffect, useState } from 'react';
import { listSets } from '../../model/other-sets.ts';
import type { Revision } from '../../store/revisions.ts';
import type { ListedSet } from '../../store/sets.ts';
import { Mark, type Shape } from '../../ui/mark.tsx';
import { Scrolled } from '../../ui/scrolled.tsx';
import { bothReady, documentOf, type Side } from './sides.ts';
import type { useComparing } from './use-comparing.ts';

const words: Readonly<Record<Compared['is'], string>> = {
  added: 'added',
  removed: 'removed',
  same: 'unchanged',
  other: 'behaves differently',
  alike: 'definition differs; no difference in behaviour found',
};
const shapes: Readonly<Record<Compared['is'], Shape>> = {
  added: 'full',
  removed: 'barred',
  same: 'dot',
  other: 'half',
  alike: 'hollow',
};
/** The order of the results: most important first. */
const order = ['other', 'added', 'removed', 'alike'] as const;

/** The label of a revision in a list. */
export const titleOf = ({ revision, name }: Revision): string =>
  name === null ? `Revision ${revision}` : `${name} (${revision})`;

/** Two sets, revisions or fields to choose, and how their behaviour differs. */
export function ComparedSides({
  setKey,
  document,
  revisions,
  sides: [before, after],
  comparing,
  onSides,
}: {
  readonly setKey: string;
  readonly document: SetDocument;
  readonly revisions: readonly Revision[];
  readonly sides: readonly [Side, Side];
  readonly comparing: ReturnType<typeof useComparing>;
  readonly onSides: (sides: readonly [Side, Side]) => void;
}) {
  const { is, compared, problem, begin, stop } = comparing;
  const others = useOtherSets(setKey);
  const fieldsOf = useFieldsOf(setKey, document, [before.of, after.of]);
  const count = (one: Compared['is']): number => compared.filter((item) => item.is === one).length;
  const apart = compared.length - count('same') - count('alike');
  const said = {
    'not yet': 'Not compared yet.',
    'under way': `${compared.length} compared…`,
    stopped: `Stopped after ${compared.length}.`,
    done: apart === 0 ? 'No differences in behaviour.' : `${apart} of ${compared.length} differ.`,
    failed: problem,
  }[is];
  const compare = (): void =>
    begin(async () => {
      const both = [
        await documentOf(before.of, setKey, document),
        await documentOf(after.of, setKey, document),
      ] as const;
      return bothReady(both, [before, after]);
    });
  const choice = (label: string, side: Side, onChange: (side: Side) => void) => (
    <SideChoice
      label={label}
      side={side}
      fields={fieldsOf(side.of)}
      revisions={revisions}
      others={others}
      onChange={onChange}
    />
  );
  return (
    <section aria-label="Compared">
      <div className="flex flex-wrap items-baseline gap-x-5 gap-y-1 border-b border-ink pb-1">
        <h2 className="font-semibold">Compare behaviour</h2>
        <span role="status" className={is === 'failed' ? 'text-brick' : 'text-faint'}>
          {said}
        </span>
        <div className="ml-auto">
          {is === 'under way' ? (
            <button type="button" className="word-button" onClick={stop}>
              Stop
            </button>
          ) : (
            <button type="button" className="word-button" onClick={compare}>
              Compare
            </button>
          )}
        </div>
      </div>
      <div className="sides">
        {choice('Before', before, (side) => onSides([side, after]))}
        {choice('After', after, (side) => onSides([before, side]))}
      </div>
      {is === 'not yet' && (
        <p className="text-faint">
          Runs the same keystrokes through two revisions, sets or fields, and lists every difference with the
          shortest tape that shows it.
        </p>
      )}
      <ul aria-label="What was found">
        {order.flatMap((kind) =>
          compared
            .filter((one) => one.is === kind)
            .map((one) => <Found key={`${one.target.type} ${one.target.id}`} one={one} />),
        )}
      </ul>
      {count('same') > 0 && (
        <p className="py-2 text-faint">
          Unchanged ({count('same')}):{' '}
          {compared.flatMap((one) => (one.is === 'same' ? [one.name] : [])).join(', ')}.
        </p>
      )}
    </section>
  );
}

/** The fields of the chosen sides; empty for a side that is loading or cannot be loaded. */
function useFieldsOf(
  setKey: string,
  document: SetDocument,
  [before, after]: readonly [string, string],
): (of: string) => SetDocument['fields'] {
  const [known, setKnown] = useState<ReadonlyMap<string, SetDocument['fields']>>(new Map());
  useEffect(() => {
    let isGone = false;
    for (const side of [before, after].filter((one) => one !== 'now'))
      documentOf(side, setKey, document).then(
        ({ fields }) => !isGone && setKnown((now) => new Map(now).set(side, fields)),
        // The error is shown when it is compared.
        () => {},
      );
    return () => {
      isGone = true;
    };
  }, [setKey, document, before, after]);
  return (of) => (of === 'now' ? document.fields : (known.get(of) ?? []));
}

/** The other sets; empty while Arbeit does not answer. */
function useOtherSets(setKey: string): readonly ListedSet[] {
  const [sets, setSets] = useState<readonly ListedSet[]>([]);
  useEffect(() => {
    listSets().then(
      (all) => setSets(all.filter(({ key }) => key !== setKey)),
      () => {},
    );
  }, [setKey]);
  return sets;
}

function SideChoice({
  label,
  side,
  fields,
  revisions,
  others,
  onChange,
}: {
  readonly label: string;
  readonly side: Side;
  readonly fields: SetDocument['fields'];
  readonly revisions: readonly Revision[];
  readonly others: readonly ListedSet[];
  readonly onChange: (side: Side) => void;
}) {
  return (
    <fieldset className="flex flex-wrap items-baseline gap-x-3 gap-y-1">
      <legend className="caption">{label}</legend>
      <select
        aria-label={`${label}: which set`}
        className="entry max-w-full"
        value={side.of}
        onChange={({ target }) => onChange({ of: target.value, field: '' })}
      >
        <option value="now">Current version</option>
        <optgroup label="Revisions">
          {revisions.map((one) => (
            <option key={one.revision} value={`revision ${one.revision}`}>
              {titleOf(one)}
            </option>
          ))}
        </optgroup>
        {others.length > 0 && (
          <optgroup label="Other sets">
            {others.map(({ key, title }) => (
              <option key={key} value={`set ${key}`}>
                {title}
              </option>
            ))}
          </optgroup>
        )}
      </select>
      <select
        aria-label={`${label}: which field`}
        className="entry max-w-full"
        value={side.field}
        onChange={({ target }) => onChange({ ...side, field: target.value })}
      >
        <option value="">All fields</option>
        {fields.map(({ id, label: name }) => (
          <option key={id} value={id}>
            {name || id}
          </option>
        ))}
      </select>
    </fieldset>
  );
}

/** The difference of one field or form: the tape, and what each of the two shows at its end. */
function Found({ one: { is, name, target, tape, values } }: { readonly one: Compared }) {
  return (
    <li className="found" data-is={is}>
      <Mark shape={shapes[is]} size={11} />
      <div className="min-w-0">
        <p>
          <b className="font-semibold">{name}</b> {words[is]}
          {target.type === 'form' ? ' (form)' : ''}
        </p>
        {values?.before !== undefined && (
          <p>
            No longer accepted: <span className="value">{values.before}</span>
          </p>
        )}
        {values?.after !== undefined && (
          <p>
            Newly accepted: <span className="value">{values.after}</span>
          </p>
        )}
        {tape && (
          <Scrolled label={`Differences in ${name}`}>
            <table className="rulers-of-both">
              <tbody>
                <Lines head="keys" lines={tape.actions} />
                <Lines head="before" lines={tape.before.map(fact)} />
                <Lines head="after" lines={tape.after.map(fact)} />
              </tbody>
            </table>
          </Scrolled>
        )}
      </div>
    </li>
  );
}

/** An expectation as a statement. */
const fact = (line: string): string => line.replace(/^expect /, '');

const Lines = ({ head, lines }: { readonly head: string; readonly lines: readonly string[] }) => (
  <tr>
    <th scope="row">{head}</th>
    <td className="value">{lines.join('\n')}</td>
  </tr>
);
