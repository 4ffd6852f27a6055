'use client';

import {
  type ConditionDocument,
  type FieldDocument,
  readDocument,
  type SetDocument,
} from '@arbeit/engine/document';
import type { HydratedField } from '@arbeit/engine/field';
import { kinds } from '@arbeit/engine/kinds';
import { useState } from 'react';
import { conditionInWords, valuesOf } from '../../model/condition-words.ts';
import type { EditedSet } from '../../model/use-set.ts';
import { focusSoon } from '../../ui/focus-soon.ts';
import { WordSelect } from '../../ui/word-select.tsx';
import * as texts from '../../words/form/conditions.ts';
import { linkOf } from './compared-fields.tsx';

/**
 * The fields of the form that are active only under a condition, each a sentence with choices. `added` is a
 * field that has none yet: its sentence waits for the field it depends on.
 */
export function Conditions({
  set,
  fields,
  added,
  onAdd,
}: {
  readonly set: EditedSet;
  /** The fields of the form. */
  readonly fields: readonly HydratedField[];
  readonly added: string | null;
  readonly onAdd: (field: string | null) => void;
}) {
  const { document } = set;
  const [problem, setProblem] = useState('');
  const bound = document.fields.filter(({ id, when }) => when && fields.some((one) => one.id === id));
  const free = fields.filter(({ id }) => !bound.some((one) => one.id === id));
  const apply = (id: string, when: ConditionDocument) => {
    const next = withCondition(document, id, when);
    const read = readDocument(next, kinds);
    setProblem(read.ok ? '' : (read.faults[0]?.message ?? ''));
    if (!read.ok) return;
    set.edit((d) => withCondition(d, id, when));
    if (id !== added) return;
    onAdd(null);
    focusSoon(`[data-condition="${CSS.escape(id)}"] select`);
  };
  return (
    <section aria-label={texts.conditions}>
      <div className="flex items-baseline gap-4">
        <h2 className="caption">{texts.conditionalFields}</h2>
        <button
          type="button"
          className="word-button ml-auto"
          data-add-condition
          disabled={fields.length < 2 || free.length === 0}
          onClick={() => {
            onAdd(free.at(-1)?.id ?? null);
            focusSoon('[data-new-condition] select');
          }}
        >
          {texts.newCondition}
        </button>
      </div>
      <ul>
        {bound.map((field) => (
          <li
            key={field.id}
            className="sentence"
            data-condition={field.id}
            data-link={linkOf(field.id, 'when')}
          >
            <Sentence field={field} set={set} fields={fields} onChange={(when) => apply(field.id, when)} />
            <button
              type="button"
              className="word-button"
              aria-label={texts.removeCondition(field.label)}
              onClick={() => {
                setProblem('');
                focusSoon('[data-add-condition]');
                set.edit((d) => withCondition(d, field.id, undefined));
              }}
            >
              {texts.remove}
            </button>
          </li>
        ))}
        {added !== null && free.some(({ id }) => id === added) && (
          <li className="sentence" data-new-condition>
            <WordSelect
              label={texts.showField}
              value={added}
              choices={Object.fromEntries(free.map(({ id, label }) => [id, `“${label}”`]))}
              onChange={onAdd}
            />
            <span>{texts.isShownWhen}</span>
            <WordSelect
              label={texts.when}
              value=""
              choices={{ '': texts.chooseAField, ...labels(fields.filter(({ id }) => id !== added)) }}
              onChange={(other) => other && apply(added, { not: { field: other, is: null } })}
            />
            <button
              type="button"
              className="word-button"
              onClick={() => {
                setProblem('');
                onAdd(null);
                focusSoon('[data-add-condition]');
              }}
            >
              {texts.cancel}
            </button>
          </li>
        )}
      </ul>
      {bound.length === 0 && added === null && <p className="text-faint">{texts.noConditions}</p>}
      <p role="status" className="text-brick">
        {problem}
      </p>
    </section>
  );
}

const labels = (fields: readonly HydratedField[]): Record<string, string> =>
  Object.fromEntries(fields.map(({ id, label }) => [id, `“${label || id}”`]));

function withCondition(document: SetDocument, id: string, when: ConditionDocument | undefined): SetDocument {
  const fields = document.fields.map((field) => {
    if (field.id !== id) return field;
    const { when: _, ...rest } = field;
    return (when ? { ...rest, when } : rest) as FieldDocument;
  });
  return { ...document, fields };
}

/**
 * A condition that choices can say: another field, and whether it has a value (`any`), has none (`none`) or
 * has this one (`=value`); `null` for others.
 */
function chosenIn(when: ConditionDocument): { readonly field: string; readonly asked: string } | null {
  if ('not' in when)
    return 'field' in when.not && when.not.is === null ? { field: when.not.field, asked: 'any' } : null;
  if (!('field' in when) || Array.isArray(when.is)) return null;
  return { field: when.field, asked: when.is === null ? 'none' : `=${valueIn(when.is)}` };
}

/** A value of a condition, as its field writes it. */
const valueIn = (is: unknown): string => (is === true ? 'yes' : is === false ? 'no' : String(is));

/** What a condition requires of the other field. */
const conditionFrom = (field: string, asked: string): ConditionDocument =>
  asked === 'any' ? { not: { field, is: null } } : { field, is: asked === 'none' ? null : asked.slice(1) };

/** A condition in words, with choices where it is a simple one. */
function Sentence({
  field: { id, label, when },
  set,
  fields,
  onChange,
}: {
  readonly field: FieldDocument;
  readonly set: EditedSet;
  readonly fields: readonly HydratedField[];
  readonly onChange: (when: ConditionDocument) => void;
}) {
  const chosen = when && chosenIn(when);
  const other = chosen && fields.find((one) => one.id === chosen.field);
  const said = <span className="min-w-0 wrap-anywhere">{texts.labelIsShownWhen(label || id)}</span>;
  if (!when) return null;
  if (!other) {
    const labelOf = (one: string): string =>
      set.document.fields.find((field) => field.id === one)?.label || one;
    const wordsOf = (of: string, value: string): string => {
      const field = fields.find((one) => one.id === of);
      return (field && valuesOf(field).find(([one]) => one === value)?.[1]) ?? value;
    };
    return (
      <span className="min-w-0 flex-1 wrap-anywhere">
        {texts.labelIsShown(label || id, conditionInWords(when, labelOf, wordsOf))}
      </span>
    );
  }
  const values = valuesOf(other);
  const { asked } = chosen;
  const isOffered = !asked.startsWith('=') || values.some(([value]) => value === asked.slice(1));
  return (
    <>
      {said}
      <WordSelect
        label={texts.when}
        value={other.id}
        choices={labels(fields.filter((one) => one.id !== id))}
        onChange={(to) => onChange(conditionFrom(to, 'any'))}
      />
      <WordSelect
        label={texts.followedByIs}
        value={asked}
        choices={{
          any: texts.hasAValue,
          none: texts.isEmpty,
          ...Object.fromEntries(values.map(([value, words]) => [`=${value}`, texts.isValue(words)])),
          ...(isOffered ? {} : { [asked]: texts.isValue(asked.slice(1)) }),
        }}
        onChange={(to) => onChange(conditionFrom(other.id, to))}
      />
    </>
  );
}
