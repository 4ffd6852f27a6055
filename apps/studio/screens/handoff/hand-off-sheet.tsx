'use client';

import type { SetDocument } from '@arbeit/engine/document';
import { useState } from 'react';
import { keepIds } from '../../model/new-ids.ts';
import { useSet } from '../../model/use-set.ts';
import type { StoredSet } from '../../store/sets.ts';
import { FoldedLine } from '../../ui/folded-line.tsx';
import { HydrationMarker } from '../../ui/hydration-marker.tsx';
import { localeName } from '../../ui/locales.ts';
import { useUndoKeys } from '../../ui/undo-keys.ts';
import { Masthead } from '../set/masthead.tsx';
import { NewFieldCommand } from '../set/new-field-command.tsx';
import { SaveLine } from '../set/save-line.tsx';
import {
  type Choice,
  chosen,
  commandFor,
  everything,
  languagesOf,
  taken,
  type UseName,
  useNames,
} from './choice.ts';
import { Files } from './files.tsx';
import { Snippets } from './snippets.tsx';
import { TakeAway } from './take-away.tsx';
import { type Making, useMade } from './use-made.ts';
import { Weights } from './weights.tsx';
import './hand-off.css';
import * as words from '../../words/handoff/hand-off-sheet.ts';

/** The page of a hand-off: its contents, sizes, usage and files. */
export function HandOffSheet({ stored }: { readonly stored: StoredSet }) {
  const set = useSet(stored);
  useUndoKeys(set.undo, set.redo);
  const [choice, setChoice] = useState(() => everything(set.document));
  const making = useMade(set.key, choice);
  const { made } = making;
  // Code may use the ids from now on.
  const onTaken = () => keepIds(set.key);
  return (
    <>
      <Masthead setKey={set.key} trail={[{ label: set.document.title, href: '/' }, { label: words.handOff }]}>
        <NewFieldCommand set={set} />
        <SaveLine set={set} />
      </Masthead>
      <main className="desk" data-making={making.done === undefined ? undefined : ''}>
        <h1 className="sr-only">{words.handOffWithTitle(set.document.title)}</h1>
        <div>
          <TakeAway
            set={set.id}
            made={made}
            command={commandFor(set.document, set.id, choice)}
            onTaken={onTaken}
          />
          <Progress making={making} />
          <FoldedLine
            name={words.include}
            caption={words.contents}
            said={words.contentsInWords(chosen(set.document, choice), choice)}
            opens={words.theContents}
            isWide
          >
            {() => <Chosen document={set.document} choice={choice} onChange={setChoice} />}
          </FoldedLine>
        </div>
        {made ? (
          <>
            <Snippets setKey={set.key} made={made} onTaken={onTaken} />
            <Files made={made} onTaken={onTaken} />
            <Weights weights={made.weights} />
          </>
        ) : (
          <p className="hand-off-waiting">{words.codeAppearsHere}</p>
        )}
      </main>
      <HydrationMarker />
    </>
  );
}

const withOr = <T,>(list: readonly T[], one: T, isIn: boolean): readonly T[] =>
  isIn ? [...list, one] : list.filter((other) => other !== one);

/** The fields, forms and uses of a set as checkboxes. */
function Chosen({
  document,
  choice,
  onChange,
}: {
  readonly document: SetDocument;
  readonly choice: Choice;
  readonly onChange: (choice: Choice) => void;
}) {
  const all = everything(document);
  const { forms = [], fields } = document;
  const needed = taken(document, choice.forms);
  return (
    <div className="hand-off-choice">
      <Ticks
        label={words.forLabel}
        ticks={all.uses.map((use) => ({ id: use, label: useNames[use], isOn: choice.uses.includes(use) }))}
        onTick={(use, isOn) =>
          onChange({
            ...choice,
            uses: all.uses.filter((one) => (one === use ? isOn : choice.uses.includes(one))) as UseName[],
          })
        }
      />
      {forms.length > 0 && (
        <Ticks
          label={words.forms}
          ticks={forms.map(({ id, title = id }) => ({ id, label: title, isOn: choice.forms.includes(id) }))}
          onTick={(id, isOn) => onChange({ ...choice, forms: withOr(choice.forms, id, isOn) })}
        />
      )}
      <Ticks
        label={words.fields}
        ticks={fields.map(({ id, label }) => ({
          id,
          label: label || id,
          isOn: choice.fields.includes(id) || needed.has(id),
          isFixed: needed.has(id),
        }))}
        onTick={(id, isOn) => onChange({ ...choice, fields: withOr(choice.fields, id, isOn) })}
        onAll={(isOn) => onChange({ ...choice, fields: isOn ? all.fields : [] })}
      />
      {needed.size > 0 && <p className="caption">{words.formsIncludeTheirFields}</p>}
      <Ticks
        label={words.languages}
        ticks={languagesOf(document).map((tag) => ({
          id: tag,
          label: localeName(tag),
          isOn: choice.languages.includes(tag),
        }))}
        onTick={(tag, isOn) => onChange({ ...choice, languages: withOr(choice.languages, tag, isOn) })}
      />
    </div>
  );
}

function Ticks({
  label,
  ticks,
  onTick,
  onAll,
}: {
  readonly label: string;
  readonly ticks: readonly {
    readonly id: string;
    readonly label: string;
    readonly isOn: boolean;
    readonly isFixed?: boolean;
  }[];
  readonly onTick: (id: string, isOn: boolean) => void;
  readonly onAll?: (isOn: boolean) => void;
}) {
  const isEvery = ticks.every(({ isOn }) => isOn);
  return (
    <fieldset className="hand-off-ticks">
      <legend>{label}</legend>
      <div>
        {ticks.map(({ id, label: name, isOn, isFixed = false }) => (
          <label key={id} data-fixed={isFixed || undefined}>
            <input
              type="checkbox"
              checked={isOn}
              disabled={isFixed}
              onChange={({ target }) => onTick(id, target.checked)}
            />
            <span>{name}</span>
          </label>
        ))}
        {onAll && (
          <button type="button" className="word-button" onClick={() => onAll(!isEvery)}>
            {isEvery ? words.selectNone : words.selectAll}
          </button>
        )}
      </div>
    </fieldset>
  );
}

/** Steps of the builder in words. */
const stepsInWords: Readonly<Record<string, string>> = {
  '': words.askingTheServer,
  compiling: words.compilingTheFields,
  bundling: words.bundlingTheRuntime,
  declaring: words.writingTheTypes,
  writing: words.writingTheFiles,
  done: words.measuringSize,
  weighing: words.measuringSize,
};

/** The progress of the build, in a line that is always there. */
function Progress({ making }: { readonly making: Making }) {
  const { done, step, problem, isStopped, made } = making;
  return (
    <div className="hand-off-progress" role="status">
      {done !== undefined ? (
        <>
          <progress value={done} max={1} aria-label={words.madeSoFar} />
          <span>{stepsInWords[step] ?? step}…</span>
          <button type="button" className="word-button" onClick={making.stop}>
            {words.stop}
          </button>
        </>
      ) : problem || isStopped ? (
        <>
          <span className={problem ? 'text-brick' : ''}>{problem ?? words.stopped}</span>
          <button type="button" className="word-button" onClick={making.again}>
            {words.rebuild}
          </button>
        </>
      ) : (
        <span className="caption">
          {made ? words.filesBuiltWithVersionReproducible(made.files.length, made.version) : ''}
        </span>
      )}
    </div>
  );
}
