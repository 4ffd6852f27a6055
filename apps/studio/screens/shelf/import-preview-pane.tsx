'use client';

import type { SetDocument } from '@arbeit/engine/document';
import { kinds } from '@arbeit/engine/kinds';
import type { Column, Dropped, Misfit, Names, SourceFormat } from '@arbeit/handoff/import';
import { useMemo, useState } from 'react';
import { shapeOf } from '../../model/shape-of.ts';
import { Choices } from '../../ui/choices.tsx';
import { Labelled } from '../../ui/labelled.tsx';
import { localeName, locales } from '../../ui/locales.ts';
import {
  type ImportPreview,
  previewImport,
  setOfColumns,
  type TableAnswers,
  wantedOf,
} from './import-preview.ts';
import '../../ui/table.css';
import * as words from '../../words/shelf/import-preview-pane.ts';

/** Most fields shown at once. */
const mostShown = 200;

/**
 * The preview of an HTML form, a JSON Schema or a table: fields to confirm, and what could not be imported.
 */
export function ImportPreviewPane({
  text,
  sort,
  onMake,
}: {
  readonly text: string;
  readonly sort: Exclude<SourceFormat, 'document'>;
  readonly onMake: (document: SetDocument) => void;
}) {
  const [said, setSaid] = useState<TableAnswers>({});
  const brought = useMemo<ImportPreview>(() => previewImport(text, sort, said), [text, sort, said]);
  switch (brought.is) {
    case 'nothing':
      return <p className="text-brick">{brought.why}</p>;
    case 'set':
      return <FieldsOf key={text} brought={brought} onMake={onMake} />;
    case 'columns':
      return (
        <>
          <div className="flex flex-wrap items-end gap-x-6 gap-y-3">
            <div>
              <p className="caption" aria-hidden="true">
                {words.columnNames}
              </p>
              <Choices
                label={words.columnNames}
                value={brought.names}
                choices={{ above: words.theFirstRow, before: words.theFirstColumn }}
                onChange={(names) => setSaid({ ...said, names })}
              />
            </div>
            <div className="max-w-full flex-none">
              <Labelled label={words.numberAndDateFormat}>
                {(id) => (
                  <select
                    id={id}
                    className="entry w-auto"
                    value={brought.locale}
                    onChange={({ target }) => setSaid({ ...said, locale: target.value })}
                  >
                    {locales.map((tag) => (
                      <option key={tag} value={tag}>
                        {localeName(tag)}
                      </option>
                    ))}
                  </select>
                )}
              </Labelled>
            </div>
          </div>
          <Columns
            key={`${brought.names} ${brought.locale} ${text}`}
            columns={brought.columns}
            names={brought.names}
            locale={brought.locale}
            onMake={onMake}
          />
        </>
      );
  }
}

const toggled = (wanted: ReadonlySet<string>, one: string): ReadonlySet<string> => {
  const next = new Set(wanted);
  if (!next.delete(one)) next.add(one);
  return next;
};

function FieldsOf({
  brought: { set, lost },
  onMake,
}: {
  readonly brought: Extract<ImportPreview, { is: 'set' }>;
  readonly onMake: (document: SetDocument) => void;
}) {
  const [wanted, setWanted] = useState<ReadonlySet<string>>(new Set(set.fields.map(({ id }) => id)));
  return (
    <>
      <div className="max-h-72 overflow-y-auto">
        <table className="table table-fixed">
          <colgroup>
            <col className="w-[30%] sm:w-[28%]" />
            <col className="w-[27%] sm:w-[18%]" />
            <col className="w-[28%] sm:w-[44%]" />
            <col className="w-[15%] sm:w-[10%]" />
          </colgroup>
          <thead>
            <tr>
              <th scope="col">{words.field}</th>
              <th scope="col">{words.kind}</th>
              <th scope="col">{words.sample}</th>
              <th scope="col">{words.rules}</th>
            </tr>
          </thead>
          <tbody>
            {set.fields.slice(0, mostShown).map((field) => (
              <tr key={field.id}>
                <th scope="row" className="font-normal">
                  <Tick
                    label={field.label}
                    isOn={wanted.has(field.id)}
                    onTick={() => setWanted(toggled(wanted, field.id))}
                  />
                </th>
                <td>{kinds[field.kind].define.name}</td>
                <td className="value text-sm">{shapeOf(field, set, kinds)}</td>
                <td>{field.rules?.length ?? 0}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <LostList lost={lost} />
      <Make count={wanted.size} onMake={() => onMake(wantedOf(set, wanted))} />
    </>
  );
}

function Tick({
  label,
  isOn,
  onTick,
}: {
  readonly label: string;
  readonly isOn: boolean;
  readonly onTick: () => void;
}) {
  return (
    <label className="flex items-baseline gap-2">
      <input type="checkbox" className="accent-oxide" checked={isOn} onChange={onTick} />
      <span>{label}</span>
    </label>
  );
}

/** What could not be imported, by place. */
function LostList({ lost }: { readonly lost: readonly Dropped[] }) {
  if (lost.length === 0) return <p className="caption py-2">{words.everythingWasImported}</p>;
  return (
    <>
      <p className="pt-2">{words.notImportedOrChanged(lost.length)}</p>
      <ul className="my-1 max-h-40 overflow-y-auto text-sm">
        {lost.slice(0, mostShown).map(({ where, why, place }) => (
          <li key={`${where} ${why} ${place?.line} ${place?.column}`} className="border-b border-rule py-1">
            {where}: {why}{' '}
            {place && (
              <span className="value text-xs text-faint">{words.lineColumn(place.line, place.column)}</span>
            )}
          </li>
        ))}
      </ul>
    </>
  );
}

/** The cells that the chosen kinds of the chosen columns do not accept. */
function Misfits({
  columns,
  names,
}: {
  readonly columns: readonly { readonly name: string; readonly misfits: readonly Misfit[] }[];
  readonly names: Names;
}) {
  const all = columns.flatMap(({ name, misfits }) => misfits.map((one) => ({ name, ...one })));
  if (all.length === 0) return null;
  return (
    <>
      <p className="pt-2">{words.cellsDoNotFit(all.length)}</p>
      <ul className="my-1 max-h-40 overflow-y-auto text-sm">
        {all.slice(0, mostShown).map(({ name, row, text }) => (
          <li key={`${name} ${row}`} className="border-b border-rule py-1">
            {names === 'above' ? words.inRow(name, row) : words.inColumn(name, row)}{' '}
            <span className="value">{text}</span>
          </li>
        ))}
      </ul>
    </>
  );
}

function Columns({
  columns,
  names,
  locale,
  onMake,
}: {
  readonly columns: readonly Column[];
  readonly names: Names;
  readonly locale: string;
  readonly onMake: (document: SetDocument) => void;
}) {
  const [wanted, setWanted] = useState<ReadonlySet<string>>(new Set(columns.map(({ name }) => name)));
  const [chosen, setChosen] = useState<ReadonlyMap<string, number>>(new Map());
  return (
    <>
      <div className="max-h-72 overflow-y-auto">
        {/* What it is taken for may be long: it is cut in its list, and leaves the names their room. */}
        <table className="table table-fixed">
          <colgroup>
            <col className="w-[28%]" />
            <col className="w-[42%]" />
            <col className="w-[30%]" />
          </colgroup>
          <thead>
            <tr>
              <th scope="col">{words.field}</th>
              <th scope="col">{words.detectedKind}</th>
              <th scope="col">{words.examples}</th>
            </tr>
          </thead>
          <tbody>
            {columns.slice(0, mostShown).map(({ name, guesses, examples }) => (
              <tr key={name}>
                <th scope="row" className="font-normal">
                  <Tick
                    label={name}
                    isOn={wanted.has(name)}
                    onTick={() => setWanted(toggled(wanted, name))}
                  />
                </th>
                <td>
                  <select
                    className="entry w-full text-ellipsis"
                    aria-label={words.followedByIs(name)}
                    value={chosen.get(name) ?? 0}
                    onChange={({ target }) => setChosen(new Map(chosen).set(name, Number(target.value)))}
                  >
                    {guesses.map(({ what }, i) => (
                      <option key={what} value={i}>
                        {what}
                      </option>
                    ))}
                  </select>
                </td>
                <td className="value text-sm">{shown(examples)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <Misfits
        names={names}
        columns={columns.flatMap(({ name, guesses }) =>
          wanted.has(name) ? [{ name, misfits: guesses[chosen.get(name) ?? 0]?.misfits ?? [] }] : [],
        )}
      />
      <Make
        count={wanted.size}
        onMake={() => onMake(setOfColumns({ title: words.imported, locale }, columns, chosen, wanted))}
      />
    </>
  );
}

/** A few examples, unchanged. */
const shown = (examples: readonly string[]): string =>
  words.someOf(examples.slice(0, 3).join(' · '), examples.length - 3);

function Make({ count, onMake }: { readonly count: number; readonly onMake: () => void }) {
  return (
    <p className="pt-2">
      <button type="button" className="solid-button" disabled={count === 0} onClick={onMake}>
        {words.importFields(count)}
      </button>
    </p>
  );
}
