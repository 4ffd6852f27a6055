'use client';

import type { CheckDocument, FieldDocument, RuleDocument } from '@arbeit/engine/document';
import { definitionIn } from '@arbeit/engine/kinds';
import type { Finding, Rule } from '@arbeit/engine/rules';
import type { Field } from '@arbeit/react';
import { useRef, useState } from 'react';
import { useKinds } from '../../field/kinds-provider.tsx';
import { startsFor } from '../../model/check-starts.ts';
import { addRule, changeRule, moveRule, removeRule } from '../../model/edits.ts';
import { codeOf, ruleInWords, showWhenWords } from '../../model/rule-words.ts';
import { useAtFirstUse } from '../../ui/first-use.ts';
import { deferred } from '../../ui/later.tsx';
import { Menu } from '../../ui/pop-out.tsx';
import { useSorting } from '../../ui/use-sorting.ts';
import { VerdictIcon } from '../../ui/verdict-icon.tsx';
import * as texts from '../../words/desk/notes.ts';
import type { Change } from './change.ts';

const RuleEditor = deferred(() => import('./rule-editor.tsx').then((rule) => rule.RuleEditor));

const Contradictions = deferred(() => import('./contradictions.tsx').then((found) => found.Contradictions));

/**
 * The rules as notes in the margin, in the order in which they are shown: verdict, what it checks, when its
 * message shows.
 */
export function Notes({
  definition,
  field,
  today,
  onChange,
}: {
  readonly definition: FieldDocument;
  readonly field: Field;
  /** The current date, ISO 8601. */
  readonly today: string;
  readonly onChange: Change;
}) {
  useAtFirstUse(RuleEditor);
  const [isInUse, setIsInUse] = useState(false);
  const rules = definition.rules ?? [];
  const list = useRef<HTMLOListElement>(null);
  const moveByKey = useSorting(
    list,
    rules.map(({ id }) => id),
    (id, to) => onChange((f) => moveRule(f, id, to)),
  );
  const [opened, setOpened] = useState<string | null>(null);
  const { shown, findings } = field.evaluation;
  const speaking = shown[0]?.rule;
  const compiled = field.store.field;
  const at = (id: string): { rule: Rule; finding: Finding } | undefined => {
    const i = compiled.rules.findIndex((rule) => rule.id === id);
    const [rule, finding] = [compiled.rules[i], findings[i]];
    return rule && finding && { rule, finding };
  };
  const own = rules.some((rule) => rule.check.type === 'complete') ? undefined : at('complete');
  return (
    <section
      aria-label={texts.rules}
      className="min-w-0 text-sm"
      onFocus={() => setIsInUse(true)}
      onPointerMove={() => setIsInUse(true)}
    >
      <div className="flex items-baseline gap-4">
        <h2 className="caption">{texts.rulesFirstFailingRule}</h2>
        <AddRule
          definition={definition}
          onAdd={(rule) => {
            const { rules: all = [] } = addRule(definition, rule);
            setOpened(all.at(-1)?.id ?? null);
            onChange((f) => addRule(f, rule));
          }}
        />
      </div>
      <ol ref={list}>
        {rules.map((rule) => (
          <Note
            key={rule.id}
            rule={rule}
            definition={definition}
            field={field}
            found={at(rule.id)}
            speaks={rule.id === speaking}
            isOpen={opened === rule.id}
            onOpen={(isOpen) => setOpened(isOpen ? rule.id : null)}
            onHandleKey={(event) => moveByKey(event, rule.id)}
            today={today}
            onChange={onChange}
          />
        ))}
        {own && (
          <li
            className="note pl-6"
            data-speaks={speaking === 'complete' || undefined}
            data-tie={speaking === 'complete' ? 'note' : undefined}
          >
            <VerdictIcon verdict={own.finding.verdict} />
            <span>{texts.mustBeComplete}</span>
            <span className="caption">{texts.onBlurBuilt}</span>
          </li>
        )}
      </ol>
      {isInUse && rules.length > 0 && (
        <Contradictions definition={definition} compiled={compiled} today={today} />
      )}
    </section>
  );
}

function Note({
  rule,
  definition,
  field,
  found,
  speaks,
  isOpen,
  onOpen,
  onHandleKey,
  today,
  onChange,
}: {
  readonly rule: RuleDocument;
  readonly definition: FieldDocument;
  readonly field: Field;
  readonly found: { readonly rule: Rule; readonly finding: Finding } | undefined;
  readonly speaks: boolean;
  readonly isOpen: boolean;
  readonly onOpen: (isOpen: boolean) => void;
  readonly onHandleKey: (event: React.KeyboardEvent) => void;
  readonly today: string;
  readonly onChange: Change;
}) {
  const define = definitionIn(useKinds(), definition);
  const compiled = field.store.field;
  const words = ruleInWords(rule.check, compiled, define.limits);
  return (
    <li data-sort={rule.id} className="border-b border-rule bg-paper">
      <div className="note" data-speaks={speaks || undefined} data-tie={speaks ? 'note' : undefined}>
        <button
          type="button"
          data-handle
          className="handle"
          aria-label={texts.reorder(words)}
          onKeyDown={onHandleKey}
        >
          <span aria-hidden="true">⠿</span>
        </button>
        <button
          type="button"
          className="flex min-w-0 flex-1 flex-wrap items-baseline gap-x-2 text-left hover:text-oxide"
          aria-expanded={isOpen}
          onClick={() => onOpen(!isOpen)}
        >
          {found && <VerdictIcon verdict={found.finding.verdict} />}
          <span className="min-w-0 wrap-anywhere">{words}</span>
          <span className="caption">
            {showWhenWords[rule.show ?? 'leave']}
            {rule.severity === 'warning' ? texts.warning : ''}
          </span>
        </button>
      </div>
      <p className="on-paper pl-6 text-faint">{found?.rule.say ?? found?.rule.words?.[codeOf(rule.check)]}</p>
      {isOpen && (
        <fieldset
          aria-label={words}
          className="min-w-0 pb-3 pl-6"
          onKeyDown={(event) => {
            if (event.key !== 'Escape' || event.defaultPrevented) return;
            event.preventDefault();
            onOpen(false);
            event.currentTarget.parentElement?.querySelector<HTMLElement>('[aria-expanded]')?.focus();
          }}
        >
          <RuleEditor
            compiled={compiled}
            define={define}
            rule={rule}
            words={found?.rule.words ?? {}}
            present={field.evaluation.raw}
            today={today}
            onChange={(next) => onChange((f) => changeRule(f, rule.id, () => next), `rule ${rule.id}`)}
            onAdd={(other) => onChange((f) => addRule(f, other))}
            onRemove={() => {
              onOpen(false);
              document.querySelector<HTMLElement>('[data-add-rule]')?.focus();
              onChange((f) => removeRule(f, rule.id));
            }}
          />
        </fieldset>
      )}
    </li>
  );
}

function AddRule({
  definition,
  onAdd,
}: {
  readonly definition: FieldDocument;
  readonly onAdd: (rule: RuleDocument) => void;
}) {
  const define = definitionIn(useKinds(), definition);
  return (
    <Menu
      trigger={texts.addRule}
      button={{ className: 'word-button ml-auto', ...{ 'data-add-rule': '' } }}
      align="end"
      className="min-w-64"
      items={() =>
        startsFor(define).map(({ id, label, check, isApart = false }) => ({
          id,
          label,
          isApart,
          onSelect: () => onAdd({ id: idFor(check, id), check }),
        }))
      }
    />
  );
}

const idFor = (check: CheckDocument, beginning: string): string =>
  check.type === 'range' || check.type === 'checksum' ? beginning : check.type;
