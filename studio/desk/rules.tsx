'use client';

import { DropdownMenu } from 'radix-ui';
import { useState } from 'react';
import type { CheckDocument, FieldDocument, KindName, RuleDocument } from '../../engine/compile/document.ts';
import { wordingFor } from '../../engine/rules/messages.ts';
import { told } from '../../engine/rules/reading.ts';
import type { Check, CompiledField } from '../../engine/run/plan.ts';
import type { Field } from '../../react/use-field.ts';
import { addRule, changeRule, moveRule, removeRule } from '../definition/edits.ts';
import { shownAt } from '../definition/sample.ts';
import { DraftInput } from '../sheet/draft-input.tsx';
import { Lamp } from '../sheet/lamp.tsx';
import { CheckEditor, rangeExamples } from './check-editor.tsx';
import { Labelled } from './part-editor.tsx';

type CheckType = CheckDocument['type'];

/** Each check in words, and one to begin with. */
const checks: Readonly<
  Record<CheckType, { readonly label: string; readonly fresh: CheckDocument; readonly code: string }>
> = {
  required: { label: 'must be filled in', fresh: { type: 'required' }, code: 'required' },
  complete: { label: 'must be complete', fresh: { type: 'complete' }, code: 'incomplete' },
  length: { label: 'has a length', fresh: { type: 'length', min: 1 }, code: 'too-short' },
  matches: { label: 'matches an expression', fresh: { type: 'matches', pattern: '.*' }, code: 'no-match' },
  in: { label: 'is one of these', fresh: { type: 'in', values: ['1'] }, code: 'not-allowed' },
  range: { label: 'is in a range', fresh: { type: 'range', min: 1 }, code: 'below-min' },
  'not-trivial': { label: 'is not easy to guess', fresh: { type: 'not-trivial' }, code: 'trivial' },
  'not-in': { label: 'is none of these', fresh: { type: 'not-in', values: ['0000'] }, code: 'not-allowed' },
  checksum: {
    label: 'has a good check character',
    fresh: { type: 'checksum', scheme: 'luhn' },
    code: 'bad-checksum',
  },
};

/** The rules, each with what it says of the present value. They can be put in another order by dragging or by keys. */
export function Rules({
  definition,
  field,
  onChange,
}: {
  readonly definition: FieldDocument;
  readonly field: Field;
  readonly onChange: (change: (field: FieldDocument) => FieldDocument, about?: string) => void;
}) {
  const rules = definition.rules ?? [];
  const [dragged, setDragged] = useState<string | null>(null);
  const compiled = field.store.field;
  const findingOf = (id: string) => {
    const at = compiled.rules.findIndex((rule) => rule.id === id);
    return at < 0 ? undefined : { rule: compiled.rules[at]!, finding: field.reading.findings[at]! };
  };
  const own = rules.some((rule) => rule.check.type === 'complete') ? undefined : findingOf('complete');
  return (
    <section aria-label="Rules">
      <div className="flex items-baseline gap-4 border-b border-ink pb-1">
        <h2 className="font-semibold">Rules</h2>
        <AddRule kind={definition.kind} onAdd={(rule) => onChange((f) => addRule(f, rule))} />
      </div>
      <ol>
        {rules.map((rule, i) => {
          const found = findingOf(rule.id);
          return (
            <li
              key={rule.id}
              draggable={dragged === rule.id}
              onDragOver={(event) => {
                if (dragged === null) return;
                event.preventDefault();
                if (dragged !== rule.id) onChange((f) => moveRule(f, dragged, i), `drag ${dragged}`);
              }}
              onDragEnd={() => setDragged(null)}
              className="border-b py-2"
            >
              <div className="flex items-baseline gap-2">
                <button
                  type="button"
                  className="value cursor-grab px-1 text-line"
                  aria-label={`Move ${rule.id}: arrow keys, or drag`}
                  onPointerDown={() => setDragged(rule.id)}
                  onPointerUp={() => setDragged(null)}
                  onKeyDown={(event) => {
                    const by = event.key === 'ArrowUp' ? -1 : event.key === 'ArrowDown' ? 1 : 0;
                    if (by === 0) return;
                    event.preventDefault();
                    onChange((f) => moveRule(f, rule.id, i + by));
                  }}
                >
                  ≡
                </button>
                <details className="min-w-0 flex-1">
                  <summary className="flex flex-wrap items-baseline gap-x-3">
                    <span className="w-14">{found && <Lamp verdict={found.finding.verdict} />}</span>
                    <span className="font-semibold">{checks[rule.check.type].label}</span>
                    <span className="caption">
                      {rule.show ?? 'leave'}
                      {rule.severity === 'warning' ? ', warning' : ''}
                    </span>
                  </summary>
                  <RuleEditor
                    kind={definition.kind}
                    rule={rule}
                    onChange={(next) =>
                      onChange((f) => changeRule(f, rule.id, () => next), `rule ${rule.id}`)
                    }
                    onRemove={() => onChange((f) => removeRule(f, rule.id))}
                  />
                </details>
              </div>
              <p className="truncate pl-8 text-sm text-faint">
                {found
                  ? told(compiled, found.rule, {
                      ...found.finding,
                      data: { ...limitsOf(compiled, found.rule.check), ...found.finding.data },
                      code: found.finding.code || codeOf(rule.check),
                    }).message
                  : ''}
              </p>
            </li>
          );
        })}
        {own && (
          <li className="flex items-baseline gap-2 border-b py-2 pl-8">
            <Lamp verdict={own.finding.verdict} />
            <span>is complete</span>
            <span className="caption">the field’s own</span>
          </li>
        )}
      </ol>
    </section>
  );
}

function AddRule({ kind, onAdd }: { readonly kind: KindName; readonly onAdd: (rule: RuleDocument) => void }) {
  const fresh = (type: CheckType): CheckDocument =>
    type === 'range' ? { type, min: rangeExamples[kind]! } : checks[type].fresh;
  const offered = (Object.keys(checks) as CheckType[]).filter(
    (type) => type !== 'range' || rangeExamples[kind],
  );
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger className="word-button ml-auto">Add a rule</DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content align="end" sideOffset={4} className="menu min-w-60">
          {offered.map((type) => (
            <DropdownMenu.Item
              key={type}
              className="menu-item"
              onSelect={() => onAdd({ id: type, check: fresh(type) })}
            >
              {checks[type].label}
            </DropdownMenu.Item>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}

function RuleEditor({
  kind,
  rule,
  onChange,
  onRemove,
}: {
  readonly kind: KindName;
  readonly rule: RuleDocument;
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
            placeholder={wordingFor(kind, codeOf(rule.check))}
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

/** The code a check would fail with, where it has not. */
function codeOf(check: CheckDocument): string {
  if (check.type === 'range' && check.min === undefined)
    return check.max === undefined ? 'off-step' : 'above-max';
  if (check.type === 'length' && check.min === undefined) return 'too-long';
  return checks[check.type].code;
}

/** The limits of a check as the field shows them, for a message that is not due. A relative date stays as it is written. */
function limitsOf(compiled: CompiledField, check: Check): Record<string, string> {
  if (check.type !== 'range' && check.type !== 'length') return {};
  const { min, max } = check;
  const step = check.type === 'range' ? check.step : undefined;
  const shown = (limit: string | number | undefined): string => {
    const text = String(limit ?? '');
    return check.type === 'length' || !text || text.startsWith('today') ? text : shownAt(compiled, text);
  };
  return { min: shown(min), max: shown(max), step: shown(step) };
}
