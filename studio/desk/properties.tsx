'use client';

import { memo } from 'react';
import type { FieldDocument } from '../../engine/document/document.ts';
import type { Plan } from '../../engine/field/compiled.ts';
import { needsText, withUsual } from '../../engine/kinds/pattern/define.ts';
import type { PatternPlan } from '../../engine/kinds/pattern/plan.ts';
import { graphemes } from '../../engine/values/graphemes.ts';
import { withAttribute, withText } from '../definition/edits.ts';
import { hasNotation } from '../kinds/notation.ts';
import { DraftInput } from '../sheet/draft-input.tsx';
import { Labelled } from '../sheet/labelled.tsx';

type Change = (change: (field: FieldDocument) => FieldDocument, about?: string) => void;

const inputmodes = ['', 'text', 'numeric', 'tel', 'decimal', 'email', 'url', 'search', 'none'];
const enterkeyhints = ['', 'enter', 'done', 'go', 'next', 'previous', 'search', 'send'];
const capitalizes = ['', 'none', 'sentences', 'words', 'characters'];

/**
 * What the field says of itself, how its pattern behaves, and its HTML attributes.
 * Drawn again only when the definition changes, not at every key.
 */
export const Properties = memo(function Properties({
  definition,
  plan,
  onChange,
}: {
  readonly definition: FieldDocument;
  readonly plan: Plan;
  readonly onChange: Change;
}) {
  return (
    <section aria-label="Definition" className="space-y-2">
      <h2 className="border-b border-ink pb-1 font-semibold">Words</h2>
      <Labelled label="Label">
        {(id) => (
          <input
            id={id}
            className="entry"
            value={definition.label}
            onChange={(event) => onChange((f) => ({ ...f, label: event.target.value }), 'label')}
          />
        )}
      </Labelled>
      {(['hint', 'placeholder', 'initial'] as const).map((key) => (
        <Labelled
          key={key}
          label={{ hint: 'Hint', placeholder: 'Placeholder', initial: 'Initial value' }[key]}
        >
          {(id) => (
            <input
              id={id}
              className={key === 'hint' ? 'entry' : 'entry value'}
              value={definition[key] ?? ''}
              onChange={(event) => onChange((f) => withText(f, key, event.target.value), key)}
            />
          )}
        </Labelled>
      ))}
      {definition.initial && definition.placeholder && (
        <p className="text-sm text-marigold">
          With an initial value the placeholder is only seen once that is cleared.
        </p>
      )}
      {hasNotation(definition) && (
        <Entry definition={definition} plan={plan as PatternPlan} onChange={onChange} />
      )}
      <Attributes definition={definition} onChange={onChange} />
    </section>
  );
});

function Entry({
  definition,
  plan,
  onChange,
}: {
  readonly definition: FieldDocument<'pattern'>;
  readonly plan: PatternPlan;
  readonly onChange: Change;
}) {
  const entry = withUsual(definition.entry);
  const needed = plan.positions === 'flow' && needsText(plan);
  const set = (more: Partial<FieldDocument<'pattern'>['entry']>, about?: string) =>
    onChange((f) => ({ ...f, entry: { ...f.entry, ...more } }) as FieldDocument, about);
  return (
    <>
      <h2 className="border-b border-ink pt-3 pb-1 font-semibold">Typing</h2>
      <div className="flex gap-3">
        <Choice
          label="Positions"
          value={entry.positions}
          options={{ flow: 'text closes up', fixed: 'each cell keeps its place' }}
          onChange={(v) => set({ positions: v as 'flow' })}
        />
        <Choice
          label="Fixed text appears"
          value={entry.literals}
          options={{ behind: 'when needed', ahead: 'at once' }}
          onChange={(v) => set({ literals: v as 'behind' })}
        />
      </div>
      <div className="flex gap-3">
        <Choice
          label="Raw value"
          value={entry.raw ?? ''}
          options={{
            '': 'as needed',
            content: 'what was typed',
            text: 'with fixed text',
          }}
          onChange={(raw) =>
            onChange((f) => {
              const { raw: _, ...others } = (f as FieldDocument<'pattern'>).entry;
              return { ...f, entry: raw ? { ...others, raw } : others } as FieldDocument;
            })
          }
        />
        {entry.positions === 'fixed' ? (
          <Labelled label="Filler for blanks">
            {(id) => (
              <DraftInput
                id={id}
                className="entry value"
                value={entry.filler}
                check={(text) =>
                  graphemes(text).length === 1 && !/[\p{L}\p{N}\s]/u.test(text)
                    ? null
                    : 'One sign; no letter, digit or space.'
                }
                onChange={(filler) => set({ filler }, 'filler')}
              />
            )}
          </Labelled>
        ) : (
          <Choice
            label="Guide behind the text"
            value={entry.ghost ? 'yes' : 'no'}
            options={{ no: 'none', yes: 'drawn' }}
            onChange={(v) => set({ ghost: v === 'yes' })}
          />
        )}
      </div>
      {needed && entry.raw !== 'text' && (
        <p className="text-sm">
          {entry.raw === 'content'
            ? 'A part of this pattern can be ended early, so the same characters can stand for two texts: what was typed alone may not bring the text back.'
            : 'With fixed text, because a part of this pattern can be ended early and the characters alone could stand for two texts.'}
        </p>
      )}
    </>
  );
}

function Attributes({
  definition,
  onChange,
}: {
  readonly definition: FieldDocument;
  readonly onChange: Change;
}) {
  const html = definition.html ?? {};
  const textOf = (name: string): string => (typeof html[name] === 'string' ? html[name] : '');
  const set = (name: string) => (value: string) =>
    onChange((f) => withAttribute(f, name, value), `html ${name}`);
  const asOptions = (names: readonly string[]) =>
    Object.fromEntries(names.map((name) => [name, name || 'not set']));
  return (
    <>
      <h2 className="border-b border-ink pt-3 pb-1 font-semibold">HTML attributes</h2>
      <div className="flex gap-3">
        <Choice
          label="inputmode"
          value={textOf('inputmode')}
          options={asOptions(inputmodes)}
          onChange={set('inputmode')}
        />
        <Choice
          label="enterkeyhint"
          value={textOf('enterkeyhint')}
          options={asOptions(enterkeyhints)}
          onChange={set('enterkeyhint')}
        />
      </div>
      <div className="flex gap-3">
        <Labelled label="autocomplete">
          {(id) => (
            <input
              id={id}
              className="entry value"
              value={textOf('autocomplete')}
              onChange={(event) => set('autocomplete')(event.target.value)}
            />
          )}
        </Labelled>
        <Choice
          label="autocapitalize"
          value={textOf('autocapitalize')}
          options={asOptions(capitalizes)}
          onChange={set('autocapitalize')}
        />
      </div>
      <label className="flex items-center gap-2">
        <input
          type="checkbox"
          className="size-4 accent-[var(--oxide)]"
          checked={html.readonly === true}
          onChange={(event) => onChange((f) => withAttribute(f, 'readonly', event.target.checked))}
        />
        readonly
      </label>
    </>
  );
}

function Choice({
  label,
  value,
  options,
  onChange,
}: {
  readonly label: string;
  readonly value: string;
  readonly options: Readonly<Record<string, string>>;
  readonly onChange: (value: string) => void;
}) {
  return (
    <Labelled label={label}>
      {(id) => (
        <select id={id} className="entry" value={value} onChange={(event) => onChange(event.target.value)}>
          {Object.entries(options).map(([key, name]) => (
            <option key={key} value={key}>
              {name}
            </option>
          ))}
        </select>
      )}
    </Labelled>
  );
}
