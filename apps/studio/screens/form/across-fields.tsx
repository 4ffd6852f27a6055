'use client';

import type { FormStore } from '@arbeit/dom';
import { comparisons } from '@arbeit/engine/check-words';
import {
  comparisonsFor,
  type FormDocument,
  type FormRuleDocument,
  type SetDocument,
} from '@arbeit/engine/document';
import { definitionIn, kinds } from '@arbeit/engine/kinds';
import { useState, useSyncExternalStore } from 'react';
import { MessageEditor } from '../../field/message-editor.tsx';
import { addFormRule, type ChangeForm, changeFormRule, removeFormRule } from '../../model/form-edits.ts';
import { DraftInput } from '../../ui/draft-input.tsx';
import { Labelled } from '../../ui/labelled.tsx';
import { VerdictIcon } from '../../ui/verdict-icon.tsx';
import * as texts from '../../words/form/across-fields.ts';
import { FieldSelect } from './field-select.tsx';

/**
 * The rules of the form that read several fields, as notes in the margin: verdict, what they check, their
 * message.
 */
export function AcrossFields({
  document,
  form,
  store,
  onChange,
}: {
  readonly document: SetDocument;
  readonly form: FormDocument;
  readonly store: FormStore;
  readonly onChange: ChangeForm;
}) {
  const [opened, setOpened] = useState<string | null>(null);
  const pair = pairIn(document, store);
  return (
    <section aria-label={texts.crossFieldRules}>
      <div className="flex items-baseline gap-4">
        <h2 className="caption">{texts.crossFieldRules}</h2>
        <button
          type="button"
          className="word-button ml-auto"
          disabled={!pair}
          onClick={() => {
            if (!pair) return;
            const next = addFormRule(form, pair);
            setOpened(next.rules?.at(-1)?.id ?? null);
            onChange((f) => addFormRule(f, pair));
          }}
        >
          {texts.addRule}
        </button>
      </div>
      <ol>
        {(form.rules ?? []).map((rule) => (
          <li key={rule.id} className="border-b border-rule">
            <Note
              rule={rule}
              store={store}
              isOpen={opened === rule.id}
              onOpen={(isOpen) => setOpened(isOpen ? rule.id : null)}
            />
            {opened === rule.id && (
              <Editor
                rule={rule}
                document={document}
                store={store}
                onChange={(next) =>
                  onChange((f) => changeFormRule(f, rule.id, () => next), `rule ${rule.id}`)
                }
                onRemove={() => {
                  setOpened(null);
                  onChange((f) => removeFormRule(f, rule.id));
                }}
              />
            )}
          </li>
        ))}
      </ol>
      {!form.rules?.length && (
        <p className="text-faint">{pair ? texts.noCrossFieldRulesYet : texts.noCrossFieldRulesYetThey}</p>
      )}
    </section>
  );
}

function Note({
  rule,
  store,
  isOpen,
  onOpen,
}: {
  readonly rule: FormRuleDocument;
  readonly store: FormStore;
  readonly isOpen: boolean;
  readonly onOpen: (isOpen: boolean) => void;
}) {
  const { form } = store;
  const field = store.field(rule.field);
  const evaluation = useSyncExternalStore(field.subscribe, field.evaluation, field.evaluation);
  const own = field.field.rules.length;
  const at = (form.rulesAt.get(rule.field) ?? []).findIndex(({ id }) => id === rule.id);
  const finding = evaluation.findings[own + at];
  const labelOf = (id: string) => form.fields[form.places.get(id) ?? -1]?.label ?? id;
  const { check } = rule;
  const words =
    check.type === 'compare'
      ? `${labelOf(rule.field)} ${comparisons[check.op].replace('…', String(check.days ?? 0))} ${labelOf(check.field)}`
      : check.type === 'remote'
        ? texts.passesServerCheck(labelOf(rule.field), check.ask)
        : `${labelOf(rule.field)}: ${check.type}`;
  return (
    <>
      <button
        type="button"
        className="note w-full flex-wrap text-left hover:text-oxide"
        aria-expanded={isOpen}
        onClick={() => onOpen(!isOpen)}
      >
        {finding && <VerdictIcon verdict={finding.verdict} />}
        <span className="min-w-0 wrap-anywhere">{words}</span>
      </button>
      <p className="on-paper pl-6 text-faint">
        {(form.rulesAt.get(rule.field) ?? [])[at]?.say ?? texts.defaultMessage}
      </p>
    </>
  );
}

function Editor({
  rule,
  document,
  store,
  onChange,
  onRemove,
}: {
  readonly rule: FormRuleDocument;
  readonly document: SetDocument;
  readonly store: FormStore;
  readonly onChange: (rule: FormRuleDocument) => void;
  readonly onRemove: () => void;
}) {
  const { say: _, ...unsaid } = rule;
  const { check } = rule;
  return (
    <div className="space-y-2 py-2 pl-6">
      {check.type === 'compare' && (
        <div className="flex flex-wrap gap-3">
          <FieldSelect
            label={texts.showMessage}
            value={rule.field}
            fields={store.form.fields}
            onChange={(field) => {
              const allowed = opsFor(document, field, check.field);
              const op = allowed.includes(check.op) ? check.op : 'differs';
              if (field !== check.field)
                onChange({ ...rule, field, check: compareOf(op, check.field, check.days) });
            }}
          />
          <Labelled label={texts.mustBe}>
            {(id) => (
              <select
                id={id}
                className="entry"
                value={check.op}
                onChange={({ target }) =>
                  onChange({
                    ...rule,
                    check: compareOf(target.value as typeof check.op, check.field, check.days),
                  })
                }
              >
                {opsFor(document, rule.field, check.field).map((op) => (
                  <option key={op} value={op}>
                    {comparisons[op]}
                  </option>
                ))}
              </select>
            )}
          </Labelled>
          {check.days !== undefined && (
            <Labelled label={texts.days}>
              {(id) => (
                <DraftInput
                  id={id}
                  className="entry value"
                  inputMode="numeric"
                  value={String(check.days)}
                  check={(text) => (/^\d{1,4}$/.test(text) ? null : texts.enterANumberOfDays)}
                  onChange={(text) => onChange({ ...rule, check: { ...check, days: Number(text) } })}
                />
              )}
            </Labelled>
          )}
          <FieldSelect
            label={texts.comparedWith}
            value={check.field}
            fields={store.form.fields}
            onChange={(field) => {
              const op = opsFor(document, rule.field, field).includes(check.op) ? check.op : 'differs';
              if (field !== rule.field) onChange({ ...rule, check: compareOf(op, field, check.days) });
            }}
          />
        </div>
      )}
      <MessageEditor
        say={rule.say}
        check={check}
        locale={store.field(rule.field).field.locale}
        usual={store.field(rule.field).field.rules[0]?.words?.differs ?? ''}
        problemOf={() => null}
        onChange={(say) => onChange(say === undefined ? unsaid : { ...rule, say })}
      />
      <p className="text-faint">
        {texts.availablePlaceholders} <span className="value">{'{value} {other} {other-label} {days}'}</span>
      </p>
      <button type="button" className="word-button" onClick={onRemove}>
        {texts.deleteRule}
      </button>
    </div>
  );
}

type Op = Extract<FormRuleDocument['check'], { type: 'compare' }>['op'];

const compareOf = (op: Op, field: string, days = 1): FormRuleDocument['check'] =>
  op.endsWith('days') ? { type: 'compare', op, field, days } : { type: 'compare', op, field };

/** The comparisons for two fields: all those of the first; only equality if the two have different types. */
function opsFor(document: SetDocument, own: string, other: string): readonly Op[] {
  const [a, b] = [own, other].map((id) => document.fields.find((field) => field.id === id));
  if (!a || !b) return ['same', 'differs'];
  const [first, second] = [definitionIn(kinds, a), definitionIn(kinds, b)];
  return first.comparable === second.comparable ? comparisonsFor(first) : ['same', 'differs'];
}

/** A rule to start with: two fields of the form with the same type, otherwise the first two. */
function pairIn(document: SetDocument, { form }: FormStore): FormRuleDocument | undefined {
  const all = form.fields.map(({ id }) => document.fields.find((field) => field.id === id));
  for (const [i, first] of all.entries())
    for (const second of all.slice(i + 1)) {
      if (!first || !second) continue;
      const { comparable } = definitionIn(kinds, first);
      if (!comparable || comparable !== definitionIn(kinds, second).comparable) continue;
      const op =
        comparisonsFor({ comparable }).find((one) => one === 'after' || one === 'above') ?? 'differs';
      return { id: 'across', field: second.id, check: { type: 'compare', op, field: first.id } };
    }
  const [first, second] = all;
  return first && second
    ? { id: 'across', field: second.id, check: { type: 'compare', op: 'differs', field: first.id } }
    : undefined;
}
