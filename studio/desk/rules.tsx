'use client';

import type { CheckDocument, FieldDocument, RuleDocument } from '@arbeit/engine/document';
import type { OpenField } from '@arbeit/engine/field';
import { told } from '@arbeit/engine/field';
import type { KindName } from '@arbeit/engine/kinds';
import type { Check } from '@arbeit/engine/rules';
import type { Field } from '@arbeit/react';
import { useState } from 'react';
import { addRule, changeRule, moveRule, removeRule } from '../definition/edits.ts';
import { shownAt } from '../definition/sample.ts';
import { useKinds } from '../kinds/at-hand.tsx';
import { Lamp } from '../sheet/lamp.tsx';
import { deferred } from '../sheet/later.tsx';
import { Menu } from '../sheet/pop-out.tsx';
import { type CheckType, checks, codeOf, firstLimit } from './check-words.ts';

const RuleEditor = deferred(() => import('./rule-editor.tsx').then((rule) => rule.RuleEditor));

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
  const [opened, setOpened] = useState<ReadonlySet<string>>(new Set());
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
                <details
                  className="min-w-0 flex-1"
                  onToggle={(event) => {
                    if (event.currentTarget.open) setOpened((ids) => new Set(ids).add(rule.id));
                  }}
                >
                  <summary className="flex flex-wrap items-baseline gap-x-3">
                    <span className="w-14">{found && <Lamp verdict={found.finding.verdict} />}</span>
                    <span className="font-semibold">{checks[rule.check.type].label}</span>
                    <span className="caption">
                      {rule.show ?? 'leave'}
                      {rule.severity === 'warning' ? ', warning' : ''}
                    </span>
                  </summary>
                  {opened.has(rule.id) && (
                    <RuleEditor
                      kind={definition.kind}
                      rule={rule}
                      words={found?.rule.words ?? {}}
                      onChange={(next) =>
                        onChange((f) => changeRule(f, rule.id, () => next), `rule ${rule.id}`)
                      }
                      onRemove={() => onChange((f) => removeRule(f, rule.id))}
                    />
                  )}
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
  const kinds = useKinds();
  const first = firstLimit(kind, kinds);
  const fresh = (type: CheckType): CheckDocument =>
    type === 'range' ? { type, min: first! } : checks[type].fresh;
  const offered = (Object.keys(checks) as CheckType[]).filter((type) => type !== 'range' || first);
  return (
    <Menu
      trigger="Add a rule"
      button={{ className: 'word-button ml-auto' }}
      align="end"
      className="min-w-60"
      items={() =>
        offered.map((type) => ({
          id: type,
          label: checks[type].label,
          onSelect: () => onAdd({ id: type, check: fresh(type) }),
        }))
      }
    />
  );
}

/** The limits of a check as the field shows them, for a message that is not due. A relative date stays as it is written. */
function limitsOf(compiled: OpenField, check: Check): Record<string, string> {
  if (check.type !== 'range' && check.type !== 'length') return {};
  const { min, max } = check;
  const step = check.type === 'range' ? check.step : undefined;
  const shown = (limit: string | number | undefined): string => {
    const text = String(limit ?? '');
    return check.type === 'length' || !text || text.startsWith('today') ? text : shownAt(compiled, text);
  };
  return { min: shown(min), max: shown(max), step: shown(step) };
}
