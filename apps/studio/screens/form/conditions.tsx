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
import { Labelled } from '../../ui/labelled.tsx';
import * as texts from '../../words/form/conditions.ts';
import { FieldSelect } from './field-select.tsx';

/** The fields of the form that are active only under a condition, and a way to add one. */
export function Conditions({
  set,
  fields,
}: {
  readonly set: EditedSet;
  /** The fields of the form. */
  readonly fields: readonly HydratedField[];
}) {
  const [isAdding, setAdding] = useState(false);
  const { document } = set;
  const labelOf = (id: string): string => document.fields.find((one) => one.id === id)?.label || id;
  const wordsOf = (id: string, value: string): string => {
    const field = fields.find((one) => one.id === id);
    return (field && valuesOf(field).find(([one]) => one === value)?.[1]) ?? value;
  };
  const bound = document.fields.filter(({ id, when }) => when && fields.some((one) => one.id === id));
  return (
    <section aria-label={texts.conditions}>
      <div className="flex items-baseline gap-4">
        <h2 className="caption">{texts.conditionalFields}</h2>
        <button
          type="button"
          className="word-button ml-auto"
          aria-expanded={isAdding}
          disabled={fields.length < 2}
          onClick={() => setAdding(!isAdding)}
        >
          {texts.newCondition}
        </button>
      </div>
      <ul>
        {bound.map(({ id, label, when }) => (
          <li key={id} className="flex flex-wrap items-baseline gap-x-2 border-b border-rule py-1">
            <span className="min-w-0 flex-1 wrap-anywhere">
              {texts.isShownWhen(label)} {when && conditionInWords(when, labelOf, wordsOf)}
            </span>
            <button
              type="button"
              className="word-button"
              aria-label={texts.removeCondition(label)}
              onClick={() => set.edit((d) => withCondition(d, id, undefined))}
            >
              {' '}
              {texts.remove}{' '}
            </button>
          </li>
        ))}
      </ul>
      {bound.length === 0 && !isAdding && <p className="text-faint">{texts.noConditions}</p>}
      {isAdding && fields.length > 1 && <Adding set={set} own={fields} onDone={() => setAdding(false)} />}
    </section>
  );
}

function withCondition(document: SetDocument, id: string, when: ConditionDocument | undefined): SetDocument {
  const fields = document.fields.map((field) => {
    if (field.id !== id) return field;
    const { when: _, ...rest } = field;
    return (when ? { ...rest, when } : rest) as FieldDocument;
  });
  return { ...document, fields };
}

/** What a condition requires of the other field: a value, no value, or this value. */
const conditionFrom = (field: string, asked: string): ConditionDocument =>
  asked === 'any' ? { not: { field, is: null } } : { field, is: asked === 'none' ? null : asked.slice(1) };

function Adding({
  set,
  own,
  onDone,
}: {
  readonly set: EditedSet;
  readonly own: readonly HydratedField[];
  readonly onDone: () => void;
}) {
  const [id, setId] = useState(own.at(-1)!.id);
  const [other, setOther] = useState(own[0]!.id);
  const [asked, setAsked] = useState('any');
  const [problem, setProblem] = useState('');
  const field = own.find((one) => one.id === other);
  const values = field ? valuesOf(field) : [];
  const add = () => {
    const next = withCondition(set.document, id, conditionFrom(other, asked));
    const read = readDocument(next, kinds);
    if (!read.ok)
      return setProblem(id === other ? texts.aFieldCannotDepend : (read.faults[0]?.message ?? ''));
    set.edit(() => next);
    onDone();
  };
  const choose = (change: (value: string) => void) => (value: string) => {
    setProblem('');
    change(value);
  };
  return (
    <div className="space-y-2 py-2">
      <FieldSelect label={texts.showField} value={id} fields={own} onChange={choose(setId)} />
      <FieldSelect
        label={texts.when}
        value={other}
        fields={own}
        onChange={choose((value) => {
          setOther(value);
          setAsked('any');
        })}
      />
      <Labelled label={texts.followedByIs}>
        {(name) => (
          <select
            id={name}
            className="entry"
            value={asked}
            onChange={({ target }) => choose(setAsked)(target.value)}
          >
            <option value="any">{texts.notEmpty}</option>
            <option value="none">{texts.empty}</option>
            {values.map(([value, words]) => (
              <option key={value} value={`=${value}`}>
                {words}
              </option>
            ))}
          </select>
        )}
      </Labelled>
      <p role="status" className="min-h-5 text-brick">
        {problem}
      </p>
      <button type="button" className="solid-button" onClick={add}>
        {texts.addCondition}
      </button>
    </div>
  );
}
