'use client';

import type { FieldDocument, RuleDocument, SetDocument } from '@arbeit/engine/document';
import { definitionIn } from '@arbeit/engine/kinds';
import type { Field } from '@arbeit/react';
import { useKinds } from '../../field/kinds-provider.tsx';
import { addRule, changeRule, removeRule } from '../../model/edits.ts';
import { ruleInWords } from '../../model/rule-words.ts';
import type { Change } from './change.ts';
import { RuleEditor } from './rule-editor.tsx';
import './open-rule.css';

/** A rule as a sentence with blanks, over the full width. Escape closes it. */
export function OpenRule({
  rule,
  definition,
  field,
  words,
  document,
  today,
  onClose,
  onChange,
}: {
  readonly rule: RuleDocument;
  readonly definition: FieldDocument;
  readonly field: Field;
  /** Its default messages, by code. */
  readonly words: Readonly<Record<string, string>>;
  readonly today: string;
  readonly document: SetDocument;
  readonly onClose: () => void;
  readonly onChange: Change;
}) {
  const define = definitionIn(useKinds(), definition);
  const compiled = field.store.field;
  return (
    <fieldset
      aria-label={ruleInWords(rule.check, compiled, define.limits)}
      className="rule-panel"
      onKeyDown={(event) => {
        if (event.key !== 'Escape' || event.defaultPrevented) return;
        event.preventDefault();
        onClose();
      }}
    >
      <RuleEditor
        compiled={compiled}
        define={define}
        rule={rule}
        words={words}
        present={field.evaluation.raw}
        document={document}
        today={today}
        onChange={(next) => onChange((f) => changeRule(f, rule.id, () => next), `rule ${rule.id}`)}
        onAdd={(other) => onChange((f) => addRule(f, other))}
        onClose={onClose}
        onRemove={() => {
          onClose();
          window.document.querySelector<HTMLElement>('[data-add-rule]')?.focus();
          onChange((f) => removeRule(f, rule.id));
        }}
      />
    </fieldset>
  );
}
