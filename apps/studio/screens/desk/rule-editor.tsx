'use client';

import { wordsOfCheck } from '@arbeit/engine/check-words';
import type { RuleDocument, SetDocument } from '@arbeit/engine/document';
import { dataOfMessage, problemWithMessage } from '@arbeit/engine/document';
import type { HydratedField } from '@arbeit/engine/field';
import type { Definition } from '@arbeit/engine/kinds';
import { MessageEditor } from '../../field/message-editor.tsx';
import { codeOf, showWhenWords } from '../../model/rule-words.ts';
import { DraftInput } from '../../ui/draft-input.tsx';
import { Labelled } from '../../ui/labelled.tsx';
import { WordSelect } from '../../ui/word-select.tsx';
import * as texts from '../../words/desk/rule-editor.ts';
import { CheckEditor } from './check-editor.tsx';
import { RuleReadings } from './rule-readings.tsx';
import { SampleValues } from './sample-values.tsx';

/**
 * A rule as a sentence with blanks; under it its messages at the limit, test values and what is seldom set.
 */
export function RuleEditor({
  compiled,
  define,
  rule,
  words,
  present,
  document,
  today,
  onChange,
  onAdd,
  onClose,
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
  /** The set with the field. */
  readonly document: SetDocument;
  readonly onChange: (rule: RuleDocument) => void;
  readonly onAdd: (rule: RuleDocument) => void;
  readonly onClose: () => void;
  readonly onRemove: () => void;
}) {
  const { say: _, ...unsaid } = rule;
  const { check } = rule;
  const isCode = wordsOfCheck(check.type).editor === 'code';
  const isTwo = check.type === 'range' && check.min !== undefined && check.max !== undefined;
  return (
    <>
      <div className="rule-sentence">
        <div className={isCode ? 'w-full' : 'rule-check'}>
          <CheckEditor
            compiled={compiled}
            define={define}
            check={check}
            onChange={(next) => onChange({ ...rule, check: next })}
          />
        </div>
        <span className="rule-word">{texts.orShow}</span>
        <div className="rule-message">
          <MessageEditor
            say={rule.say}
            check={check}
            locale={compiled.locale}
            usual={words[codeOf(check)] ?? ''}
            data={dataOfMessage(define, check)}
            problemOf={(text) => problemWithMessage(define, check, text)[0] ?? null}
            onChange={(say) => onChange(say === undefined ? unsaid : { ...rule, say })}
          />
        </div>
        <span className="rule-word">
          <WordSelect
            label={texts.showMessage}
            value={rule.show ?? 'leave'}
            choices={showWhenWords}
            onChange={(show) => onChange({ ...rule, show })}
          />{' '}
          {texts.asWord}{' '}
          <WordSelect
            label={texts.severity}
            value={rule.severity ?? 'error'}
            choices={severities}
            onChange={(severity) => onChange({ ...rule, severity })}
          />
        </span>
        <button type="button" className="word-button ml-auto" onClick={onClose}>
          {texts.close}
        </button>
      </div>
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
      <div className="rule-details">
        <RuleReadings compiled={compiled} rule={rule} document={document} today={today} />
        <SampleValues compiled={compiled} rule={rule} present={present} today={today} onChange={onChange} />
        <Rest rule={rule} onChange={onChange} onRemove={onRemove} />
      </div>
    </>
  );
}

const severities = { error: texts.error, warning: texts.warningInText } as const;

/** What happens to an invalid value, the error code, and the end of the rule. */
function Rest({
  rule,
  onChange,
  onRemove,
}: {
  readonly rule: RuleDocument;
  readonly onChange: (rule: RuleDocument) => void;
  readonly onRemove: () => void;
}) {
  const { code: _, ...uncoded } = rule;
  const { refused: __, ...kept } = rule;
  return (
    <div>
      <p className="flex flex-wrap items-baseline gap-x-1.5">
        {texts.ifTheValueFails}
        <WordSelect
          label={texts.ifTheValueFails}
          value={rule.refused ?? 'keep'}
          choices={refusals}
          onChange={(refused) => onChange(refused === 'clear' ? { ...rule, refused } : kept)}
        />
      </p>
      <div className="flex items-end gap-3">
        <Labelled label={texts.errorCode}>
          {(id) => (
            <DraftInput
              id={id}
              className="entry value"
              value={rule.code ?? ''}
              placeholder={codeOf(rule.check)}
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

const refusals = { keep: texts.keepIt, clear: texts.clearTheField } as const;
