'use client';

import type { RuleDocument } from '@arbeit/engine/document';
import type { KindName } from '@arbeit/engine/kinds';
import { DraftInput } from '../sheet/draft-input.tsx';
import { Labelled } from '../sheet/labelled.tsx';
import { CheckEditor } from './check-editor.tsx';
import { codeOf } from './check-words.ts';

/** Everything a rule can be told. */
export function RuleEditor({
  kind,
  rule,
  words,
  onChange,
  onRemove,
}: {
  readonly kind: KindName;
  readonly rule: RuleDocument;
  /** What it says without words of its own, by code. */
  readonly words: Readonly<Record<string, string>>;
  readonly onChange: (rule: RuleDocument) => void;
  readonly onRemove: () => void;
}) {
  const { say: _, ...unsaid } = rule;
  const { code: __, ...uncoded } = rule;
  return (
    <div className="mt-2 space-y-2">
      <CheckEditor kind={kind} check={rule.check} onChange={(check) => onChange({ ...rule, check })} />
      <Labelled label="Message (its data in braces, such as {min})">
        {(id) => (
          <input
            id={id}
            className="entry"
            value={rule.say ?? ''}
            placeholder={words[codeOf(rule.check)]}
            onChange={(event) =>
              onChange(event.target.value.trim() ? { ...rule, say: event.target.value } : unsaid)
            }
          />
        )}
      </Labelled>
      <div className="flex gap-3">
        <Labelled label="May be seen">
          {(id) => (
            <select
              id={id}
              className="entry"
              value={rule.show ?? 'leave'}
              onChange={(event) => onChange({ ...rule, show: event.target.value as 'leave' })}
            >
              <option value="at-once">while typing</option>
              <option value="leave">on leaving</option>
              <option value="submit">on submit</option>
            </select>
          )}
        </Labelled>
        <Labelled label="Weight">
          {(id) => (
            <select
              id={id}
              className="entry"
              value={rule.severity ?? 'error'}
              onChange={(event) => onChange({ ...rule, severity: event.target.value as 'error' })}
            >
              <option value="error">error</option>
              <option value="warning">warning</option>
            </select>
          )}
        </Labelled>
      </div>
      <Labelled label="Code for the program">
        {(id) => (
          <DraftInput
            id={id}
            className="entry value"
            value={rule.code ?? ''}
            check={(text) =>
              text === '' || /^[a-z][\w-]*$/i.test(text) ? null : 'One word of letters, digits, “-” and “_”.'
            }
            onChange={(code) => onChange(code ? { ...rule, code } : uncoded)}
          />
        )}
      </Labelled>
      <button type="button" className="word-button" onClick={onRemove}>
        Take the rule out
      </button>
    </div>
  );
}
