'use client';

import { wordsOfCheck } from '@arbeit/engine/check-words';
import type { CheckDocument, FieldDocument, RuleDocument, SetDocument } from '@arbeit/engine/document';
import { definitionIn } from '@arbeit/engine/kinds';
import type { Finding, Rule, Verdict } from '@arbeit/engine/rules';
import type { Field } from '@arbeit/react';
import { useRef, useState } from 'react';
import { useKinds } from '../../field/kinds-provider.tsx';
import { startsFor } from '../../model/check-starts.ts';
import { addRule, moveRule } from '../../model/edits.ts';
import { codeOf, ruleInWords, showWhenWords } from '../../model/rule-words.ts';
import { useAtFirstUse } from '../../ui/first-use.ts';
import { focusSoon } from '../../ui/focus-soon.ts';
import { deferred } from '../../ui/later.tsx';
import { Menu } from '../../ui/pop-out.tsx';
import { useSorting } from '../../ui/use-sorting.ts';
import { VerdictIcon } from '../../ui/verdict-icon.tsx';
import * as texts from '../../words/desk/notes.ts';
import type { Change } from './change.ts';

const OpenRule = deferred(() => import('./open-rule.tsx').then((open) => open.OpenRule));

const Contradictions = deferred(() => import('./contradictions.tsx').then((found) => found.Contradictions));

/**
 * The rules as notes in the margin, in the order in which they are shown: verdict, what it checks, when its
 * message shows.
 */
export function Notes({
  definition,
  field,
  document,
  today,
  onChange,
}: {
  readonly definition: FieldDocument;
  readonly field: Field;
  readonly document: SetDocument;
  /** The current date, ISO 8601. */
  readonly today: string;
  readonly onChange: Change;
}) {
  useAtFirstUse(OpenRule);
  const [isInUse, setIsInUse] = useState(false);
  const { rules = [] } = definition;
  const list = useRef<HTMLOListElement>(null);
  const ids = rules.map(({ id }) => id);
  const moveByKey = useSorting(list, ids, (id, to) => onChange((f) => moveRule(f, id, to)));
  const { opened, open, close } = useOpenRule();
  const openRule = rules.find(({ id }) => id === opened);
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
    // Its two parts are in the grid of the band: the list beside the field, an open rule below both.
    <section
      aria-label={texts.rules}
      className="contents"
      onFocus={() => setIsInUse(true)}
      onPointerMove={() => setIsInUse(true)}
    >
      <div className="min-w-0 text-sm">
        <div className="flex items-baseline gap-4">
          <h2 className="caption">{texts.rulesFirstFailingRule}</h2>
          <AddRule
            definition={definition}
            onAdd={(rule) => {
              const { rules: all = [] } = addRule(definition, rule);
              const added = all.at(-1);
              if (added) open(added);
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
              onOpen={(isOpen) => (isOpen ? open(rule) : close())}
              onHandleKey={(event) => moveByKey(event, rule.id)}
            />
          ))}
          {own && <BuiltIn field={field} finding={own.finding} speaks={speaking === 'complete'} />}
        </ol>
        {isInUse && rules.length > 0 && (
          <Contradictions definition={definition} compiled={compiled} today={today} />
        )}
      </div>
      {openRule && (
        <OpenRule
          key={openRule.id}
          rule={openRule}
          definition={definition}
          field={field}
          words={at(openRule.id)?.rule.words ?? {}}
          document={document}
          today={today}
          onClose={close}
          onChange={onChange}
        />
      )}
    </section>
  );
}

/**
 * The verdict of a rule as it is shown: in an empty field only `required` decides something; the other rules
 * wait until something is typed.
 */
const verdictAt = ({ evaluation }: Field, { verdict }: Finding, check: string): Verdict | 'skipped' =>
  evaluation.content === '' && verdict === 'pass' && check !== 'required' ? 'skipped' : verdict;

/** The rule that is open. Opening focuses its first blank; closing returns the focus to its line. */
function useOpenRule() {
  const [opened, setOpened] = useState<string | null>(null);
  return {
    opened,
    open({ id, check }: RuleDocument): void {
      setOpened(id);
      // An editor of code is loaded when it is drawn.
      const isCode = wordsOfCheck(check.type).editor === 'code';
      focusSoon(`.rule-panel ${isCode ? '[contenteditable]' : ':is(input, select, textarea)'}`);
    },
    close(): void {
      setOpened(null);
      if (opened !== null) focusSoon(`[data-rule="${CSS.escape(opened)}"]`);
    },
  };
}

/** The rule that every field has unless it defines one of its own. */
function BuiltIn({
  field,
  finding,
  speaks,
}: {
  readonly field: Field;
  readonly finding: Finding;
  readonly speaks: boolean;
}) {
  return (
    <li className="note pl-6" data-speaks={speaks || undefined} data-tie={speaks ? 'note' : undefined}>
      <VerdictIcon verdict={verdictAt(field, finding, 'complete')} />
      <span>{texts.mustBeComplete}</span>
      <span className="caption">{texts.onBlurBuilt}</span>
    </li>
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
}: {
  readonly rule: RuleDocument;
  readonly definition: FieldDocument;
  readonly field: Field;
  readonly found: { readonly rule: Rule; readonly finding: Finding } | undefined;
  readonly speaks: boolean;
  readonly isOpen: boolean;
  readonly onOpen: (isOpen: boolean) => void;
  readonly onHandleKey: (event: React.KeyboardEvent) => void;
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
          data-rule={rule.id}
          aria-expanded={isOpen}
          onClick={() => onOpen(!isOpen)}
        >
          {found && <VerdictIcon verdict={verdictAt(field, found.finding, rule.check.type)} />}
          <span className="min-w-0 wrap-anywhere">{words}</span>
          <span className="caption">
            {showWhenWords[rule.show ?? 'leave']}
            {rule.severity === 'warning' ? texts.warning : ''}
          </span>
        </button>
      </div>
      <p className="on-paper pl-6 text-faint">{found?.rule.say ?? found?.rule.words?.[codeOf(rule.check)]}</p>
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
          movesFocus: true,
          onSelect: () => onAdd({ id: idFor(check, id), check }),
        }))
      }
    />
  );
}

const idFor = (check: CheckDocument, beginning: string): string =>
  check.type === 'range' || check.type === 'checksum' ? beginning : check.type;
