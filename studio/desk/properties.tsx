'use client';

import type { FieldDocument } from '@arbeit/engine/document';
import type { Plan } from '@arbeit/engine/field';
import type { PatternPlan } from '@arbeit/engine/kinds/pattern';
import { needsText } from '@arbeit/engine/kinds/pattern';
import { memo } from 'react';
import { withAttribute, withText } from '../definition/edits.ts';
import { useKinds } from '../kinds/at-hand.tsx';
import { hasNotation } from '../kinds/notation.ts';
import type { Option } from '../kinds/option.ts';
import { DraftInput } from '../sheet/draft-input.tsx';
import { Labelled } from '../sheet/labelled.tsx';
import { chosen, isSame, optionsFor, withOption } from './options.ts';

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
        <Typing definition={definition} plan={plan as PatternPlan} onChange={onChange} />
      )}
      <Attributes definition={definition} onChange={onChange} />
    </section>
  );
});

/** How a pattern behaves while it is typed: options that belong to no single part of it. */
function Typing({
  definition,
  plan,
  onChange,
}: {
  readonly definition: FieldDocument<'pattern'>;
  readonly plan: PatternPlan;
  readonly onChange: Change;
}) {
  const kinds = useKinds();
  const { raw } = definition.entry;
  const mayLoseText = plan.positions === 'flow' && needsText(plan) && raw !== 'text';
  return (
    <>
      <h2 className="border-b border-ink pt-3 pb-1 font-semibold">Typing</h2>
      <div className="grid grid-cols-2 gap-x-3">
        {optionsFor(definition, 'typing', kinds).map((option) => (
          <OptionLine
            key={option.key}
            option={option}
            value={chosen(definition, option)}
            onChange={(value) => onChange((f) => withOption(f, option, value, kinds), `entry ${option.key}`)}
          />
        ))}
      </div>
      {mayLoseText && (
        <p className="text-sm">
          {raw === 'content'
            ? 'A part of this pattern can be ended early, so the same characters can stand for two texts: what was typed alone may not bring the text back.'
            : 'With fixed text, because a part of this pattern can be ended early and the characters alone could stand for two texts.'}
        </p>
      )}
    </>
  );
}

/** An option on one line: a list to choose from, or a text. */
function OptionLine({
  option,
  value,
  onChange,
}: {
  readonly option: Option;
  readonly value: unknown;
  readonly onChange: (value: unknown) => void;
}) {
  const { label } = option;
  if (option.is === 'choice') {
    const { choices } = option;
    return (
      <Choice
        label={label}
        value={String(choices.findIndex(([choice]) => isSame(choice, value)))}
        options={Object.fromEntries(choices.map(([, words], i) => [String(i), words]))}
        onChange={(i) => onChange(choices[Number(i)]?.[0])}
      />
    );
  }
  return (
    <Labelled label={label}>
      {(id) => (
        <DraftInput
          id={id}
          className="entry value"
          value={String(value ?? '')}
          check={option.is === 'text' ? option.check : () => null}
          onChange={onChange}
        />
      )}
    </Labelled>
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
