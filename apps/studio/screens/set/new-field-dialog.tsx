'use client';

import { type FieldDocument, readDocument, type SetDocument } from '@arbeit/engine/document';
import { kindIn, kinds } from '@arbeit/engine/kinds';
import { parseNotation, propose, readAloud } from '@arbeit/engine/kinds/pattern';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import demo from '../../demo/ridge-huts.arbeit.json' with { type: 'json' };
import { classesIn } from '../../model/classes.ts';
import { addField } from '../../model/field-edits.ts';
import { idFrom } from '../../model/follow-label.ts';
import { leaveMade } from '../../model/just-made.ts';
import { bareField } from '../../model/kind-change.ts';
import { addNewId } from '../../model/new-ids.ts';
import { received } from '../../model/other-sets.ts';
import { sampleLine, sampleOf } from '../../model/sample.ts';
import { typicalShapes } from '../../model/shapes.ts';
import type { EditedSet } from '../../model/use-set.ts';
import { Dialog } from '../../ui/dialog.tsx';
import { Labelled } from '../../ui/labelled.tsx';
import * as words from '../../words/set/new-field-dialog.ts';

/**
 * Adds a field from examples of its text, from a kind, or from a field of the demo. Opens its desk, unless
 * `onMade` says what comes next.
 */
export function NewFieldDialog({
  set,
  onClose,
  alsoChange = (next) => next,
  onMade,
}: {
  readonly set: EditedSet;
  readonly onClose: () => void;
  /** What else changes in the document with the field, by its id. */
  readonly alsoChange?: (document: SetDocument, id: string) => SetDocument;
  readonly onMade?: (id: string) => void;
}) {
  const router = useRouter();
  const { document } = set;
  const [label, setLabel] = useState('');
  const [problem, setProblem] = useState('');
  const create = async (next: SetDocument) => {
    const made = next.fields.at(-1);
    if (!made) return;
    const whole = alsoChange(next, made.id);
    const faulty = faultIn(whole);
    if (faulty) return setProblem(faulty);
    addNewId(set.key, `fields/${made.id}`);
    const saved = set.editAndSave(() => whole);
    if (onMade) return onMade(made.id);
    await saved;
    leaveMade(set.key, `fields/${made.id}`);
    router.push(`/sets/${set.key}/fields/${made.id}`);
  };
  const add = (field: FieldDocument) => create(addField(document, labelled(field, label)).set);
  return (
    <Dialog title={words.newFieldWithTitle(document.title)} isWide onClose={onClose}>
      <LabelInput value={label} onChange={setLabel} />
      <FromExamples
        problem={problem}
        onTake={(pattern) =>
          add({
            ...bareField('pattern', kinds),
            label: words.newField,
            id: 'field',
            entry: { pattern },
          } as FieldDocument)
        }
      />
      <Choices
        title={words.startFromAFieldKind}
        all={Object.keys(kinds).map((kind) => {
          const field = bareField(kind, kinds, document.locale);
          return {
            id: kind,
            label: kindIn(kinds, kind).define.name,
            note: sampleLine(sampleOf(field, document, kinds)),
            onSelect: () => add(field),
          };
        })}
      />
      <Choices
        title={words.copyADemoField}
        all={typicalShapes.map((field) => ({
          id: field.id,
          label: field.label,
          // The display of a custom format is shown by the example.
          note: kindIn(kinds, field.kind).run.withFormat
            ? (field.placeholder ?? '')
            : sampleLine(sampleOf(field, demoFacts, kinds)),
          onSelect: () =>
            create(
              received(
                document,
                labelled(field, label),
                classesIn(field).length ? demoFacts.classes : undefined,
              ),
            ),
        }))}
      />
    </Dialog>
  );
}

function LabelInput({
  value,
  onChange,
}: {
  readonly value: string;
  readonly onChange: (label: string) => void;
}) {
  return (
    <Labelled label={words.labelOptional}>
      {(id) => (
        <input
          id={id}
          className="entry max-w-md"
          value={value}
          placeholder={words.labelExample}
          autoComplete="off"
          onChange={(event) => onChange(event.target.value)}
        />
      )}
    </Labelled>
  );
}

/** The field with a label that was typed, if any, and an id made from it. */
function labelled(field: FieldDocument, label: string): FieldDocument {
  const text = label.trim();
  return text === '' ? field : { ...field, label: text, id: idFrom(text) || field.id };
}

/** What is wrong with a document: a faulty field would not be saved, and so have no page. */
function faultIn(document: SetDocument): string {
  const read = readDocument(document, kinds);
  return read.ok ? '' : (read.faults[0]?.message ?? '');
}

const demoFacts = demo as unknown as SetDocument;

/** Examples typed or pasted, one per line, and the patterns that fit them. */
function FromExamples({
  problem,
  onTake,
}: {
  /** What is wrong with the pattern that was taken. */
  readonly problem: string;
  readonly onTake: (pattern: string) => void;
}) {
  const [text, setText] = useState('');
  const [chosen, setChosen] = useState(0);
  const proposed = propose(text.split('\n'));
  const proposals = proposed.ok ? proposed.proposals : [];
  const at = Math.min(chosen, proposals.length - 1);
  const pattern = proposals[at]?.pattern;
  return (
    <form
      aria-label={words.fromExamples}
      className="grid gap-x-6 sm:grid-cols-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (pattern !== undefined) onTake(pattern);
      }}
    >
      <Labelled label={words.exampleValuesOnePerLine}>
        {(id) => (
          <textarea
            id={id}
            className="entry value h-24"
            placeholder={'(555) 010-4477'}
            spellCheck={false}
            value={text}
            onChange={(event) => setText(event.target.value)}
            onKeyDown={(event) => {
              if (event.key === 'Enter' && (event.ctrlKey || event.metaKey))
                event.currentTarget.form?.requestSubmit();
            }}
          />
        )}
      </Labelled>
      <div className="min-h-24">
        <span className="caption">{words.suggestedPatterns}</span>
        <div role="status">
          {!proposed.ok && <p className="text-sm text-brick">{words.doesNotFitThePattern(proposed.odd)}</p>}
          {proposed.ok && problem && <p className="text-sm text-brick">{problem}</p>}
        </div>
        <fieldset>
          <legend className="sr-only">{words.pattern}</legend>
          {proposals.map((one, i) => (
            <label key={one.pattern} className="flex items-baseline gap-2">
              <input
                type="radio"
                name="proposal"
                className="accent-[var(--oxide)]"
                checked={i === at}
                onChange={() => setChosen(i)}
              />
              <span className="min-w-0">
                <span className="value wrap-anywhere">{one.pattern}</span>
                <span className="block text-xs text-faint">
                  {readAloud(parseNotation(one.pattern, []).nodes)}
                </span>
              </span>
            </label>
          ))}
        </fieldset>
        <button type="submit" className="solid-button mt-2" disabled={pattern === undefined}>
          {words.createFieldWithThisPattern}
        </button>
      </div>
    </form>
  );
}

function Choices({
  title,
  all,
}: {
  readonly title: string;
  readonly all: readonly { id: string; label: string; note: string; onSelect: () => void }[];
}) {
  return (
    <section aria-label={title}>
      <h3 className="caption border-b pb-0.5">{title}</h3>
      <ul className="grid gap-x-6 sm:grid-cols-2">
        {all.map(({ id, label, note, onSelect }) => (
          <li key={id}>
            <button
              type="button"
              className="flex min-h-7 w-full items-baseline gap-3 text-left hover:bg-wash hover:text-oxide"
              onClick={onSelect}
            >
              <span className="whitespace-nowrap first-letter:uppercase">{label}</span>
              <span className="value ml-auto truncate text-xs text-faint">{note}</span>
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
