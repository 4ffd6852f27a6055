'use client';

import type { RuleDocument } from '@arbeit/engine/document';
import { dataOfMessage, problemWithMessage } from '@arbeit/engine/document';
import type { HydratedField } from '@arbeit/engine/field';
import type { Definition } from '@arbeit/engine/kinds';
import { MessageEditor } from '../../field/message-editor.tsx';
import { codeOf, showWhenWords } from '../../model/rule-words.ts';
import { DraftInput } from '../../ui/draft-input.tsx';
import { Help } from '../../ui/help.tsx';
import { Labelled } from '../../ui/labelled.tsx';
import * as texts from '../../words/desk/rule-editor.tsx';
import { CheckEditor } from './check-editor.tsx';
import { SampleValues } from './sample-values.tsx';

/** All options of a rule. */
export function RuleEditor({
  compiled,
  define,
  rule,
  words,
  present,
  today,
  onChange,
  onAdd,
  onRemove,
}: {
  readonly compiled: HydratedField;
  readonly define: Definition;
  readonly rule: RuleDocument;
  /** Its default messages, by code. */
  readonly words: Readonly<Record<string, string>>;
  /** The current raw value, and the current date. */
  readonly present: string;
  readonly today: string;
  readonly onChange: (rule: RuleDocument) => void;
  readonly onAdd: (rule: RuleDocument) => void;
  readonly onRemove: () => void;
}) {
  const { say: _, ...unsaid } = rule;
  const { code: __, ...uncoded } = rule;
  const { check } = rule;
  const isTwo = check.type === 'range' && check.min !== undefined && check.max !== undefined;
  const data = dataOfMessage(define, check).map((name) => `{${name}}`);
  return (
    <div className="mt-1 space-y-2">
      <CheckEditor
        compiled={compiled}
        define={define}
        check={check}
        onChange={(next) => onChange({ ...rule, check: next })}
      />
      {isTwo && (
        <p>
          {texts.minimumAndMaximumShare}{' '}
          <button
            type="button"
            className="word-button"
            onClick={() => {
              const { max, ...lower } = check;
              const { min: ___, step: ____, ...upper } = check;
              onAdd({ ...unsaid, id: `${rule.id}-most`, check: { ...upper, max: max ?? 0 } });
              onChange({ ...rule, check: lower });
            }}
          >
            {texts.splitIntoTwoRules}
          </button>
        </p>
      )}
      <div className="flex flex-wrap items-center gap-x-3">
        <MessageEditor
          say={rule.say}
          check={check}
          locale={compiled.locale}
          usual={words[codeOf(check)] ?? ''}
          problemOf={(text) => problemWithMessage(define, check, text)[0] ?? null}
          onChange={(say) => onChange(say === undefined ? unsaid : { ...rule, say })}
        />
        <Help about={texts.theMessage}>
          <p>{texts.leaveEmptyToUse(<span className="value">{data.join(' ')}</span>)}</p>
        </Help>
      </div>
      <SampleValues compiled={compiled} rule={rule} present={present} today={today} onChange={onChange} />
      <Manner rule={rule} onChange={onChange} />
      <div className="flex items-end gap-3">
        <Labelled label={texts.errorCode}>
          {(id) => (
            <DraftInput
              id={id}
              className="entry value"
              value={rule.code ?? ''}
              placeholder={codeOf(check)}
              check={(text) =>
                text === '' || /^[a-z][\w-]*$/i.test(text) ? null : texts.useOnlyLettersDigits
              }
              onChange={(code) => onChange(code ? { ...rule, code } : uncoded)}
            />
          )}
        </Labelled>
        <button type="button" className="word-button mb-6" onClick={onRemove}>
          {texts.deleteRule}
        </button>
      </div>
    </div>
  );
}

/** When the message shows, its severity, and what happens to an invalid value. */
function Manner({
  rule,
  onChange,
}: {
  readonly rule: RuleDocument;
  readonly onChange: (rule: RuleDocument) => void;
}) {
  return (
    <div className="flex flex-wrap gap-3">
      <Labelled label={texts.showMessage}>
        {(id) => (
          <select
            id={id}
            className="entry"
            value={rule.show ?? 'leave'}
            onChange={(event) => onChange({ ...rule, show: event.target.value as 'leave' })}
          >
            {Object.entries(showWhenWords).map(([show, said]) => (
              <option key={show} value={show}>
                {said}
              </option>
            ))}
          </select>
        )}
      </Labelled>
      <Labelled label={texts.severity}>
        {(id) => (
          <select
            id={id}
            className="entry"
            value={rule.severity ?? 'error'}
            onChange={(event) => onChange({ ...rule, severity: event.target.value as 'error' })}
          >
            <option value="error">{texts.error}</option>
            <option value="warning">{texts.warningInText}</option>
          </select>
        )}
      </Labelled>
      <Labelled label={texts.ifTheValueFails}>
        {(id) => (
          <select
            id={id}
            className="entry"
            value={rule.refused ?? 'keep'}
            onChange={({ target }) => {
              const { refused: ___, ...kept } = rule;
              onChange(target.value === 'clear' ? { ...rule, refused: 'clear' } : kept);
            }}
          >
            <option value="keep">{texts.keepIt}</option>
            <option value="clear">{texts.clearTheField}</option>
          </select>
        )}
      </Labelled>
    </div>
  );
}
