'use client';

import type { FormStore } from '@arbeit/dom';
import { comparisons } from '@arbeit/engine/check-words';
import {
  comparisonsFor,
  dataOfMessage,
  type FormDocument,
  type FormRuleDocument,
  problemWithMessage,
  type SetDocument,
} from '@arbeit/engine/document';
import type { HydratedField } from '@arbeit/engine/field';
import { definitionIn, kinds } from '@arbeit/engine/kinds';
import type { Verdict } from '@arbeit/engine/rules';
import { useState, useSyncExternalStore } from 'react';
import { MessageEditor } from '../../field/message-editor.tsx';
import { addFormRule, type ChangeForm, changeFormRule, removeFormRule } from '../../model/form-edits.ts';
import { codeOf } from '../../model/rule-words.ts';
import { DraftInput } from '../../ui/draft-input.tsx';
import { focusSoon } from '../../ui/focus-soon.ts';
import { VerdictIcon } from '../../ui/verdict-icon.tsx';
import { WordSelect } from '../../ui/word-select.tsx';
import * as texts from '../../words/form/across-fields.ts';
import { linkOf } from './compared-fields.tsx';

/**
 * The rules of the form that read several fields, as sentences in the margin: verdict, what they check, their
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
  /** The id of the rule whose message is being edited. */
  const [opened, setOpened] = useState<string | null>(null);
  const pair = pairIn(document, store.form.fields);
  return (
    <section aria-label={texts.crossFieldRules}>
      <div className="flex items-baseline gap-4">
        <h2 className="caption">{texts.crossFieldRules}</h2>
        <button
          type="button"
          className="word-button ml-auto"
          data-add-rule
          disabled={!pair}
          onClick={() => pair && onChange((f) => addFormRule(f, pair))}
        >
          {texts.addRule}
        </button>
      </div>
      <ol>
        {(form.rules ?? []).map((rule) => (
          <li
            key={rule.id}
            data-rule={rule.id}
            data-link={linkOf(rule.field, rule.id)}
            className="border-b border-rule py-1"
          >
            <RuleInForm
              rule={rule}
              document={document}
              store={store}
              isOpen={opened === rule.id}
              onOpen={(isOpen) => {
                setOpened(isOpen ? rule.id : null);
                // Into the message, and back to the button that opened it.
                focusSoon(
                  `[data-rule="${CSS.escape(rule.id)}"] ${isOpen ? '.message-editor input' : '[data-edit]'}`,
                );
              }}
              onChange={(next) => onChange((f) => changeFormRule(f, rule.id, () => next), `rule ${rule.id}`)}
              onRemove={() => {
                setOpened(null);
                focusSoon('[data-add-rule]');
                onChange((f) => removeFormRule(f, rule.id));
              }}
            />
          </li>
        ))}
      </ol>
      {!form.rules?.length && (
        <p className="text-faint">{pair ? texts.noCrossFieldRulesYet : texts.noCrossFieldRulesYetThey}</p>
      )}
    </section>
  );
}

/** A rule of the form as a sentence with choices, its verdict, and its message, which opens in place. */
function RuleInForm({
  rule,
  document,
  store,
  isOpen,
  onOpen,
  onChange,
  onRemove,
}: {
  readonly rule: FormRuleDocument;
  readonly document: SetDocument;
  readonly store: FormStore;
  readonly isOpen: boolean;
  readonly onOpen: (isOpen: boolean) => void;
  readonly onChange: (rule: FormRuleDocument) => void;
  readonly onRemove: () => void;
}) {
  const { say: _, ...unsaid } = rule;
  const { check } = rule;
  const definition = document.fields.find(({ id }) => id === rule.field);
  const define = definition && definitionIn(kinds, definition);
  const own = store.form.rulesAt.get(rule.field)?.find(({ id }) => id === rule.id);
  const verdict = useVerdict(rule, store);
  const usual = own?.words?.[codeOf(check)] ?? '';
  return (
    <>
      <div className="sentence">
        {verdict && <VerdictIcon verdict={verdict} />}
        {check.type === 'compare' ? (
          <Compared rule={rule} check={check} document={document} store={store} onChange={onChange} />
        ) : (
          <span className="min-w-0 wrap-anywhere">
            {check.type === 'remote'
              ? texts.passesServerCheck(labelIn(store, rule.field), check.ask)
              : texts.otherCheck(labelIn(store, rule.field), check.type)}
          </span>
        )}
      </div>
      {isOpen ? (
        // biome-ignore lint/a11y/noStaticElementInteractions: Escape leaves what is open
        <div className="space-y-1 pb-1" onKeyDown={(event) => event.key === 'Escape' && onOpen(false)}>
          <MessageEditor
            say={rule.say}
            check={check}
            locale={store.field(rule.field).field.locale}
            usual={usual}
            data={define ? dataOfMessage(define, check) : []}
            problemOf={(text) => (define && problemWithMessage(define, check, text)[0]) ?? null}
            onChange={(say) => onChange(say === undefined ? unsaid : { ...rule, say })}
          />
          <p className="flex gap-5">
            <button type="button" className="word-button" onClick={() => onOpen(false)}>
              {texts.close}
            </button>
            <button type="button" className="word-button" onClick={onRemove}>
              {texts.deleteRule}
            </button>
          </p>
        </div>
      ) : (
        <p className="flex items-baseline gap-3 text-faint">
          <span className="min-w-0 flex-1 wrap-anywhere">{own?.say ?? usual}</span>
          <button
            type="button"
            className="word-button"
            data-edit
            aria-label={texts.editTheRule(labelIn(store, rule.field))}
            onClick={() => onOpen(true)}
          >
            {texts.edit}
          </button>
        </p>
      )}
    </>
  );
}

const labelIn = ({ form }: FormStore, id: string): string =>
  form.fields[form.places.get(id) ?? -1]?.label ?? id;

/** The verdict of a rule as it is shown: it waits while one of its fields is empty. */
function useVerdict(rule: FormRuleDocument, store: FormStore): Verdict | 'skipped' | undefined {
  const { field, evaluation, subscribe } = store.field(rule.field);
  const { findings } = useSyncExternalStore(subscribe, evaluation, evaluation);
  const { check } = rule;
  const other = store.field(check.type === 'compare' ? check.field : rule.field);
  const isEmpty = () => evaluation().content === '' || other.evaluation().content === '';
  const waits = useSyncExternalStore(other.subscribe, isEmpty, isEmpty);
  const at = (store.form.rulesAt.get(rule.field) ?? []).findIndex(({ id }) => id === rule.id);
  const verdict = findings[field.rules.length + at]?.verdict;
  return verdict === 'pass' && waits ? 'skipped' : verdict;
}

/** Choices by key, in their order. */
const choicesOf = <T extends string>(all: readonly (readonly [T, string])[]) =>
  Object.fromEntries(all) as Record<T, string>;

/** A comparison of two fields, each word of it a choice. */
function Compared({
  rule,
  check,
  document,
  store,
  onChange,
}: {
  readonly rule: FormRuleDocument;
  readonly check: Compare;
  readonly document: SetDocument;
  readonly store: FormStore;
  readonly onChange: (rule: FormRuleDocument) => void;
}) {
  const choices = choicesOf(store.form.fields.map(({ id, label }) => [id, `“${label || id}”`]));
  const { [check.field]: __, ...firsts } = choices;
  const { [rule.field]: ___, ...others } = choices;
  const days = check.days ?? 1;
  const allowed = opsFor(document, rule.field, check.field);
  /** The comparison between other fields; only equality if they have different types. */
  const between = (field: string, other: string): FormRuleDocument => {
    const op = opsFor(document, field, other).includes(check.op) ? check.op : 'differs';
    return { ...rule, field, check: compareOf(op, other, check.days) };
  };
  return (
    <>
      <WordSelect
        label={texts.showMessage}
        value={rule.field}
        choices={firsts}
        onChange={(field) => onChange(between(field, check.field))}
      />
      <span>{texts.mustBeWord}</span>
      <WordSelect
        label={texts.mustBe}
        value={check.op}
        choices={choicesOf(allowed.map((op) => [op, comparisons[op].replace('…', String(days))]))}
        onChange={(op) => onChange({ ...rule, check: compareOf(op, check.field, check.days) })}
      />
      <WordSelect
        label={texts.comparedWith}
        value={check.field}
        choices={others}
        onChange={(other) => onChange(between(rule.field, other))}
      />
      {check.days !== undefined && (
        <span className="days">
          <span aria-hidden="true">{texts.daysWord}</span>
          <DraftInput
            id={`days-${rule.id}`}
            label={texts.days}
            className="entry value"
            inputMode="numeric"
            value={String(check.days)}
            check={(text) => (/^\d{1,4}$/.test(text) ? null : texts.enterANumberOfDays)}
            onChange={(text) => onChange({ ...rule, check: { ...check, days: Number(text) } })}
          />
        </span>
      )}
    </>
  );
}

type Compare = Extract<FormRuleDocument['check'], { type: 'compare' }>;

type Op = Compare['op'];

const compareOf = (op: Op, field: string, days = 1): FormRuleDocument['check'] =>
  op.endsWith('days') ? { type: 'compare', op, field, days } : { type: 'compare', op, field };

/** The comparisons for two fields: all those of the first; only equality if the two have different types. */
function opsFor(document: SetDocument, own: string, other: string): readonly Op[] {
  const [a, b] = [own, other].map((id) => document.fields.find((field) => field.id === id));
  if (!a || !b) return ['same', 'differs'];
  const [first, second] = [definitionIn(kinds, a), definitionIn(kinds, b)];
  return first.comparable === second.comparable ? comparisonsFor(first) : ['same', 'differs'];
}

/**
 * A rule to start with: two fields of the form with the same type, or else the first two; with a `field`, it
 * and another one.
 */
export function pairIn(
  document: SetDocument,
  fields: readonly HydratedField[],
  field?: string,
): FormRuleDocument | undefined {
  const all = fields.flatMap(({ id }) => document.fields.find((one) => one.id === id) ?? []);
  const pairs = all.flatMap((first, i) =>
    all.slice(i + 1).flatMap((second) => {
      if (field === undefined || second.id === field) return [[first, second] as const];
      return first.id === field ? [[second, first] as const] : [];
    }),
  );
  for (const [first, second] of pairs) {
    const { comparable } = definitionIn(kinds, first);
    if (!comparable || comparable !== definitionIn(kinds, second).comparable) continue;
    const op = comparisonsFor({ comparable }).find((one) => one === 'after' || one === 'above') ?? 'differs';
    return { id: 'across', field: second.id, check: { type: 'compare', op, field: first.id } };
  }
  const [pair] = pairs;
  return (
    pair && { id: 'across', field: pair[1].id, check: { type: 'compare', op: 'differs', field: pair[0].id } }
  );
}
