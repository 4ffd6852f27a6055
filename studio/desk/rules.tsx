'use client';

import { DropdownMenu } from 'radix-ui';
import { useState } from 'react';
import type { CheckDocument, FieldDocument, KindName, RuleDocument } from '../../engine/compile/document.ts';
import { parseExpression } from '../../engine/compile/expression.ts';
import { problemWithCheck } from '../../engine/compile/read-document.ts';
import { defaultWording } from '../../engine/rules/messages.ts';
import { told } from '../../engine/rules/reading.ts';
import type { Check, CompiledField } from '../../engine/run/plan.ts';
import type { Field } from '../../react/use-field.ts';
import { addRule, changeRule, moveRule, removeRule } from '../definition/edits.ts';
import { DraftInput } from '../sheet/draft-input.tsx';
import { Lamp } from '../sheet/lamp.tsx';
import { Labelled } from './part-editor.tsx';
import { shownAt } from './sample.ts';

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
            placeholder={
              defaultWording[`${codeOf(rule.check)} ${kind}`] ?? defaultWording[codeOf(rule.check)]
            }
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

function CheckEditor({
  kind,
  check,
  onChange,
}: {
  readonly kind: KindName;
  readonly check: CheckDocument;
  readonly onChange: (check: CheckDocument) => void;
}) {
  switch (check.type) {
    case 'required':
    case 'complete':
    case 'not-trivial':
      return null;
    case 'range':
      return <RangeEditor kind={kind} check={check} onChange={onChange} />;
    case 'length':
      return (
        <div className="flex gap-3">
          {(['min', 'max'] as const).map((bound) => (
            <Labelled key={bound} label={bound === 'min' ? 'At least' : 'At most'}>
              {(id) => (
                <DraftInput
                  id={id}
                  className="entry value"
                  inputMode="numeric"
                  value={String(check[bound] ?? '')}
                  check={(text) =>
                    problemWithLength({ ...check, [bound]: text === '' ? undefined : Number(text) }, text)
                  }
                  onChange={(text) => {
                    const { [bound]: _, ...rest } = check;
                    onChange(text === '' ? rest : { ...rest, [bound]: Number(text) });
                  }}
                />
              )}
            </Labelled>
          ))}
        </div>
      );
    case 'matches':
      return (
        <Labelled label="Expression for the whole raw value">
          {(id) => (
            <DraftInput
              id={id}
              className="entry value"
              value={check.pattern}
              check={(text) => {
                const parsed = parseExpression(text, check.flags);
                return 'message' in parsed ? `Column ${parsed.column}: ${parsed.message}` : null;
              }}
              onChange={(pattern) => onChange({ ...check, pattern })}
            />
          )}
        </Labelled>
      );
    case 'in':
    case 'not-in':
      return (
        <Labelled label="Raw values, one a line">
          {(id) => (
            <textarea
              id={id}
              className="entry value h-24"
              defaultValue={check.values.join('\n')}
              onChange={(event) => {
                const values = event.target.value.split('\n').filter(Boolean);
                if (values.length) onChange({ ...check, values });
              }}
            />
          )}
        </Labelled>
      );
    case 'checksum':
      return (
        <Labelled label="Scheme">
          {(id) => (
            <select
              id={id}
              className="entry"
              value={check.scheme}
              onChange={(event) => onChange({ ...check, scheme: event.target.value as 'luhn' })}
            >
              <option value="luhn">Luhn, mod 10 (ISO/IEC 7812-1)</option>
              <option value="mod97">mod 97-10 (ISO 7064)</option>
              <option value="mod11">mod 11-2 (ISO 7064)</option>
            </select>
          )}
        </Labelled>
      );
  }
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

/** A limit to begin with, for kinds that have an order. */
const rangeExamples: Readonly<Partial<Record<KindName, string>>> = {
  number: '1',
  currency: '1',
  percent: '0',
  date: 'today',
  time: '08:00',
  duration: '10',
};

type RangeCheck = Extract<CheckDocument, { type: 'range' }>;

function RangeEditor({
  kind,
  check,
  onChange,
}: {
  readonly kind: KindName;
  readonly check: RangeCheck;
  readonly onChange: (check: CheckDocument) => void;
}) {
  const keys =
    kind === 'date' || kind === 'time' ? (['min', 'max'] as const) : (['min', 'max', 'step'] as const);
  const labels = { min: 'At least', max: 'At most', step: 'In steps of' };
  return (
    <div className="flex gap-3">
      {keys.map((key) => (
        <Labelled key={key} label={labels[key]}>
          {(id) => (
            <DraftInput
              id={id}
              className="entry value"
              value={String(check[key] ?? '')}
              check={(text) => problemWithRange(kind, { ...check, [key]: text })}
              onChange={(text) => {
                const { [key]: _, ...rest } = check;
                onChange(text === '' ? rest : { ...rest, [key]: text });
              }}
            />
          )}
        </Labelled>
      ))}
    </div>
  );
}

/** What the document's reader would say of a range. */
function problemWithRange(kind: KindName, check: RangeCheck): string | null {
  const given = Object.fromEntries(Object.entries(check).filter(([, value]) => value !== ''));
  return problemWithCheck(kind, given)[0] ?? null;
}

function problemWithLength(
  { min, max }: { min?: number | undefined; max?: number | undefined },
  text: string,
): string | null {
  if (text !== '' && !/^\d{1,4}$/.test(text)) return 'A whole number.';
  if (min === undefined && max === undefined) return 'One of the two is needed.';
  return min !== undefined && max !== undefined && max < min ? '“At most” is below “at least”.' : null;
}
