'use client';

import type { FieldDocument } from '@arbeit/engine/document';
import { readDocument } from '@arbeit/engine/document';
import { useId, useState } from 'react';
import { useKinds } from '../../field/kinds-provider.tsx';
import { Choices } from '../../ui/choices.tsx';
import * as words from '../../words/desk/appearance-editor.ts';
import { type Appearance, labels, sizes, withAppearance } from './appearance-words.ts';
import type { Change } from './change.ts';

const written = { before: words.prefix, behind: words.suffix, icon: words.iconSvg } as const;

/**
 * The options of the appearance, one row each. An invalid symbol, width or icon is reported in its row and
 * not applied.
 */
export function AppearanceEditor({
  definition,
  onChange,
}: {
  readonly definition: FieldDocument;
  readonly onChange: Change;
}) {
  const { look = {} } = definition;
  const set = <K extends keyof Appearance>(name: K, value: Appearance[K] | undefined) =>
    onChange((f) => withAppearance(f, name, value), `look ${name}`);
  return (
    <>
      <Row label={words.label}>
        <Choices
          label={words.label}
          value={look.label ?? 'above'}
          choices={labels}
          onChange={(value) => set('label', value)}
        />
      </Row>
      <Row label={words.size}>
        <Choices
          label={words.size}
          value={look.size ?? 'medium'}
          choices={sizes}
          onChange={(value) => set('size', value)}
        />
      </Row>
      <Written
        definition={definition}
        name="width"
        label={words.widthCharacters}
        text={look.width === undefined ? '' : String(look.width)}
        valueFor={(text) => (/^\d+$/.test(text) ? Number(text) : text)}
        set={(value) => set('width', value as number | undefined)}
      />
      {(['before', 'behind', 'icon'] as const).map((name) => (
        <Written
          key={name}
          definition={definition}
          name={name}
          label={written[name]}
          text={look[name] ?? ''}
          isLong={name === 'icon'}
          set={(value) => set(name, value as string | undefined)}
        />
      ))}
    </>
  );
}

function Row({ label, children }: { readonly label: string; readonly children: React.ReactNode }) {
  return (
    <div className="grid grid-cols-[9rem_minmax(0,1fr)] items-baseline gap-x-3 border-b py-1">
      <span aria-hidden="true">{label}</span>
      {children}
    </div>
  );
}

/** An option that is typed. It is applied once it is valid; until then the error is shown below it. */
function Written({
  definition,
  name,
  label,
  text,
  isLong = false,
  valueFor = (written) => written,
  set,
}: {
  readonly definition: FieldDocument;
  readonly name: keyof Appearance;
  readonly label: string;
  readonly text: string;
  readonly isLong?: boolean;
  readonly valueFor?: (text: string) => string | number;
  readonly set: (value: string | number | undefined) => void;
}) {
  const id = useId();
  const kinds = useKinds();
  const [draft, setDraft] = useState<string>();
  const problemOf = (written: string): string => {
    if (written === '') return '';
    const result = readDocument(
      {
        arbeit: 2,
        title: 'T',
        locale: 'en-GB',
        fields: [{ ...definition, entry: {}, rules: [], kind: 'text', look: { [name]: valueFor(written) } }],
      },
      kinds,
    );
    return result.ok ? '' : (result.faults.find(({ path }) => path.includes('.look'))?.message ?? '');
  };
  const problem = draft === undefined ? '' : problemOf(draft);
  const write = (written: string) => {
    const isSound = problemOf(written) === '';
    setDraft(isSound ? undefined : written);
    if (isSound) set(written === '' ? undefined : valueFor(written));
  };
  const props = {
    id,
    className: 'entry value',
    value: draft ?? text,
    'aria-invalid': problem !== '',
    'aria-describedby': `${id}-problem`,
    spellCheck: false,
    onChange: (event: { readonly target: { readonly value: string } }) => write(event.target.value),
  };
  return (
    <div className="grid grid-cols-[9rem_minmax(0,1fr)] items-baseline gap-x-3 border-b py-1">
      <label htmlFor={id}>{label}</label>
      <div>
        {isLong ? <textarea {...props} rows={2} /> : <input {...props} />}
        <p id={`${id}-problem`} role="status" className="min-h-5 text-xs text-brick">
          {problem}
        </p>
      </div>
    </div>
  );
}
