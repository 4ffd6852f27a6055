'use client';

import type { FieldDocument } from '@arbeit/engine/document';
import { definitionIn } from '@arbeit/engine/kinds';
import type { Field } from '@arbeit/react';
import type { ReactNode } from 'react';
import { useKinds } from '../../field/kinds-provider.tsx';
import { assumedInWords } from '../../model/assumed.ts';
import * as words from '../../words/desk/facts.ts';
import { oneLine } from './one-line.ts';

/**
 * What the program gets: raw, the typed value with its type, and facts; right of the ruler if there is room.
 */
export function Facts({ definition, field }: { readonly definition: FieldDocument; readonly field: Field }) {
  const { evaluation, state, store } = field;
  const type = definitionIn(useKinds(), definition).valueIs ?? words.stringFact;
  return (
    <section
      aria-label={words.values}
      className="facts"
      data-has-more={store.field.kind.facts ? '' : undefined}
    >
      <dl>
        <Told name={words.rawFact} text={evaluation.raw} />
        <Told name={words.valueFact} text={evaluation.value ?? 'null'}>
          <span className="caption">{type}</span>
        </Told>
        {Object.entries(field.facts).map(([name, text]) => (
          <Told key={name} name={name} text={text} />
        ))}
        {state.body.assumed && <Told name={words.readAsFact} text={assumedInWords(state.body.assumed)} />}
      </dl>
    </section>
  );
}

function Told({
  name,
  text,
  children,
}: {
  readonly name: string;
  readonly text: string;
  readonly children?: ReactNode;
}) {
  const shown = oneLine(text) || '–';
  return (
    <div className="fact">
      <dt className="text-faint">{name}:</dt>
      <dd className="value" title={shown}>
        {shown}
      </dd>
      {children && <dd>{children}</dd>}
    </div>
  );
}
