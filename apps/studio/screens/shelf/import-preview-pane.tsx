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
  guessOf,
  type ImportPreview,
  idOf,
  mostRows,
  previewImport,
  setOfColumns,
  type TableAnswers,
  wantedOf,
} from './import-preview.ts';
import { useWholeTable } from './use-whole-table.ts';
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
        <Table
          text={text}
          brought={brought}
          onSaid={(more) => setSaid({ ...said, ...more })}
          onMake={onMake}
        />
      );
  }
}

/** The columns of a table to be confirmed: first those of its first rows, then those of all. */
function Table({
  text,
  brought,
  onSaid,
  onMake,
}: {
  readonly text: string;
  readonly brought: Extract<ImportPreview, { is: 'columns' }>;
  readonly onSaid: (said: TableAnswers) => void;
  readonly onMake: (document: SetDocument) => void;
}) {
  const { names, locale, isPart, columns } = brought;
  const whole = useWholeTable(isPart ? { text, names, locale } : undefined);
  return (
    <>
      <div className="flex flex-wrap items-end gap-x-6 gap-y-3">
        <div>
          <p className="caption" aria-hidden="true">
            {words.columnNames}
          </p>
          <Choices
            label={words.columnNames}
            value={names}
            choices={{ above: words.theFirstRow, before: words.theFirstColumn }}
            onChange={(chosen) => onSaid({ names: chosen })}
          />
        </div>
        <div className="max-w-full flex-none">
          <Labelled label={words.numberAndDateFormat}>
            {(id) => (
              <select
                id={id}
                className="entry w-auto"
                value={locale}
                onChange={({ target }) => onSaid({ locale: target.value })}
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
      {isPart && <Checking whole={whole} />}
      <Columns
        first={columns}
        columns={(isPart && whole.columns) || columns}
        names={names}
        locale={locale}
        onMake={onMake}
      />
    </>
  );
}

/** How far the rows of a long table were checked, and what to do about it. */
function Checking({ whole }: { readonly whole: ReturnType<typeof useWholeTable> }) {
  const { is, share, rows, why } = whole;
  const isUnderWay = is === 'under way';
  const said = {
    'under way': words.checkingAllRows,
    stopped: words.onlyTheFirstRows(mostRows),
    done: words.allRowsChecked(rows),
    failed: words.notAllRowsChecked(why),
  }[is];
  return (
    <div className="flex min-h-[54px] flex-wrap items-baseline gap-x-4 sm:min-h-[27px]">
      <span role="status" className={is === 'failed' ? 'text-brick' : 'text-faint'}>
        {said}
      </span>
      <progress className="w-24" aria-label={words.checkedSoFar} max={1} value={share} hidden={!isUnderWay} />
      {/* One button for both: who stopped it by key stays on what begins it again. */}
      {is !== 'done' && (
        <button type="button" className="word-button" onClick={isUnderWay ? whole.stop : whole.again}>
          {isUnderWay ? words.stop : words.checkAllRows}
        </button>
      )}
    </div>
  );
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
  first,
  columns,
  names,
  locale,
  onMake,
}: {
  /** What the columns were taken for by their first rows. */
  readonly first: readonly Column[];
  readonly columns: readonly Column[];
  readonly names: Names;
  readonly locale: string;
  readonly onMake: (document: SetDocument) => void;
}) {
  const [unwanted, setUnwanted] = useState<ReadonlySet<string>>(new Set());
  const [chosen, setChosen] = useState<ReadonlyMap<string, string>>(new Map());
  const wanted = columns.filter((column) => !unwanted.has(idOf(column)));
  const before = new Map(first.map((column) => [idOf(column), guessOf(column, chosen)?.what]));
  // Of the first rows: a row of this list keeps its height when all have been checked.
  const examples = new Map(first.map((column) => [idOf(column), column.examples]));
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
            {columns.slice(0, mostShown).map((column) => {
              const { name, guesses, different } = column;
              const id = idOf(column);
              return (
                <tr key={id}>
                  <th scope="row" className="font-normal">
                    <Tick
                      label={name}
                      isOn={!unwanted.has(id)}
                      onTick={() => setUnwanted(toggled(unwanted, id))}
                    />
                  </th>
                  <td>
                    <select
                      className="entry w-full text-ellipsis"
                      aria-label={words.followedByIs(name)}
                      value={guessOf(column, chosen)?.what}
                      onChange={({ target }) => setChosen(new Map(chosen).set(id, target.value))}
                    >
                      {guesses.map(({ what }) => (
                        <option key={what} value={what}>
                          {what}
                        </option>
                      ))}
                    </select>
                  </td>
                  <td className="value text-sm">{shown(examples.get(id) ?? [], different)}</td>
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
      <Make
        count={wanted.length}
        onMake={() => onMake(setOfColumns({ title: words.imported, locale }, columns, chosen, unwanted))}
      />
      {/* Below the button, which stays where it is when all rows have been checked. */}
      {wanted.map((column) => {
        const id = idOf(column);
        const [was, is] = [before.get(id) ?? '', guessOf(column, chosen)?.what ?? ''];
        const isTakenBack = !column.guesses.some(({ what }) => what === was) && chosen.get(id) !== is;
        return isTakenBack ? (
          <p key={id} className="pt-2">
            {words.kindChanged(column.name, was, is)}
          </p>
        ) : null;
      })}
      <Misfits
        names={names}
        columns={wanted.map((column) => ({
          name: column.name,
          misfits: guessOf(column, chosen)?.misfits ?? [],
        }))}
      />
    </>
  );
}

/** A few examples, unchanged. */
const shown = (examples: readonly string[], different: number): string =>
  words.someOf(examples.slice(0, 3).join(' · '), different - 3);

function Make({ count, onMake }: { readonly count: number; readonly onMake: () => void }) {
  return (
    <p className="pt-2">
      <button type="button" className="solid-button" disabled={count === 0} onClick={onMake}>
        {words.importFields(count)}
      </button>
    </p>
  );
}
