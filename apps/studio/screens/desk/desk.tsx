'use client';

import { localToday } from '@arbeit/dom';
import type { FieldDocument, SetDocument } from '@arbeit/engine/document';
import { compileField, languageOf } from '@arbeit/engine/document';
import { kindIn } from '@arbeit/engine/kinds';
import { type Field, useField } from '@arbeit/react';
import { type ComponentProps, memo, useCallback, useMemo, useRef } from 'react';
import { useCustomCode } from '../../field/custom-code/use-custom-code.ts';
import { useKind, useKinds } from '../../field/kinds-provider.tsx';
import { useLanguages } from '../../field/languages.ts';
import { todayIn } from '../../model/clock.ts';
import { changeField, fieldOf } from '../../model/edits.ts';
import { finishedText } from '../../model/sample.ts';
import { type EditedSet, useSet } from '../../model/use-set.ts';
import type { StoredSet } from '../../store/sets.ts';
import { useCommands } from '../../ui/commands.tsx';
import { deferred } from '../../ui/later.tsx';
import { useUndoKeys } from '../../ui/undo-keys.ts';
import * as words from '../../words/desk/desk.ts';
import { Masthead } from '../set/masthead.tsx';
import { SaveLine } from '../set/save-line.tsx';
import { useJustMade } from '../set/use-just-made.ts';
import { useOwnId } from '../set/use-own-id.ts';
import { AppearanceSection } from './appearance-section.tsx';
import type { Change } from './change.ts';
import { Connector } from './connector.tsx';
import { DefinitionBand } from './definition-band.tsx';
import { FieldTurns } from './field-turns.tsx';
import { InputAttributes } from './input-attributes.tsx';
import { drawingOf } from './kind-columns.ts';
import { LiveField } from './live-field.tsx';
import { Notes } from './notes.tsx';
import { type Play, playsFor } from './plays.ts';
import { Tape } from './tape.tsx';
import { useBench } from './use-bench.ts';
import { useOutside } from './use-outside.ts';
import { player, useNamedTrial, useTrialTape } from './use-trial-tape.tsx';

export interface DeskProps {
  readonly stored: StoredSet;
  readonly fieldId: string;
}

const LocaleSheet = deferred(() => import('./locale-sheet.tsx').then((own) => own.LocaleSheet));
const SharedValue = deferred(() => import('./shared-value.tsx').then((own) => own.SharedValue));

/**
 * The desk: one field, defined, typed into and watched, in bands: its definition, the field itself, its tape.
 */
export function Desk({ stored, fieldId }: DeskProps) {
  const set = useSet(stored);
  const { id, follow, rename } = useOwnId(set, 'fields', fieldId);
  const definition = fieldOf(set.document, id) ?? fieldOf(stored.document, fieldId)!;
  useUndoKeys(set.undo, set.redo);
  // After a change of kind, by hand or by undo, the desk waits until the kind is loaded.
  const isHere = useKind(definition.kind);
  const name = definition.label || definition.id;
  return (
    <>
      <Masthead setKey={set.key} trail={[{ label: set.document.title, href: '/' }, { label: name }]}>
        <SaveLine set={set} />
        <FieldTurns set={set} definition={definition} onRenamed={rename} />
      </Masthead>
      {isHere ? (
        <Sheet key={definition.kind} set={set} definition={definition} onLabelDone={follow} />
      ) : (
        <main className="desk">
          <h1 className="sr-only">{name}</h1>
          <p role="status" className="text-faint">
            {words.loading(definition.kind)}
          </p>
        </main>
      )}
    </>
  );
}

/** Everything under the header; another kind of field has another content. */
function Sheet({
  set,
  definition,
  onLabelDone,
}: {
  readonly set: EditedSet;
  readonly definition: FieldDocument;
  /** Called when somebody has finished editing the label. */
  readonly onLabelDone: () => void;
}) {
  const kinds = useKinds();
  const { id: fieldId } = definition;
  const change = useCallback<Change>(
    (edit, about) => set.edit((d) => changeField(d, fieldId, edit), about),
    [set.edit, fieldId],
  );
  const facts = useFacts(set.document, definition);
  const languages = useLanguages(languageOf(definition, facts));
  const compiled = useCustomCode(
    useMemo(() => compileField(definition, facts, kinds, languages), [definition, facts, kinds, languages]),
  );
  const today = todayIn(set.id);
  const bench = useBench(compiled, today);
  useOutside(bench.store, definition);
  const field = useField(compiled, { store: bench.store });
  useJustMade(set.key, `fields/${fieldId}`, '.field-band .word-in-place');
  const name = definition.label || definition.id;

  const { isPicked = false } = drawingOf(compiled, kinds);
  const plays = useMemo(
    () => playsFor(compiled, finishedText(compiled, kinds), isPicked),
    [compiled, kinds, isPicked],
  );
  const play = ({ events }: Play) => {
    document.getElementById(String(field.inputProps.id))?.focus();
    for (const event of events) bench.store.dispatch(event);
  };
  const trial = useTrialTape(set, compiled, bench, { name, today });
  useNamedTrial(set, bench);
  const { textOf } = trial;
  useCommands(words.desk, [
    { id: 'field', label: words.goToField, key: 'f', run: () => focusOn(`#${CSS.escape(String(field.inputProps.id))}`) },
    { id: 'part', label: words.goToSpecimen, key: 's', run: () => focusOn('[data-part]') },
    { id: 'pattern', label: words.editPatternText, key: 'p', run: () => focusOn('[aria-label="Pattern"] input') },
    { id: 'rule', label: words.addRule, key: 'r', run: () => focusOn('[data-add-rule]') },
    { id: 'tape', label: words.goToTape, key: 't', run: () => focusOn('.tape-rows') },
    { id: 'copy', label: words.copyTheTapeAsText, key: 'c', run: async () => navigator.clipboard?.writeText(await textOf()) },
    { id: 'keep', label: words.saveTapeAsTrial, key: 'k', run: () => void trial.onKeep() },
    { id: 'new-tape', label: words.clearTape, run: trial.onClear },
  ]); // biome-ignore format: one command a line
  return (
    <>
      <main className="desk">
        <h1 className="sr-only">{name}</h1>
        <div className="definition-band">
          <DefinitionBand
            definition={definition}
            field={field}
            set={facts}
            name={`${set.id}/${fieldId}`}
            onChange={change}
          />
        </div>
        <FieldBand
          set={set.document}
          definition={definition}
          field={field}
          today={today}
          onChange={change}
          onLabelDone={onLabelDone}
        />
        <Tape
          rows={bench.tape.rows}
          at={bench.at}
          plays={plays}
          onPlay={play}
          onStep={bench.step}
          {...trial}
          onOpen={async (text) => (await player.fetch()).playText(bench.store, text, trial.onClear)}
        />
      </main>
      <OtherDisplays definition={definition} own={bench.store} set={facts} today={today} edited={set} />
    </>
  );
}

/** What compiling a field needs of its set; the same object until one of it changes. */
function useFacts({ classes, locale, language, fields }: SetDocument, { sameValueAs }: FieldDocument) {
  // A field that shares the value of another begins with its initial value.
  const leader = useMemo(
    () => (sameValueAs === undefined ? undefined : fields.find(({ id }) => id === sameValueAs)),
    [fields, sameValueAs],
  );
  return useMemo(
    () => ({
      locale,
      ...(language ? { language } : {}),
      ...(classes ? { classes } : {}),
      ...(leader ? { fields: [leader] } : {}),
    }),
    [locale, language, classes, leader],
  );
}

/**
 * Below the tape: fields with the same value, and the field in other format locales. Rendered when the set
 * changes, not at each key: it looks at all fields.
 */
const OtherDisplays = memo(function OtherDisplays({
  edited,
  ...props
}: ComponentProps<typeof LocaleSheet> & { readonly edited: EditedSet }) {
  const { definition, own, today } = props;
  const { define, draw } = kindIn(useKinds(), definition.kind);
  // Where a kind has one way to show a value, fields that share one all the same are listed.
  const isShared = edited.document.fields.some(
    ({ id, sameValueAs }) => sameValueAs !== undefined && [id, sameValueAs].includes(definition.id),
  );
  return (
    <aside aria-label={words.linkedDisplaysOfThisValue} className="space-y-6 px-6 pb-16 max-md:px-4">
      {(isShared || draw.other?.(own.field.plan)) && (
        <SharedValue definition={definition} own={own} edited={edited} today={today} />
      )}
      {define.byLocale && <LocaleSheet {...props} />}
    </aside>
  );
});

const focusOn = (selector: string): void => document.querySelector<HTMLElement>(selector)?.focus();

/** The field as a user sees it, its rules in the margin, and its input attributes. */
function FieldBand({
  definition,
  field,
  set,
  today,
  onChange,
  onLabelDone,
}: {
  readonly definition: FieldDocument;
  readonly field: Field;
  readonly set: SetDocument;
  readonly today: string | undefined;
  readonly onChange: Change;
  readonly onLabelDone: () => void;
}) {
  const band = useRef<HTMLDivElement>(null);
  const inputmode = String(field.store.field.html.inputmode ?? '');
  return (
    <div ref={band} className="field-band">
      <div className="min-w-0">
        <LiveField
          definition={definition}
          field={field}
          inputmode={inputmode}
          today={today}
          onChange={onChange}
          onLabelDone={onLabelDone}
        />
        <div className="folded-lines">
          <InputAttributes definition={definition} onChange={onChange} />
          <AppearanceSection definition={definition} onChange={onChange} />
        </div>
      </div>
      <Notes
        definition={definition}
        field={field}
        document={set}
        today={today ?? localToday()}
        onChange={onChange}
      />
      <Connector inside={band} rule={field.evaluation.shown[0]?.rule} />
    </div>
  );
}
